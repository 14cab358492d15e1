import sharp from 'sharp';
import type { Quad, Raster } from '@/core/imaging/raster';
import { type FlankOptions, renderFlank } from '../../../demo/render/flank';

/** The rendered flank as a camera would store it: through JPEG and back. */
export async function photographed(options: FlankOptions, quality = 78): Promise<Raster> {
  const { width, height } = options;
  const jpeg = await sharp(Buffer.from(renderFlank(options)), { raw: { width, height, channels: 3 } })
    .jpeg({ quality })
    .toBuffer();
  const { data, info } = await sharp(jpeg).raw().toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, channels: 3, data };
}

export const seeds = (first: number, count: number): number[] =>
  Array.from({ length: count }, (_, index) => first + index);

/** Corners moved by shares of the flank's own length and height, or drawn in and out about the middle. */
export const moved = (quad: Quad, along: number, up: number): Quad => {
  const [dx, dy] = [along * (quad[1][0] - quad[0][0]), up * (quad[3][1] - quad[0][1])];
  return quad.map(([x, y]) => [x + dx, y + dy] as const) as unknown as Quad;
};
export const scaled = (quad: Quad, by: number): Quad => {
  const [cx, cy] = [0, 1].map((axis) => quad.reduce((sum, corner) => sum + corner[axis]!, 0) / 4) as [
    number,
    number,
  ];
  return quad.map(([x, y]) => [cx + (x - cx) * by, cy + (y - cy) * by] as const) as unknown as Quad;
};
