import { studentCdf, studentQuantile } from './distributions';

/** One of the two results: value, standard uncertainty, effective degrees of freedom (null = infinite), one unit for both. */
export interface Result {
  readonly value: number;
  readonly standardUncertainty: number;
  readonly degreesOfFreedom: number | null;
}

export interface TwoWays {
  /** First less second. */
  readonly difference: number;
  readonly standardUncertainty: number;
  readonly expandedUncertainty: number;
  readonly word: 'agree' | 'disagree';
  /** Probability of so large a difference or a larger one, if both measure the same. */
  readonly probability: number;
}

/**
 * Whether two results for the same quantity, measured in two ways, can both be right: their difference against its own
 * expanded uncertainty. The two count as independent; the degrees of freedom of the difference are
 * Welch–Satterthwaite's.
 *
 * Source: GUM, clause 5 and annex G.4.
 */
export function compareTwoWays(first: Result, second: Result, confidence = 0.95): TwoWays {
  const difference = first.value - second.value;
  const u = Math.hypot(first.standardUncertainty, second.standardUncertainty);
  const freedom = effectiveFreedom([first, second], u);
  const expandedUncertainty = studentQuantile((1 + confidence) / 2, freedom) * u;
  const probability =
    u === 0 ? Number(difference === 0) : 2 * (1 - studentCdf(Math.abs(difference) / u, freedom));
  return {
    difference,
    standardUncertainty: u,
    expandedUncertainty,
    word: Math.abs(difference) <= expandedUncertainty ? 'agree' : 'disagree',
    probability,
  };
}

function effectiveFreedom(results: readonly Result[], u: number): number | null {
  const sum = results.reduce(
    (total, { standardUncertainty, degreesOfFreedom }) =>
      degreesOfFreedom === null ? total : total + standardUncertainty ** 4 / degreesOfFreedom,
    0,
  );
  return sum === 0 ? null : u ** 4 / sum;
}
