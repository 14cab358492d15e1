import type { Quad } from '@/core/imaging/raster';

/** A camera's corners of one painted flank: toe-root, heel-root, heel-top, toe-top, as shares of the picture. */
const FLANK = [
  [0.16, 0.7],
  [0.86, 0.64],
  [0.82, 0.33],
  [0.18, 0.37],
] as const;

/** The same in pixels of a picture of this size. */
export const flankCorners = (width: number, height: number): Quad =>
  FLANK.map(([x, y]) => [x * width, y * height] as const) as unknown as Quad;
