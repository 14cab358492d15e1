import { noiseNearby, type Spectrum, threshold } from './spectrum';
import { vertex } from './steadied';

export interface Peak {
  /** Hz */
  readonly frequency: number;
  /** Over the noise nearby, dB. */
  readonly level: number;
  /** Hz: by so much its frequency may be off. */
  readonly within: number;
  /** It lies where the mains hum. */
  readonly isMains: boolean;
}

/** A tone is narrow: at most so many lines, or this part of its frequency, at half its height in dB… */
const NARROW = { lines: 6, part: 0.012 };
/** …down to this far under its top, dB. */
const FLANK_DB = 6;
const MOST = 60;
/** Hz: a microphone hears nothing below, and wind and hands do. */
const LEAST_HZ = 8;

/** Narrow peaks over the noise nearby, the highest first. A broad hum, of tyres or wind, is none. */
export function peaksOf(spectrum: Spectrum, noise: Float64Array = noiseNearby(spectrum.mean)): Peak[] {
  const { mean, pieces, step } = spectrum;
  const least = threshold(pieces.length, mean.length);
  const over = (line: number) => 10 * Math.log10((mean[line] ?? 0) / (noise[line] || 1));
  const found: Peak[] = [];
  for (let line = Math.max(2, Math.ceil(LEAST_HZ / step)); line < mean.length - 2; line += 1) {
    const level = over(line);
    if (level < least || !isTop(mean, line)) continue;
    if (widthOf(line, level, over) > Math.max(NARROW.lines, NARROW.part * line)) continue;
    const frequency = (line + vertex(mean[line - 1]!, mean[line]!, mean[line + 1]!)) * step;
    found.push({ frequency, level, within: step * 0.7, isMains: false });
  }
  found.sort((a, b) => b.level - a.level);
  return withMains(found.slice(0, MOST));
}

/** Highest of its near neighbours: the side lines of a window are none of its own. */
function isTop(mean: Float64Array, line: number): boolean {
  for (let at = line - 2; at <= line + 2; at += 1) if (at !== line && mean[at]! > mean[line]!) return false;
  return true;
}

function widthOf(line: number, level: number, over: (line: number) => number): number {
  const above = (at: number) => over(at) > Math.max(level - FLANK_DB, level / 2);
  let [left, right] = [line, line];
  while (left > 1 && above(left - 1)) left -= 1;
  while (above(right + 1)) right += 1;
  return right - left + 1;
}

const MAINS_HZ = [50, 60];
const MAINS_UP_TO_HZ = 1000;
/** Mains keep their frequency far better than any machine. */
const MAINS_WITHIN = 0.001;

/** Marks what hums with the mains: its first two multiples alone, others where there are several. */
function withMains(peaks: readonly Peak[]): Peak[] {
  const multiple = ({ frequency, within }: Peak, mains: number): number | undefined => {
    const number = Math.round(frequency / mains);
    const off = Math.abs(frequency - number * mains);
    return number >= 1 && frequency <= MAINS_UP_TO_HZ && off <= Math.max(within / 2, MAINS_WITHIN * frequency)
      ? number
      : undefined;
  };
  const several = (mains: number) => peaks.filter((peak) => multiple(peak, mains) !== undefined).length >= 3;
  return peaks.map((peak) => ({
    ...peak,
    isMains: MAINS_HZ.some((mains) => {
      const number = multiple(peak, mains);
      return number !== undefined && (number <= 2 || several(mains));
    }),
  }));
}
