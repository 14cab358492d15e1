import type { RankedCause } from './diagnose';
import type { LookNext } from './lookNext';

export interface Alike {
  readonly causes: readonly [string, string];
  /** The check that tells them apart, where one of those to look at next does. */
  readonly decides: LookNext | undefined;
}

/** Causes less probable than this aren't worth telling apart. */
const LEAST = 0.1;
/** Odds nearer to each other than this are the same to anybody. */
const ALIKE = 1.6;

/** Two leading causes that score alike, so that nobody is told more than is known; and what would decide between them. */
export function scoreAlike(causes: readonly RankedCause[], next: readonly LookNext[]): Alike | undefined {
  for (const [at, one] of causes.entries()) {
    const other = causes[at + 1];
    if (!other || other.probability < LEAST) return undefined;
    // Two that are both nearly certain stand beside each other: neither rules the other out.
    if (odds(one) > 9 || odds(one) / odds(other) > ALIKE) continue;
    const decides = next.find(
      ({ ifSeen, ifAbsent }) =>
        ifSeen.leading !== ifAbsent.leading &&
        [one.id, other.id].includes(ifSeen.leading) &&
        [one.id, other.id].includes(ifAbsent.leading),
    );
    return { causes: [one.id, other.id], decides };
  }
  return undefined;
}

const odds = ({ probability }: RankedCause): number => probability / Math.max(1e-9, 1 - probability);
