import { blur, quantile, sampled } from './planes';
import type { Rectified } from './rectify';

/** 0 at or below the first figure, 1 at or above the second. */
export const ramp = (value: number, none: number, full: number): number =>
  Math.max(0, Math.min(1, (value - none) / (full - none)));

/** Fine detail against coarse on the flank, in two pairs of scales: a lens out of focus takes the fine first. */
export function sharpness(square: Rectified): number {
  const light = square.green.map((value, cell) => Math.log(0.02 + value + square.red[cell]!));
  const [finest, fine, middle, coarse, coarsest] = [0.6, 1.2, 2.4, 4.8, 9].map((sigma) =>
    blur(light, square, sigma),
  ) as [Float32Array, Float32Array, Float32Array, Float32Array, Float32Array];
  const detail = (a: Float32Array, b: Float32Array, share: number) => {
    const cells = sampled(light.length);
    return Math.max(
      1e-6,
      quantile(
        cells.map((cell) => Math.abs(a[cell]! - b[cell]!)),
        share,
      ),
    );
  };
  const edges = detail(finest, fine, 0.97) / detail(middle, coarse, 0.97);
  const grain = detail(fine, middle, 0.9) / detail(coarse, coarsest, 0.9);
  return ramp((edges + grain) / 2, 0.27, 0.4);
}
