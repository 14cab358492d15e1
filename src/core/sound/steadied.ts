import type { Spectrum } from './spectrum';

/** A speed as it changed through a recording: at so many seconds, so many times its mean. */
export type Course = readonly { readonly second: number; readonly speed: number }[];

/**
 * The recording as it would be had the speed stayed at its mean: what was played fast is stretched, what was slow is drawn together.
 * Between samples a cubic through four of them is taken.
 */
export function steadied(samples: Float32Array, rate: number, course: Course): Float32Array {
  const made = new Float32Array(samples.length);
  let turned = 0;
  let written = 0;
  const speedAt = followed(course);
  for (let at = 0; at < samples.length - 1; at += 1) {
    const step = speedAt(at / rate);
    // Samples of the steady recording that lie between this one and the next.
    while (written <= turned + step && written < made.length) {
      made[written] = between(samples, at, step > 0 ? (written - turned) / step : 0);
      written += 1;
    }
    turned += step;
  }
  return made.subarray(0, written);
}

/** Linear between the marks, and as at the nearest mark beyond them. To be asked for seconds that grow. */
function followed(course: Course): (second: number) => number {
  let mark = 0;
  return (second) => {
    while (mark + 1 < course.length && course[mark + 1]!.second <= second) mark += 1;
    const [here, next] = [course[mark]!, course[mark + 1]];
    if (!next || second <= here.second) return here.speed;
    return here.speed + ((second - here.second) / (next.second - here.second)) * (next.speed - here.speed);
  };
}

/** Catmull and Rom's cubic. */
function between(samples: Float32Array, at: number, part: number): number {
  const b = samples[at]!;
  const [a, c] = [samples[at - 1] ?? b, samples[at + 1] ?? b];
  const d = samples[at + 2] ?? c;
  return b + 0.5 * part * (c - a + part * (2 * a - 5 * b + 4 * c - d + part * (3 * (b - c) + d - a)));
}

/** A piece whose highest line stands this far over the median of those it may wander in carries a tone: of noise it is 6 or 7. */
const A_TONE = 12;
/** Lines: a tone that wanders less is steady. */
const STEADY_LINES = 1.2;
const RIDGES = 5;
/** Hz: below it a few lines are all that a speed's doubt allows, and nothing is followed. */
const LEAST_HZ = 60;

/**
 * How the speed wandered, told by the clearest tone of the recording; undefined where it is steady as far as its lines tell, or no tone is
 * clear enough to be followed.
 * @param noise around each line, as `noiseNearby` tells it
 * @param doubt by which the speed may be off, as a part of it
 */
export function wandering(
  { mean, pieces, step, hop }: Spectrum,
  noise: Float64Array,
  doubt: number,
): Course | undefined {
  const followedTones = humps(mean, noise, step, doubt)
    .map((middle) => follow(pieces, middle, doubt))
    .filter(({ clear }) => clear >= A_TONE)
    .sort((a, b) => b.clear - a.clear);
  const [tone] = followedTones;
  if (!tone) return undefined;
  const smooth = tone.lines.map((_, at) => median(tone.lines.slice(Math.max(0, at - 1), at + 2)));
  const sorted = [...smooth].sort((a, b) => a - b);
  const spread = sorted[Math.floor(sorted.length * 0.95)]! - sorted[Math.floor(sorted.length * 0.05)]!;
  if (spread < STEADY_LINES) return undefined;
  const usual = median(smooth);
  // A piece tells the speed of its middle.
  return smooth.map((line, at) => ({ second: (at + 1) * hop, speed: line / usual }));
}

/** The middles of the ranges, as wide as the doubt allows, that stand highest over the noise nearby. */
function humps(mean: Float64Array, noise: Float64Array, step: number, doubt: number): number[] {
  const found: { readonly middle: number; readonly over: number }[] = [];
  for (let middle = Math.ceil(LEAST_HZ / step); middle < mean.length; ) {
    const half = Math.max(2, Math.round(middle * doubt));
    let over = 0;
    for (let line = middle - half; line <= middle + half; line += 1)
      over += Math.max(0, (mean[line] ?? 0) / (noise[line] ?? 1) - 1);
    found.push({ middle, over: over / Math.sqrt(half) });
    middle += Math.max(1, half >> 1);
  }
  const tops = found.sort((a, b) => b.over - a.over);
  const chosen: number[] = [];
  for (const { middle } of tops) {
    if (chosen.length === RIDGES) break;
    if (chosen.every((other) => Math.abs(Math.log(other / middle)) > 2 * doubt)) chosen.push(middle);
  }
  return chosen;
}

interface Followed {
  readonly lines: readonly number[];
  /** Its height over the lines beside it, as the median of all pieces. */
  readonly clear: number;
}

/** The highest line of each piece within reach of a middle, between lines by a parabola through its neighbours. */
function follow(pieces: readonly Float32Array[], middle: number, doubt: number): Followed {
  const half = Math.max(4, Math.round(middle * doubt * 1.3));
  const [from, to] = [Math.max(1, middle - half), middle + half];
  const seen = pieces.map((piece) => {
    let top = from;
    for (let line = from; line <= Math.min(to, piece.length - 2); line += 1)
      if (piece[line]! > piece[top]!) top = line;
    const near = piece.slice(from, to + 1).sort();
    const beside = near[near.length >> 1] ?? 0;
    return {
      line: top + vertex(piece[top - 1]!, piece[top]!, piece[top + 1]!),
      clear: piece[top]! / (beside || 1),
    };
  });
  return { lines: seen.map(({ line }) => line), clear: median(seen.map(({ clear }) => clear)) };
}

/** Where between lines the top lies, from the logarithms of three. */
export function vertex(left: number, top: number, right: number): number {
  const [a, b, c] = [left, top, right].map((power) => Math.log(Math.max(power, Number.MIN_VALUE))) as [
    number,
    number,
    number,
  ];
  const bend = a - 2 * b + c;
  return bend === 0 ? 0 : Math.min(0.5, Math.max(-0.5, (0.5 * (a - c)) / bend));
}

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[sorted.length >> 1] ?? 0;
};
