import type { Size } from './planes';
import type { Point, Quad } from './raster';

/** As far round a region as any sum looks beyond it, as a share of its box. */
const ROUND = 0.3;

export interface Crop extends Size {
  readonly x: number;
  readonly y: number;
}

/** The piece of a picture that a sum over a region needs, and a place beside it: the rest needn't be held in memory. */
export function cropFor(region: Quad, picture: Size, beside?: Point): Crop {
  const span = (axis: 0 | 1, whole: number): [number, number] => {
    const places = [...region, ...(beside ? [beside] : [])].map((corner) => corner[axis]);
    const [least, most] = [Math.min(...places), Math.max(...places)];
    const round = ROUND * (most - least) + 4;
    return [Math.max(0, Math.floor(least - round)), Math.min(whole, Math.ceil(most + round))];
  };
  const [left, right] = span(0, picture.width);
  const [top, bottom] = span(1, picture.height);
  return { x: left, y: top, width: right - left, height: bottom - top };
}

/** Corners as they lie in a piece of the picture. */
export const within = (region: Quad, { x, y }: Crop): Quad =>
  region.map(([px, py]) => [px - x, py - y] as const) as unknown as Quad;
