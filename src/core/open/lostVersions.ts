import type { JudgedKind, StationId } from '@/model/job';
import type { OpenQuestion } from '@/model/openQuestion';
import type { CaptureConflict, JobSnapshot } from '@/model/snapshot';

/**
 * Judgements that lost against another person’s and that nobody has settled: made without knowing of the version that holds.
 * Whoever judges again, knowing of both, settles them.
 */
export const lostVersions = (
  conflicts: readonly CaptureConflict[],
  kind: JudgedKind,
  holds: { readonly version: number } | null | undefined,
): readonly CaptureConflict[] =>
  conflicts.filter(
    (each) => each.kind === kind && Number(each.content.beatenBy ?? -1) >= (holds?.version ?? 0),
  );

/** Decisions, causes and counts that were made twice, as open questions. */
export function openVersions(snapshot: JobSnapshot): OpenQuestion[] {
  const { conflicts, decisions, identities, cause, unitDecision } = snapshot;
  if (conflicts.length === 0) return [];
  const noted = (
    kind: JudgedKind,
    at: StationId,
    noun: string,
    holds: { readonly version: number } | null | undefined,
    among: typeof conflicts = conflicts,
  ) =>
    lostVersions(among, kind, holds).map(({ author, receivedAt }) => ({
      ...({ code: 'noted-twice', positionId: null } as const),
      ...{ noun, at, by: author, since: receivedAt },
    }));
  const decidedTwice = conflicts.flatMap((conflict): OpenQuestion[] => {
    const positionId = String(conflict.content.positionId);
    const holds = decisions.find((entry) => entry.positionId === positionId);
    if (lostVersions([conflict], 'decision', holds).length === 0) return [];
    const { author, content, receivedAt } = conflict;
    const decision = String(content.decision);
    return [{ code: 'decided-twice', positionId, decision, by: author, since: receivedAt }];
  });
  const countedTwice = conflicts.flatMap((conflict) => {
    const holds = identities.find(({ pairId }) => pairId === conflict.content.pairId);
    return noted('identity', 'book-in', 'count of teeth', holds, [conflict]);
  });
  return [
    ...decidedTwice,
    ...countedTwice,
    ...noted('cause', 'cause', 'cause', cause),
    ...noted('unit-decision', 'decide', 'decision for the unit', unitDecision),
  ];
}
