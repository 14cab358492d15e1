import { ramp } from './confidence';
import { blur, quantile, type Size, sampled } from './planes';
import type { Rectified } from './rectify';

/** Fine detail against coarse on the flank, in two pairs of scales: a lens out of focus takes the fine first. */
export function sharpness(square: Rectified): number {
  const { light, size } = middleOf(square);
  const [finest, fine, middle, coarse, coarsest] = [0.6, 1.2, 2.4, 4.8, 9].map((sigma) =>
    blur(light, size, sigma),
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

/** More cells than this say nothing more about the lens. */
const ENOUGH = 12_000;

/** The middle of a region, no larger than need be: logarithms of its light. */
function middleOf({ width, height, green, red }: Rectified): {
  readonly light: Float32Array;
  readonly size: Size;
} {
  const share = Math.min(1, Math.sqrt(ENOUGH / (width * height)));
  const size = { width: Math.round(width * share), height: Math.round(height * share) };
  const [left, top] = [(width - size.width) >> 1, (height - size.height) >> 1];
  const light = new Float32Array(size.width * size.height);
  for (let row = 0; row < size.height; row += 1)
    for (let column = 0; column < size.width; column += 1) {
      const cell = (top + row) * width + left + column;
      light[row * size.width + column] = Math.log(0.02 + green[cell]! + red[cell]!);
    }
  return { light, size };
}
