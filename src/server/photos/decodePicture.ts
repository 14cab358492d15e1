import sharp from 'sharp';
import type { Raster } from '@/core/imaging/raster';
import { Refusal } from '../refusal';
import { headOf } from './headOf';
import { heicAsJpeg, isHeic } from './heic';
import { MOST_PIXELS } from './inspectPicture';

/**
 * A picture's pixels as every measurement looks at them: upright, sRGB, eight bits a channel. Other colour spaces and depths are
 * brought to that; what can't be decoded whole is refused.
 */
export async function decodePicture(file: string): Promise<Raster> {
  const head = await headOf(file);
  const source = head && isHeic(head) ? await heicAsJpeg(file) : file;
  try {
    const { data, info } = await sharp(source, { limitInputPixels: MOST_PIXELS, failOn: 'truncated' })
      .autoOrient()
      .toColourspace('srgb')
      .removeAlpha()
      .raw({ depth: 'uchar' })
      .toBuffer({ resolveWithObject: true });
    if (info.channels === 3)
      return {
        width: info.width,
        height: info.height,
        channels: 3,
        data: new Uint8Array(data.buffer, data.byteOffset, data.length),
      };
  } catch {
    // Told below: a missing file, no picture, or a damaged one.
  }
  throw new Refusal('not-a-picture', 'This file can’t be read as a picture, or not whole.');
}
