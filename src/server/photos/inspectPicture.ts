import sharp from 'sharp';
import { Refusal } from '../refusal';

/** 30 000 × 30 000 would unpack to gigabytes; no camera of the trade comes near this. */
export const MOST_PIXELS = 120_000_000;
const MIME: Record<string, string> = { jpeg: 'image/jpeg', png: 'image/png', webp: 'image/webp' };

export interface Picture {
  readonly mime: string;
  /** As seen upright, the EXIF orientation applied. */
  readonly width: number;
  readonly height: number;
}

/** Reads the head of a file, then decodes it once small, so that only what can be shown is ever stored. */
export async function inspectPicture(file: string, head: Uint8Array): Promise<Picture> {
  if (isHeic(head)) {
    throw new Refusal(
      'not-a-picture',
      'This is a HEIC picture, which Stereotome cannot read yet. Set the phone to take JPEG (“most compatible”), or export it as JPEG.',
    );
  }
  const metadata = await sharp(file, { limitInputPixels: false })
    .metadata()
    .catch(() => undefined);
  const mime = metadata?.format && MIME[metadata.format];
  if (!metadata || !mime || !metadata.width || !metadata.height)
    throw new Refusal(
      'not-a-picture',
      'This file is no JPEG, PNG or WebP picture. Nothing of it was stored.',
    );
  if (metadata.width * metadata.height > MOST_PIXELS) {
    throw new Refusal(
      'too-large',
      `${metadata.width} × ${metadata.height} pixels are more than Stereotome takes (120 megapixels). Nothing of it was stored.`,
    );
  }
  await sharp(file, { limitInputPixels: MOST_PIXELS, failOn: 'truncated' })
    .resize(64)
    .toBuffer()
    .catch(() => {
      throw new Refusal(
        'not-a-picture',
        'This picture is damaged and cannot be shown. Nothing of it was stored; take it again or send the file anew.',
      );
    });
  const turned = (metadata.orientation ?? 1) >= 5;
  return {
    mime,
    width: turned ? metadata.height : metadata.width,
    height: turned ? metadata.width : metadata.height,
  };
}

/** ISO base media files name their brand from the fifth byte on. */
function isHeic(head: Uint8Array): boolean {
  const brand = Buffer.from(head.subarray(4, 12)).toString('latin1');
  return /^ftyp(heic|heix|hevc|hevx|heim|heis|mif1|msf1|avif)/.test(brand);
}
