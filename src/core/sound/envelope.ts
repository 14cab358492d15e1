import { type Spectrum, sizeFor, spectrumOf } from './spectrum';

/** Rates of the envelope, Hz: what strikes faster is heard in the spectrum itself. */
const ENVELOPE_HZ = 2_000;
/** Bands in which a bearing's blows may ring, as parts of the rate: [middle, half width]. */
const BANDS: readonly (readonly [number, number])[] = [
  [0.06, 0.02],
  [0.1, 0.03],
  [0.16, 0.04],
  [0.24, 0.05],
  [0.34, 0.06],
  [0.42, 0.05],
];
const PIECE_S = 1;
/** Seconds by which the band is chosen: it doesn't change within a recording. */
const CHOSEN_BY_S = 8;

/**
 * How the loudness of the band that beats most comes and goes: what strikes a ring again and again makes it ring high, and the spectrum
 * of that ringing's envelope shows how often. Power by frequency.
 */
export function envelopeSpectrum(samples: Float32Array, rate: number): Spectrum {
  const every = Math.max(1, Math.floor(rate / ENVELOPE_HZ));
  let best: { readonly beats: number; readonly middle: number; readonly half: number } | undefined;
  for (const [middle, half] of BANDS) {
    const beats = kurtosis(envelopeOf(samples.subarray(0, rate * CHOSEN_BY_S), middle, half, every));
    if (!best || beats > best.beats) best = { beats, middle, half };
  }
  const envelope = envelopeOf(samples, best!.middle, best!.half, every);
  const rated = rate / every;
  return spectrumOf(withoutMean(envelope), rated, sizeFor(rated, PIECE_S));
}

/** Squared after a resonant filter of second order, and averaged over `every` samples. */
function envelopeOf(samples: Float32Array, middle: number, half: number, every: number): Float32Array {
  const omega = 2 * Math.PI * middle;
  const alpha =
    Math.sin(omega) *
    Math.sinh(((Math.LN2 / 2) * (Math.log2((middle + half) / (middle - half)) * omega)) / Math.sin(omega));
  const [b0, a1, a2] = [alpha / (1 + alpha), (-2 * Math.cos(omega)) / (1 + alpha), (1 - alpha) / (1 + alpha)];
  const made = new Float32Array(Math.floor(samples.length / every));
  let x1 = 0;
  let x2 = 0;
  let y1 = 0;
  let y2 = 0;
  let sum = 0;
  for (let at = 0, into = 0, count = 0; into < made.length; at += 1) {
    const x = samples[at]!;
    const y = b0 * (x - x2) - a1 * y1 - a2 * y2;
    x2 = x1;
    x1 = x;
    y2 = y1;
    y1 = y;
    sum += y * y;
    count += 1;
    if (count === every) {
      made[into] = Math.sqrt(sum / every);
      into += 1;
      sum = 0;
      count = 0;
    }
  }
  return made;
}

function kurtosis(values: Float32Array): number {
  let mean = 0;
  for (const value of values) mean += value;
  mean /= Math.max(values.length, 1);
  let [second, fourth] = [0, 0];
  for (const value of values) {
    const square = (value - mean) ** 2;
    second += square;
    fourth += square * square;
  }
  return second === 0 ? 0 : (fourth * values.length) / (second * second);
}

function withoutMean(values: Float32Array): Float32Array {
  const mean = values.reduce((sum, value) => sum + value, 0) / Math.max(values.length, 1);
  return values.map((value) => value - mean);
}
