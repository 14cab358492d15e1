import FFT from 'fft.js';

/** Power of each piece of a recording by frequency, and their mean. */
export interface Spectrum {
  /** Hz from one line to the next. */
  readonly step: number;
  readonly mean: Float64Array;
  /** One for each piece, in order; half a piece apart. */
  readonly pieces: readonly Float32Array[];
  /** Seconds from one piece to the next. */
  readonly hop: number;
}

/**
 * Short spectra under a Hann window, half a piece apart. A recording shorter than one piece is one piece, filled with nothing.
 * @param size samples of a piece, a power of two
 */
export function spectrumOf(samples: Float32Array, rate: number, size: number): Spectrum {
  const fft = new FFT(size);
  const [piece, out] = [new Float64Array(size), new Float64Array(2 * size)];
  const window = hann(size);
  const half = size / 2;
  const mean = new Float64Array(half);
  const pieces: Float32Array[] = [];
  const last = Math.max(samples.length - size, 0);
  for (let from = 0; from <= last; from += half) {
    const most = Math.min(size, samples.length - from);
    for (let at = 0; at < most; at += 1) piece[at] = samples[from + at]! * window[at]!;
    fft.realTransform(out, piece);
    const power = new Float32Array(half);
    for (let line = 0; line < half; line += 1) {
      const re = out[2 * line]!;
      const im = out[2 * line + 1]!;
      const own = re * re + im * im;
      power[line] = own;
      mean[line]! += own;
    }
    pieces.push(power);
  }
  for (let line = 0; line < half; line += 1) mean[line] = mean[line]! / pieces.length;
  return { step: rate / size, mean, pieces, hop: half / rate };
}

const hann = (size: number): Float64Array =>
  Float64Array.from({ length: size }, (_, at) => 0.5 - 0.5 * Math.cos((2 * Math.PI * at) / size));

/** The power of two whose pieces last nearest to so many seconds. */
export const sizeFor = (rate: number, seconds: number): number => 2 ** Math.round(Math.log2(rate * seconds));

/** Lines on which the noise nearby is told, and how wide that is at least. */
const NEARBY = { part: 0.16, least: 41 };

/**
 * The noise around each line: the median of the lines nearby, so that a narrow peak doesn't lift it. In the unit of the spectrum.
 */
export function noiseNearby(mean: Float64Array): Float64Array {
  const noise = new Float64Array(mean.length);
  const knots: [number, number][] = [];
  for (let middle = 0; middle < mean.length; ) {
    const half = Math.max(NEARBY.least, Math.round(middle * NEARBY.part)) >> 1;
    const lines = mean.slice(Math.max(1, middle - half), Math.min(mean.length, middle + half + 1)).sort();
    knots.push([middle, Math.log(Math.max(lines[lines.length >> 1] ?? 0, Number.MIN_VALUE))]);
    middle += Math.max(1, half >> 1);
  }
  for (let knot = 0, line = 0; line < mean.length; line += 1) {
    while (knot + 2 < knots.length && knots[knot + 1]![0] <= line) knot += 1;
    const [[a, low], [b, high]] = [knots[knot]!, knots[Math.min(knot + 1, knots.length - 1)]!];
    const part = b > a ? Math.min(1, Math.max(0, (line - a) / (b - a))) : 0;
    noise[line] = Math.exp(low + part * (high - low));
  }
  return noise;
}

/**
 * How far over the noise nearby a line must stand so that of a recording of nothing but noise one in a thousand has such a line, dB: the
 * upper quantile of χ² with the freedom of the averaged pieces (Wilson and Hilferty), with a margin for noise that isn't even.
 */
export function threshold(pieces: number, lines: number): number {
  const freedom = 2 * Math.max(1, INDEPENDENT * pieces);
  const z = upperNormal(1e-3 / Math.max(lines, 1));
  const part = 2 / (9 * freedom);
  const factor = (1 - part + z * Math.sqrt(part)) ** 3;
  return Math.max(LEAST_DB, 10 * Math.log10(factor) + MARGIN_DB);
}
/** Pieces under a Hann window that overlap by half are worth so much of as many apart. */
const INDEPENDENT = 0.95;
const MARGIN_DB = 1.5;
const LEAST_DB = 5;

/** The normal quantile for a small upper tail: Abramowitz and Stegun 26.2.23, off by less than 0.0005. */
function upperNormal(tail: number): number {
  const t = Math.sqrt(-2 * Math.log(tail));
  return (
    t -
    (2.515517 + 0.802853 * t + 0.010328 * t * t) /
      (1 + 1.432788 * t + 0.189269 * t * t + 0.001308 * t * t * t)
  );
}
