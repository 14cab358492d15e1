import sharp from 'sharp';
import { Refusal } from '../refusal';
import { decoding } from './decoding';

/** 30 000 × 30 000 would unpack to gigabytes; no camera of the trade comes near this. */
export const MOST_PIXELS = 120_000_000;
const MIME: Record<string, string> = { jpeg: 'image/jpeg', png: 'image/png', webp: 'image/webp' };
/** Makers' raw files, by the letters they begin with beside plain TIFF's. */
const RAW = /^(II\*\0|MM\0\*|IIRO|IIRS|IIU\0|FUJIFILMCCD|\0MRM|FOVb)|^.{4}ftypcrx/s;

export interface Picture {
  readonly mime: string;
  /** As seen upright, the EXIF orientation applied. */
  readonly width: number;
  readonly height: number;
}

/** Reads the head of a file, then decodes it once small, so that only what can be shown is ever stored. */
export async function inspectPicture(file: string, head: Uint8Array): Promise<Picture> {
  if (RAW.test(Buffer.from(head).toString('latin1')))
    throw new Refusal(
      'not-a-picture',
      'This is a camera’s raw file, which is no finished picture. Export it as JPEG, or let the camera store JPEG beside it. Nothing of it was stored.',
    );
  const metadata = await sharp(file, { limitInputPixels: false })
    .metadata()
    .catch(() => undefined);
  const mime = metadata?.format && MIME[metadata.format];
  if (!metadata || !mime || !metadata.width || !metadata.height)
    throw new Refusal(
      'not-a-picture',
      'This file is no JPEG, PNG, WebP or HEIC picture. Nothing of it was stored.',
    );
  if (metadata.width * metadata.height > MOST_PIXELS) {
    throw new Refusal(
      'too-large',
      `${metadata.width} × ${metadata.height} pixels are more than Stereotome takes (120 megapixels). Nothing of it was stored.`,
    );
  }
  const whole = () =>
    sharp(file, { limitInputPixels: MOST_PIXELS, failOn: 'truncated' }).resize(64).toBuffer();
  await decoding.pass(whole).catch((error: unknown) => {
    if (error instanceof Refusal) throw error;
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
