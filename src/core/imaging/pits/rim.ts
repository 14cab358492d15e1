import { quantile, type Size } from '../planes';

/** The rim of a hole falls by this share of its depth within a cell; a shadow's or a stain's does not. */
export const STEEP = 0.055;

/**
 * How steeply the light rises over most of each blob's outline; the region's own edge is none, and 0 where a blob has no other.
 * @param labels the blob of each cell, from 1; 0 where none is
 * @param count one more than the highest label
 */
export function rimsOf(
  labels: ArrayLike<number>,
  count: number,
  light: Float32Array,
  { width, height }: Size,
): readonly number[] {
  const slopes: number[][] = Array.from({ length: count }, () => []);
  for (let y = 1; y < height - 1; y += 1)
    for (let x = 1; x < width - 1; x += 1) {
      const cell = y * width + x;
      const label = labels[cell]!;
      if (label === 0) continue;
      if (
        labels[cell - 1] === label &&
        labels[cell + 1] === label &&
        labels[cell - width] === label &&
        labels[cell + width] === label
      )
        continue;
      slopes[label]!.push(
        Math.hypot(
          (light[cell + 1]! - light[cell - 1]!) / 2,
          (light[cell + width]! - light[cell - width]!) / 2,
        ),
      );
    }
  return slopes.map((each) => (each.length === 0 ? 0 : quantile(each, 0.3)));
}
