import sharp from 'sharp';
import type { ReadRaster } from '@/core/calculation';
import type { Raster } from '@/core/imaging/raster';
import { Refusal } from '../refusal';
import { headOf } from './headOf';
import { heicAsJpeg, isHeic } from './heic';
import { MOST_PIXELS } from './inspectPicture';

/**
 * How many pixels a JPEG becomes one of while it is unpacked, each way: its decoder leaves out what a picture an eighth, or a quarter, of its
 * size doesn't show; half of it costs more than all. A little more than those, so that it is brought down from there and not from the next larger.
 */
const QUICKER = [9, 5];

/** All pixels of a picture. */
export const decodePicture = async (file: string): Promise<Raster> => (await readPicture(file, 1)).picture;

/**
 * A picture's pixels as every measurement looks at them: upright, sRGB, eight bits a channel. Other colour spaces and depths are
 * brought to that; what can't be decoded whole is refused.
 * @param coarser so many pixels each way may become one, where that is quicker to read
 */
export async function readPicture(file: string, coarser: number): Promise<ReadRaster> {
  const head = await headOf(file);
  const source = head && isHeic(head) ? await heicAsJpeg(file) : file;
  try {
    const opened = () => sharp(source, { limitInputPixels: MOST_PIXELS, failOn: 'truncated' });
    const { format, autoOrient: whole } = await opened().metadata();
    const times = format === 'jpeg' ? (QUICKER.find((each) => each <= coarser) ?? 1) : 1;
    const upright = opened().autoOrient();
    const sized =
      times === 1
        ? upright
        : upright.resize(Math.ceil(whole.width / times), Math.ceil(whole.height / times), {
            ...{ fit: 'fill', kernel: 'linear' },
          });
    const { data, info } = await sized
      .toColourspace('srgb')
      .removeAlpha()
      .raw({ depth: 'uchar' })
      .toBuffer({ resolveWithObject: true });
    if (info.channels === 3)
      return {
        whole: { width: whole.width, height: whole.height },
        picture: {
          width: info.width,
          height: info.height,
          channels: 3,
          data: new Uint8Array(data.buffer, data.byteOffset, data.length),
        },
      };
  } catch {
    // Told below: a missing file, no picture, or a damaged one.
  }
  throw new Refusal('not-a-picture', 'This file can’t be read as a picture, or not whole.');
}
