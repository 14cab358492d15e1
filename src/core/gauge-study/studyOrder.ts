import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

export interface StudyStep {
  readonly trial: number;
  readonly part: number;
}

/**
 * The order in which one appraiser reads the parts of a gauge study: every part once in each trial, shuffled anew for
 * each, so that nobody remembers what he read. The same seed gives the same order.
 */
export function studyOrder(
  { seed, parts, trials }: { readonly seed: number; readonly parts: number; readonly trials: number },
  appraiser: number,
): StudyStep[] {
  const generator = xoroshiro128plus(seed + appraiser * 7919);
  return Array.from({ length: trials }, (_, trial) => {
    const order = Array.from({ length: parts }, (_, part) => part);
    for (let last = parts - 1; last > 0; last -= 1) {
      const other = uniformInt(generator, 0, last);
      [order[last], order[other]] = [order[other]!, order[last]!];
    }
    return order.map((part) => ({ trial, part }));
  }).flat();
}

/** Parts carry letters, not numbers, so that a number heard is always a figure. */
export const partLetter = (part: number): string => String.fromCharCode(65 + part);
