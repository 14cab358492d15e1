import { blur } from './blur';
import { ramp } from './confidence';
import { quantile, type Size, sampled } from './planes';
import type { Rectified } from './rectify';

/** Fine detail against coarse on the flank, in two pairs of scales: a lens out of focus takes the fine first. */
export function sharpness(square: Rectified): number {
  const { light, size } = middleOf(square);
  const [finest, fine, middle, coarse, coarsest] = blurs(light, size, [0.6, 1.2, 2.4, 4.8, 9]);
  const edges = detail(finest!, fine!, 0.97) / detail(middle!, coarse!, 0.97);
  const grain = detail(fine!, middle!, 0.9) / detail(coarse!, coarsest!, 0.9);
  return ramp((edges + grain) / 2, 0.27, 0.4);
}

/**
 * The same for a bare machined surface, where a dim picture's grain looks like fine detail: grain runs all ways, machining lines run
 * one. The limits were set on rendered pictures other than those of the tests.
 */
export function machinedSharpness(square: Rectified): number {
  const light = lightOf(square, square, 0, 0);
  const [finest, fine] = blurs(light, square, [0.6, 1.2]);
  // What is coarse shows at half the size as well, and costs a quarter there.
  const half = halved(light, square);
  const [middle, coarse] = blurs(half.light, half.size, [1.2, 2.4]);
  const edges = detail(finest!, fine!, 0.97) / detail(middle!, coarse!, 0.97);
  return ramp(edges * oneWay(finest!, square), 1, 1.4);
}

/** Two by two cells become one. */
function halved(
  light: Float32Array,
  { width, height }: Size,
): { readonly light: Float32Array; readonly size: Size } {
  const size = { width: width >> 1, height: height >> 1 };
  const mean = new Float32Array(size.width * size.height);
  for (let row = 0; row < size.height; row += 1)
    for (let column = 0; column < size.width; column += 1) {
      const cell = 2 * (row * width + column);
      mean[row * size.width + column] =
        (light[cell]! + light[cell + 1]! + light[cell + width]! + light[cell + width + 1]!) / 4;
    }
  return { light: mean, size };
}

const blurs = (light: Float32Array, size: Size, sigmas: readonly number[]): Float32Array[] =>
  sigmas.map((sigma) => blur(light, size, sigma));

const detail = (a: Float32Array, b: Float32Array, share: number): number =>
  Math.max(
    1e-6,
    quantileAt(a.length, share, (cell) => Math.abs(a[cell]! - b[cell]!)),
  );

/** How much more neighbours differ one way than the other: 1 where they differ alike. */
function oneWay(light: Float32Array, { width, height }: Size): number {
  const steps = (width - 1) * (height - 1);
  const at = (step: number) => Math.floor(step / (width - 1)) * width + (step % (width - 1));
  const across = quantileAt(steps, 0.8, (step) => Math.abs(light[at(step) + 1]! - light[at(step)]!));
  const down = quantileAt(steps, 0.8, (step) => Math.abs(light[at(step) + width]! - light[at(step)]!));
  return Math.max(across, down) / Math.max(1e-6, Math.min(across, down));
}

const quantileAt = (cells: number, share: number, of: (cell: number) => number): number =>
  quantile(sampled(cells).map(of), share);

/** More cells than this say nothing more about the lens. */
const ENOUGH = 12_000;

/** The middle of a region, no larger than need be. */
function middleOf(square: Rectified): { readonly light: Float32Array; readonly size: Size } {
  const { width, height } = square;
  const share = Math.min(1, Math.sqrt(ENOUGH / (width * height)));
  const size = { width: Math.round(width * share), height: Math.round(height * share) };
  return { light: lightOf(square, size, (width - size.width) >> 1, (height - size.height) >> 1), size };
}

/** Logarithms of a region's light, or of a piece of it. */
function lightOf({ width, green, red }: Rectified, size: Size, left: number, top: number): Float32Array {
  const light = new Float32Array(size.width * size.height);
  for (let row = 0; row < size.height; row += 1)
    for (let column = 0; column < size.width; column += 1) {
      const cell = (top + row) * width + left + column;
      light[row * size.width + column] = Math.log(0.02 + green[cell]! + red[cell]!);
    }
  return light;
}
