import { type Doubts, ramp } from '../confidence';
import { dilate, maskWhere, open } from '../masks';
import { quantile, type Size, sampled } from '../planes';
import type { Rectified } from '../rectify';
import { machinedSharpness } from '../sharpness';
import type { Place } from './darkPlaces';
import type { ReadPlaces } from './readPlaces';

/** Fewer cells than this share have no rims to tell sharpness by. */
const SHOWS_RIMS = 0.002;
/** Darker than this share of the surface a machining line is seldom. */
const DIM = 0.72;
/** So few are found on any surface. */
const FEW_STROKES = 0.015;

/** What speaks against relying on what was read, each 1 where it gives no cause and 0 where nothing can be trusted. */
export function damageDoubts(square: Rectified, read: ReadPlaces): Doubts {
  const {
    agreed,
    ground,
    light,
    places: { places, doubtful, mask },
  } = read;
  const { width, height } = square;
  const blown = square.blown.reduce((sum, share) => sum + share, 0) / square.blown.length;
  const all = places.reduce((sum, { cells }) => sum + cells, 0);
  const mean = (of: (place: Place) => number) =>
    places.reduce((sum, place) => sum + place.cells * of(place), 0) / Math.max(1, all);
  const near = dilate(mask, square, 3);
  // Sharp rims show a sharp picture as well as machining lines do, and on lapped steel there are no lines.
  const rims =
    all < SHOWS_RIMS * width * height
      ? 0
      : ramp(
          mean(({ steepness }) => steepness),
          0.1,
          0.18,
        );
  return {
    lines: Math.max(machinedSharpness(square), rims),
    light: 1 - ramp(blown, 0.03, 0.2),
    contrast:
      all === 0
        ? 1
        : 1 -
          ramp(
            mean(({ light }) => light),
            0.4,
            0.5,
          ),
    /** Places that are neither clearly pits nor clearly none. */
    settled: 1 - 0.6 * ramp(doubtful / (all + 0.01 * width * height), 0.2, 1),
    agreed,
    ground,
    texture: ramp(textureOf(light, near, square), 0.005, 0.01),
    fine: 1 - ramp(fineStrokes(light, read.places.ground, near, square), FEW_STROKES, 0.06),
    ...colours(square, mask),
    edges: 1 - ramp(onEdges(mask, square), 0.25, 0.5),
  };
}

/** How much neighbours differ on what is no dark place, in logarithms: bare paper and fresh paint are smoother than any machined surface. */
function textureOf(light: Float32Array, near: Uint8Array, { width }: Size): number {
  const cells = sampled(light.length - width - 1, 4000).filter((cell) => !near[cell]);
  const differs = (step: number) =>
    quantile(
      cells.map((cell) => Math.abs(Math.log((0.004 + light[cell + step]!) / (0.004 + light[cell]!)))),
      0.5,
    );
  return cells.length < 100 ? 1 : Math.max(differs(1), differs(width));
}

/** Share of the rest that is fine dark strokes: a machined surface has hardly any; print, rust and dirt have many. */
function fineStrokes(light: Float32Array, ground: Float32Array, near: Uint8Array, size: Size): number {
  const dark = maskWhere(light.length, (cell) => !near[cell] && light[cell]! < DIM * ground[cell]!);
  let [all, rest] = [0, 1];
  for (let cell = 0; cell < dark.length; cell += 1) {
    rest += 1 - near[cell]!;
    all += dark[cell]!;
  }
  if (all < FEW_STROKES * rest) return all / rest;
  const broad = dilate(open(dark, size, 2), size, 1);
  let fine = 0;
  for (let cell = 0; cell < dark.length; cell += 1) fine += dark[cell]! & (1 - broad[cell]!);
  return fine / rest;
}

/** Bare steel and its pits are grey: a coloured surface is painted, coloured dark places are rust or what was left on it. */
function colours(
  { red, blue }: Rectified,
  mask: Uint8Array,
): { readonly metal: number; readonly grey: number } {
  const [inside, outside] = [0, 0].map(() => ({ red: 0, blue: 0 })) as [Tinge, Tinge];
  for (let cell = 0; cell < mask.length; cell += 1) {
    const tinge = mask[cell] ? inside : outside;
    tinge.red += red[cell]!;
    tinge.blue += blue[cell]!;
  }
  const tinge = ({ red: r, blue: b }: Tinge) => Math.log((r + 1e-3) / (b + 1e-3));
  const surface = outside.red === 0 ? 0 : tinge(outside);
  return {
    metal: 1 - ramp(Math.abs(surface), 0.45, 0.8),
    grey: inside.red === 0 ? 1 : 1 - ramp(Math.abs(tinge(inside) - surface), 0.2, 0.45),
  };
}

interface Tinge {
  red: number;
  blue: number;
}

/** Share of the region's own outline that lies in dark places: more than a little, and the region reaches beyond the part. */
function onEdges(mask: Uint8Array, { width, height }: Size): number {
  let set = 0;
  for (let column = 0; column < width; column += 1)
    set += mask[column]! + mask[(height - 1) * width + column]!;
  for (let row = 0; row < height; row += 1) set += mask[row * width]! + mask[row * width + width - 1]!;
  return set / (2 * (width + height));
}
