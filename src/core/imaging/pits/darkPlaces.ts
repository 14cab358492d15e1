import { type Blobs, blobsOf, dilate, inverse, maskWhere } from '../masks';
import { quantile, type Size } from '../planes';
import { localGround } from './localGround';
import { rimsOf, STEEP } from './rim';

export interface Place {
  readonly cells: number;
  /** Its light as a share of the sound surface's round it. */
  readonly light: number;
  /** How steeply its outline rises: the fall of the light's logarithm along the outline, as a share of the whole depth per cell. */
  readonly steepness: number;
}

export interface DarkPlaces {
  readonly places: readonly Place[];
  readonly mask: Uint8Array;
  /** Cells of places that were turned down only just. */
  readonly doubtful: number;
  /** The light of the sound surface. */
  readonly ground: Float32Array;
}

/** A hole throws back less than this share of the light of what lies round it. */
const HALF = 0.5;
const LEAST_CELLS = 10;
const SOFT = 0.035;
/** No sharp rim is wider than this. */
const RIM_CELLS = 3;

/**
 * Places with a sharp rim that throw back less than half the light of the surface round them. The surface's light is looked for twice: first
 * widely, by the brighter cells of a third of the length, which holes don't reach up to three quarters of it; then closely, from what is no hole,
 * so that a band of light across a race or a shadow over a flank is followed and not taken for one.
 * @param light linear light of each cell, its noise smoothed
 * @param surface cells that are known to be sound; without, they are looked for
 */
export function darkPlaces(
  light: Float32Array,
  size: Size,
  surface?: Uint8Array,
  logarithm = logarithmOf(light),
): DarkPlaces {
  const longest = Math.max(size.width, size.height);
  const wide = localGround(light, size, { reach: Math.round(longest / 6), share: 0.75 });
  const sound = surface ?? inverse(dilate(placesBelow(light, wide, size, logarithm).mask, size, 4));
  const close = localGround(light, size, { reach: Math.round(longest / 22), share: 0.5, use: sound });
  return placesBelow(light, close.some(Number.isNaN) ? wide : close, size, logarithm);
}

/** The logarithm of each cell's light; black is not endless. */
export function logarithmOf(light: Float32Array): Float32Array {
  const logarithm = new Float32Array(light.length);
  for (let cell = 0; cell < light.length; cell += 1)
    logarithm[cell] = Math.log(0.004 + Math.max(0, light[cell]!));
  return logarithm;
}

/** Places with a sharp rim and less than half of a known ground's light. */
export function placesBelow(
  light: Float32Array,
  ground: Float32Array,
  size: Size,
  logarithm = logarithmOf(light),
): DarkPlaces {
  const shares = new Float32Array(light.length);
  for (let cell = 0; cell < light.length; cell += 1)
    shares[cell] = light[cell]! / Math.max(1e-4, ground[cell]!);
  const seeds = blobsOf(
    maskWhere(shares.length, (cell) => shares[cell]! < HALF),
    size,
  );
  const floors = floorsOf(seeds, shares);
  const labels = grown(seeds.labels, floors, shares, size);
  const rims = rimsOf(labels, floors.length, logarithm, size);
  const cells = new Float64Array(floors.length);
  for (let cell = 0; cell < labels.length; cell += 1) cells[labels[cell]!]! += 1;
  const places: Place[] = [];
  const kept = new Uint8Array(floors.length);
  let doubtful = 0;
  for (let label = 1; label < floors.length; label += 1) {
    if (seeds.areas[label]! < LEAST_CELLS) continue;
    const floor = floors[label]!;
    const steepness = rims[label]! / -Math.log(Math.max(0.02, floor));
    if (steepness >= STEEP) {
      kept[label] = 1;
      places.push({ cells: cells[label]!, light: floor, steepness });
    } else if (steepness >= SOFT) doubtful += cells[label]!;
  }
  return { places, mask: maskWhere(labels.length, (cell) => kept[labels[cell]!] === 1), doubtful, ground };
}

/** How much light the floor of each place throws back, as a share of the surface's; small ones are left at 0. */
function floorsOf({ labels, areas }: Blobs, shares: Float32Array): readonly number[] {
  const inside: number[][] = areas.map(() => []);
  for (let cell = 0; cell < labels.length; cell += 1)
    if (labels[cell]! > 0 && areas[labels[cell]!]! >= LEAST_CELLS) inside[labels[cell]!]!.push(shares[cell]!);
  return inside.map((each) => (each.length === 0 ? 0 : quantile(each, 0.4)));
}

/** Each place with what lies round it below a share: out to its rim, half of the way up to the surface, which is never far. */
function grown(
  seeds: Int32Array,
  floors: readonly number[],
  shares: Float32Array,
  { width, height }: Size,
): Int32Array {
  const labels = seeds.slice();
  let edge: number[] = [];
  for (let cell = 0; cell < seeds.length; cell += 1) if (floors[seeds[cell]!]! > 0) edge.push(cell);
  for (let ring = 0; ring < RIM_CELLS; ring += 1) {
    const next: number[] = [];
    for (const from of edge) {
      const label = labels[from]!;
      const level = (1 + floors[label]!) / 2;
      const column = from % width;
      for (let side = 0; side < 4; side += 1) {
        const cell =
          side === 0
            ? column > 0
              ? from - 1
              : -1
            : side === 1
              ? column < width - 1
                ? from + 1
                : -1
              : side === 2
                ? from - width
                : from + width;
        if (cell < 0 || cell >= width * height || labels[cell] !== 0 || shares[cell]! >= level) continue;
        labels[cell] = label;
        next.push(cell);
      }
    }
    edge = next;
  }
  return labels;
}
