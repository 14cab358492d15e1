import * as v from 'valibot';
import { partProposal } from '@/core/decisions/partProposal';
import { forbidsDecision, needsReason } from '@/core/decisions/proposeDecision';
import { findActive } from '@/core/wear/active';
import { logChange } from '@/db/changeLog';
import { findUnitDecision, putDecision, putUnitDecision } from '@/db/judgements';
import { inTransaction } from '@/db/open';
import { IdSchema } from '@/model/ids';
import {
  DecisionCaptureSchema,
  type PartDecisionId,
  PartDecisionSchema,
  UnitDecisionSchema,
} from '@/model/job';
import type { Actor } from '@/model/people';
import type { PartDecision } from '@/model/snapshot';
import { type Context, instant } from '../context';
import { openJob, positionOf } from '../job/openJob';
import { gatherSnapshot, partStates } from '../job/readSnapshot';
import { Refusal } from '../refusal';
import { refuseStale } from '../refuseStale';
import { keepJudgement, keepLost, refuseOtherAuthor, storeOnce } from '../strip/capture';
import { defineUseCase } from '../useCase';

type Entry = v.InferOutput<typeof PartDecisionSchema>;

/** A person's decision about a part, beside what the rules proposed. Some things no person may decide. */
export const decidePart = defineUseCase(
  'part.decide',
  v.object({ jobId: IdSchema, entry: PartDecisionSchema }),
  (actor, context, { jobId, entry }) =>
    inTransaction(context.db, () => {
      const { before, proposed } = decidedSoFar(context, jobId, entry);
      refuseStale(before, entry);
      refuseWithoutReason(entry, proposed);
      return put(context, actor, jobId, before, { ...entry, proposed });
    }),
);

/** Stores a decision that was made at the bench, perhaps without network; one that lost against another is kept as a conflict. */
export const keepDecision = defineUseCase('part.decide', DecisionCaptureSchema, (actor, context, capture) => {
  refuseOtherAuthor(actor, capture);
  return storeOnce(context, 'decision', capture, (contentDigest) => {
    const { before } = decidedSoFar(context, capture.jobId, capture);
    refuseWithoutReason(capture, capture.proposed);
    keepJudgement(context, 'decision', capture, contentDigest);
    if ((before?.version ?? 0) === capture.version) put(context, actor, capture.jobId, before, capture);
    else keepLost(context, 'decision', capture, contentDigest, before?.version ?? 0);
  });
});

/** What was decided before and what the rules propose; refuses what no person may decide. */
function decidedSoFar(context: Context, jobId: string, { positionId, decision }: Entry) {
  const snapshot = gatherSnapshot(context.db, jobId);
  const position = positionOf(snapshot.unitType, positionId);
  const parts = partStates(snapshot);
  const part = parts.find((state) => state.position.id === position.id)!;
  const modes = findActive(snapshot.findings)
    .filter((finding) => finding.positionId === position.id)
    .map((finding) => finding.mode);
  const forbidden = forbidsDecision(decision, position, part.grade, modes);
  if (forbidden)
    throw new Refusal('bad-input', forbidden, { faults: [{ path: 'entry.decision', message: forbidden }] });
  return {
    before: snapshot.decisions.find((entry) => entry.positionId === position.id),
    proposed: partProposal(part, parts, snapshot.unitType.sets).decision,
  };
}

function refuseWithoutReason({ decision, reason }: Entry, proposed: PartDecisionId): void {
  if (!needsReason(decision, proposed) || reason !== '') return;
  throw new Refusal('bad-input', 'This differs from what the rules propose. Say why.', {
    faults: [{ path: 'entry.reason', message: 'a reason is needed' }],
  });
}

function put(
  context: Context,
  actor: Actor,
  jobId: string,
  before: PartDecision | undefined,
  { positionId, version, decision, reason, proposed }: Entry & { readonly proposed: PartDecisionId },
): { readonly version: number } {
  const row = { jobId, version: version + 1, by: actor.id, at: instant(context) };
  putDecision(context.db, { ...row, positionId, decision, proposed, reason });
  logChange(context.db, {
    ...{ at: row.at, by: actor.id, jobId, topic: 'decision', subject: positionId, before },
    after: { positionId, version, decision, reason, proposed },
  });
  return { version: row.version };
}

export const decideUnit = defineUseCase(
  'unit.decide',
  v.object({ jobId: IdSchema, entry: UnitDecisionSchema }),
  (actor, context, { jobId, entry }) =>
    inTransaction(context.db, () => {
      openJob(context.db, jobId);
      const before = findUnitDecision(context.db, jobId);
      refuseStale(before, entry);
      const row = { jobId, version: entry.version + 1, by: actor.id, at: instant(context) };
      putUnitDecision(context.db, {
        ...row,
        decision: entry.decision,
        reason: entry.reason,
        watch: entry.watch,
      });
      logChange(context.db, {
        at: row.at,
        by: actor.id,
        jobId,
        topic: 'unit decision',
        subject: jobId,
        before,
        after: entry,
      });
      return { version: row.version };
    }),
);
