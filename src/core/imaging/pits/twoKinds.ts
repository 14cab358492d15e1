import { blobsOf, inverse, maskWhere, open } from '../masks';
import { quantile, type Size, sampled } from '../planes';
import { logarithmOf } from './darkPlaces';
import { rimsOf, STEEP } from './rim';
import { SmoothField } from './smoothField';

export interface TwoKinds {
  /** The darker kind's cells. */
  readonly mask: Uint8Array;
  /** Share of the region that belongs to the darker kind; 0 where there is one kind only. */
  readonly share: number;
  /** Mean of the darker kind's light as a share of the brighter one's; 1 where there is one kind only. */
  readonly floor: number;
  /** How far the two lie apart, in scatters of both. */
  readonly apart: number;
}

const ROUNDS = 6;
/** What moves less than this, in logarithms, is found. */
const SETTLED = 0.002;
const LEAST_CELLS = 10;
const LOG_BINS = 160;
/** The darker kind throws back less than this share of the brighter. */
const DARK = 0.6;
/** Where the darker kind has more than this, the brighter has to show that it is the surface. */
const MOST = 0.4;
const LEAST_SURFACE = 0.015;
/** A band of light runs out softly; what is left of a surface breaks off. */
const SURFACE_RIM = 0.17;
/** Above the middle of the light's logarithm only glints lie higher. */
const GLINT = 0.25;

/**
 * A second opinion, by another road: the light's logarithm is taken for the sum of a smooth field (a polynomial of third degree over
 * the region) and one of two kinds of cell, and both are found by turns (W. M. Wells and others, 1996). The kinds are told apart where an error is
 * least (J. Kittler and J. Illingworth, 1986), so that it matters little how much of the region either has: it doesn't look for the sound surface in
 * the brighter cells nearby, and sees two kinds where most is eaten too.
 * @param light linear light of each cell, its noise smoothed
 */
export function twoKinds(light: Float32Array, size: Size, logarithm = logarithmOf(light)): TwoKinds {
  const field = new SmoothField(size);
  const all = kindsIn(logarithm, field, size);
  if (all.share < MOST || isSurface(all, logarithm, size)) return all;
  // What was taken for the surface is glints on it, or a band of light: they are brought down to it.
  const ceiling =
    quantile(
      sampled(light.length).map((cell) => logarithm[cell]!),
      0.5,
    ) + GLINT;
  const dull = logarithm.map((value) => Math.min(ceiling, value));
  const again = kindsIn(dull, field, size);
  return again.share < MOST || isSurface(again, dull, size) ? again : none(size);
}

/** Islands of a sound surface in an eaten one: large enough to be seen as such, with a sharp rim. */
function isSurface({ share, floor, mask }: TwoKinds, logarithm: Float32Array, size: Size): boolean {
  const islands = open(inverse(mask), size, 3);
  const left = islands.reduce((sum, set) => sum + set, 0) / islands.length;
  if (left < LEAST_SURFACE || left < 0.5 * (1 - share)) return false;
  const rim = rimsOf(mask, 2, logarithm, size)[1]!;
  return rim / -Math.log(Math.max(0.02, floor)) >= SURFACE_RIM;
}

function kindsIn(logarithm: Float32Array, field: SmoothField, size: Size): TwoKinds {
  const flat = found(logarithm, field, new Float32Array(field.cells.length));
  const bent = found(logarithm, field, field.robust(logarithm));
  const best = flat.error < bent.error ? flat : bent;
  if (!Number.isFinite(best.error) || Math.exp(best.dark - best.bright) > DARK) return none(size);
  const smooth = field.over(best.weights);
  // Half of the way in light, not in its logarithm: there lies the rim, however it is blurred.
  const level = Math.log((Math.exp(best.dark) + Math.exp(best.bright)) / 2);
  const { labels, areas } = blobsOf(
    maskWhere(logarithm.length, (cell) => logarithm[cell]! - smooth[cell]! < level),
    size,
  );
  const floor = Math.exp(best.dark - best.bright);
  const rims = rimsOf(labels, areas.length, logarithm, size);
  const depth = -Math.log(Math.max(0.02, floor));
  const kept = areas.map((cells, label) => cells >= LEAST_CELLS && rims[label]! / depth >= STEEP);
  const mask = maskWhere(labels.length, (cell) => labels[cell]! > 0 && kept[labels[cell]!]!);
  return {
    mask,
    share: mask.reduce((sum, set) => sum + set, 0) / mask.length,
    floor,
    apart: (best.bright - best.dark) / Math.max(0.02, best.scatter),
  };
}

const none = ({ width, height }: Size): TwoKinds => ({
  ...{ share: 0, floor: 1, apart: 0 },
  mask: new Uint8Array(width * height),
});

interface Split {
  readonly error: number;
  /** Below it a figure belongs to the darker kind. */
  readonly level: number;
  readonly dark: number;
  readonly bright: number;
  readonly scatter: number;
}

const ONE_KIND: Split = { error: Number.POSITIVE_INFINITY, level: 0, dark: 0, bright: 0, scatter: 1 };

interface Found extends Split {
  readonly weights: Float64Array;
}

function found(logarithm: Float32Array, field: SmoothField, start: Float32Array): Found {
  let smooth = start;
  let weights = field.fit(() => 0);
  let before = ONE_KIND;
  for (let round = 0; ; round += 1) {
    const rest = restOf(logarithm, field, smooth);
    const split = splitOf(rest);
    if (round === ROUNDS || !Number.isFinite(split.error) || isSettled(split, before))
      return { ...split, weights };
    const { level, dark, bright } = split;
    weights = field.fit((at) => logarithm[field.cells[at]!]! - (rest[at]! < level ? dark - bright : 0));
    smooth = field.at(weights);
    before = split;
  }
}

/** A further round would find the same. */
const isSettled = (now: Split, before: Split): boolean =>
  Math.abs(now.level - before.level) < SETTLED &&
  Math.abs(now.bright - now.dark - (before.bright - before.dark)) < SETTLED;

function restOf(logarithm: Float32Array, { cells }: SmoothField, smooth: Float32Array): Float32Array {
  const rest = new Float32Array(cells.length);
  for (let at = 0; at < cells.length; at += 1) rest[at] = logarithm[cells[at]!]! - smooth[at]!;
  return rest;
}

/** Where two bells explain the figures with the least error; an infinite error where one explains them. */
function splitOf(figures: Float32Array): Split {
  const [low, high] = [-3.2, 1.2];
  let middle = 0;
  for (let at = 0; at < figures.length; at += 1) middle += figures[at]! / figures.length;
  const bins = new Float64Array(LOG_BINS);
  const width = (high - low) / LOG_BINS;
  for (let at = 0; at < figures.length; at += 1) {
    const bin = Math.floor((figures[at]! - middle - low) / width);
    bins[Math.max(0, Math.min(LOG_BINS - 1, bin))]! += 1;
  }
  const sums = [0, 1, 2].map(() => new Float64Array(LOG_BINS + 1));
  for (let bin = 0; bin < LOG_BINS; bin += 1) {
    const at = low + (bin + 0.5) * width;
    for (let power = 0; power < 3; power += 1)
      sums[power]![bin + 1] = sums[power]![bin]! + bins[bin]! * at ** power;
  }
  let best: Split = ONE_KIND;
  const whole = bell(sums, 0, LOG_BINS);
  for (let cut = 4; cut < LOG_BINS - 4; cut += 1) {
    const [dark, bright] = [bell(sums, 0, cut), bell(sums, cut, LOG_BINS)];
    if (dark.count < 0.002 * figures.length || bright.count < 0.002 * figures.length) continue;
    const [p, q] = [dark.count / figures.length, bright.count / figures.length];
    const error =
      2 * (p * Math.log(dark.scatter) + q * Math.log(bright.scatter)) -
      2 * (p * Math.log(p) + q * Math.log(q)) -
      2 * Math.log(whole.scatter);
    if (error < best.error)
      best = {
        ...{
          error,
          level: middle + low + cut * width,
          dark: middle + dark.mean,
          bright: middle + bright.mean,
        },
        scatter: Math.sqrt((dark.scatter ** 2 + bright.scatter ** 2) / 2),
      };
  }
  return best;
}

function bell([counts, firsts, seconds]: readonly Float64Array[], from: number, to: number) {
  const count = counts![to]! - counts![from]!;
  const first = firsts![to]! - firsts![from]!;
  const second = seconds![to]! - seconds![from]!;
  const mean = count === 0 ? 0 : first / count;
  const scatter = Math.max(0.03, Math.sqrt(Math.max(0, count === 0 ? 0 : second / count - mean * mean)));
  return { count, mean, scatter };
}
