import type { Size } from '@/core/imaging/planes';
import type { Quad } from '@/core/imaging/raster';

/** To begin with, corners round the middle of a picture: lower left, lower right, upper right, upper left. */
export function middleOf({ width, height }: Size): Quad {
  const at = (x: number, y: number) => [Math.round(x * width), Math.round(y * height)] as const;
  return [at(0.25, 0.65), at(0.75, 0.65), at(0.75, 0.35), at(0.25, 0.35)];
}
