import fs from 'node:fs';
import decode from 'heic-decode';
import sharp from 'sharp';
import { Refusal } from '../refusal';
import { MOST_PIXELS } from './inspectPicture';

/** ISO base media files name their brand from the fifth byte on; these are the ones that phones write. */
export const isHeic = (head: Uint8Array): boolean =>
  /^ftyp(heic|heix|hevc|hevx|heim|heis|mif1|msf1)/.test(Buffer.from(head.subarray(4, 12)).toString('latin1'));

/** What the decoder gives and its types leave out. */
type Pictures = (Awaited<ReturnType<typeof decode.all>>[number] & {
  readonly width: number;
  readonly height: number;
})[] & { readonly dispose: () => void };

/**
 * A phone's HEIC picture as a JPEG, upright, all its pixels; browsers can't show the one, all can the other.
 * @throws Refusal where it can't be decoded whole, or unpacks to more than any camera of the trade takes
 */
export async function heicAsJpeg(file: string): Promise<Buffer> {
  let pictures: Pictures | undefined;
  try {
    pictures = (await decode.all({ buffer: await fs.promises.readFile(file) })) as Pictures;
    const first = pictures[0];
    if (first && first.width * first.height > MOST_PIXELS)
      throw new Refusal(
        'too-large',
        `${first.width} × ${first.height} pixels are more than Stereotome takes (120 megapixels). Nothing of it was stored.`,
      );
    if (first) {
      const { data, width, height } = await first.decode();
      return await sharp(Buffer.from(data.buffer, data.byteOffset, data.byteLength), {
        raw: { width, height, channels: 4 },
      })
        .removeAlpha()
        .jpeg({ quality: 96, chromaSubsampling: '4:4:4' })
        .toBuffer();
    }
  } catch (error) {
    if (error instanceof Refusal) throw error;
    // Told below in the same words as any other picture that is damaged.
  } finally {
    pictures?.dispose();
  }
  throw new Refusal(
    'not-a-picture',
    'This HEIC picture is damaged or of a kind that can’t be read. Nothing of it was stored; send it as JPEG.',
  );
}
