import { GRADES, type Grade } from '@/model/damage';
import { BadInput } from '../badInput';
import { agreement } from '../gauge-study/agreement';

export interface GradersAgreement {
  readonly pairs: number;
  /** How many gave the very same grade. */
  readonly same: number;
  /** Weighted kappa with its 95 % interval; undefined where there is too little to tell it from chance. */
  readonly kappa?: number;
  readonly interval?: readonly [number, number];
}

/** Fewer pairs than this say nothing that a shop should go by. */
const FEWEST = 5;

/** How far two lists of grades of the same parts agree beyond chance; one off counts for little, five off for much. */
export function gradersAgreement(first: readonly Grade[], second: readonly Grade[]): GradersAgreement {
  const pairs = first.length;
  const same = first.filter((grade, index) => grade === second[index]).length;
  if (pairs < FEWEST) return { pairs, same };
  try {
    const { kappa, standardError } = agreement({
      ...{ categories: GRADES.length, weights: 'quadratic' },
      first: [...first],
      second: [...second],
    });
    // A pattern of full agreement has no spread of its own: its error says nothing, so no interval is claimed.
    if (standardError === 0) return { pairs, same, kappa };
    const half = 1.96 * standardError;
    return { pairs, same, kappa, interval: [Math.max(-1, kappa - half), Math.min(1, kappa + half)] };
  } catch (error) {
    if (error instanceof BadInput) return { pairs, same };
    throw error;
  }
}

/** “0.82 (0.70 to 0.93), 31 of 40 the same”. */
export function tellAgreement({ pairs, same, kappa, interval }: GradersAgreement): string {
  if (pairs === 0) return 'nothing graded twice yet';
  const counted = `${same} of ${pairs} the same`;
  if (kappa === undefined) return `${counted}; too few, or too alike, to tell it from chance`;
  const range = interval ? ` (${interval[0].toFixed(2)} to ${interval[1].toFixed(2)})` : '';
  return `weighted kappa ${kappa.toFixed(2)}${range}, ${counted}`;
}
