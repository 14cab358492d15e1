import type { Acceptance } from '@/model/measuring';
import type { TooClosePolicy } from '@/model/tooClose';
import type { VerdictWord } from '@/model/verdictWord';

/** Tells one set of readings from another: an acceptance holds for the readings it was made on and for no others. */
export const readingsMark = (readings: readonly { readonly id: string }[]): string =>
  `${readings.length}:${readings.reduce((last, { id }) => (id > last ? id : last), '')}`;

export interface TooCloseRule {
  readonly policy: TooClosePolicy;
  readonly acceptances: readonly Acceptance[];
}

/** The acceptance that holds for a check now, where the shop accepts such readings at all. */
export function acceptanceInForce(
  { policy, acceptances }: TooCloseRule,
  of: { readonly positionId: string; readonly checkId: string; readonly mark: string },
): Acceptance | undefined {
  if (policy !== 'accept') return undefined;
  return acceptances.find(
    ({ positionId, checkId, readings }) =>
      positionId === of.positionId && checkId === of.checkId && readings === of.mark,
  );
}

/** What a verdict counts as in grading and standing. The verdict itself stays as it is and is shown so. */
export const countsAs = (verdict: VerdictWord, policy: TooClosePolicy): VerdictWord =>
  verdict === 'too-close' && policy === 'beyond' ? 'beyond' : verdict;
