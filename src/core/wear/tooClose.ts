import type { Acceptance } from '@/model/measuring';
import type { TooClosePolicy } from '@/model/tooClose';
import type { VerdictWord } from '@/model/verdictWord';

/** Tells one set of readings from another: an acceptance holds for the readings that were seen and for no others. */
export const readingIds = (readings: readonly { readonly id: string }[]): string[] =>
  readings.map(({ id }) => id).sort();

/** Whether two lists name the same readings; both as `readingIds` makes them. */
export const sameReadings = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((id, index) => id === b[index]);

/** What a device of the version before says of the readings that it saw: how many, and the last. */
export const readingsMark = (ids: readonly string[]): string => `${ids.length}:${ids.at(-1) ?? ''}`;

export interface TooCloseRule {
  readonly policy: TooClosePolicy;
  readonly acceptances: readonly Acceptance[];
}

/** The acceptance that holds for a check now, where the shop accepts such readings at all. */
export function acceptanceInForce(
  { policy, acceptances }: TooCloseRule,
  of: { readonly positionId: string; readonly checkId: string; readonly seen: readonly string[] },
): Acceptance | undefined {
  if (policy !== 'accept') return undefined;
  return acceptances.find(
    ({ positionId, checkId, readings }) =>
      positionId === of.positionId && checkId === of.checkId && sameReadings(readings, of.seen),
  );
}

/** What a verdict counts as in grading and standing. The verdict itself stays as it is and is shown so. */
export const countsAs = (verdict: VerdictWord, policy: TooClosePolicy): VerdictWord =>
  verdict === 'too-close' && policy === 'beyond' ? 'beyond' : verdict;
