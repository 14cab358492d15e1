/** What of a recording can be said before anything is looked for in it. */
export interface Loudness {
  /** Root mean square, dB under full scale. */
  readonly level: number;
  /** The tops are cut off: it can still be used, and what it shows at multiples may be made by that. */
  readonly clipped: boolean;
  readonly silent: boolean;
}

/** Quieter than this there is nothing but the converter's own noise. */
const SILENT_DB = -80;
/** Samples in a row at one and the same top: a sound passes its top, a converter that can't follow stays there. */
const IN_A_ROW = 3;
const FLAT_TOPS = 4;
const NEARLY = 0.9995;

export function loudnessOf(samples: Float32Array): Loudness {
  let power = 0;
  let peak = 0;
  // By index: of millions of samples an iterator takes longer than the sum.
  for (let at = 0; at < samples.length; at += 1) {
    const value = samples[at]!;
    power += value * value;
    const size = Math.abs(value);
    if (size > peak) peak = size;
  }
  const rms = Math.sqrt(power / Math.max(samples.length, 1));
  const level = rms > 0 ? 20 * Math.log10(rms) : Number.NEGATIVE_INFINITY;
  return {
    level,
    silent: level < SILENT_DB,
    clipped: peak > 0 && flatTops(samples, peak * NEARLY) >= FLAT_TOPS,
  };
}

function flatTops(samples: Float32Array, top: number): number {
  let found = 0;
  let row = 0;
  for (let at = 0; at < samples.length; at += 1) {
    row = Math.abs(samples[at]!) >= top ? row + 1 : 0;
    if (row === IN_A_ROW) found += 1;
  }
  return found;
}
