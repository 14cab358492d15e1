import * as v from 'valibot';
import { deciding, partProposal } from '@/core/decisions/partProposal';
import {
  type DecisionProposal,
  forbidsDecision,
  needsReason,
  needsRisk,
} from '@/core/decisions/proposeDecision';
import { partStates } from '@/core/wear/partStates';
import { logChange } from '@/db/changeLog';
import { findUnitDecision, putDecision, putUnitDecision } from '@/db/judgements';
import { inTransaction } from '@/db/open';
import { IdSchema } from '@/model/ids';
import { DecisionCaptureSchema, PartDecisionSchema, UnitDecisionCaptureSchema } from '@/model/job';
import { type Context, instant } from '../context';
import { openJob, positionOf } from '../job/openJob';
import { gatherSnapshot } from '../job/readSnapshot';
import { Refusal } from '../refusal';
import { stale } from '../refuseStale';
import { keepVersioned } from '../strip/keepVersioned';
import { defineUseCase } from '../useCase';

type Entry = v.InferOutput<typeof PartDecisionSchema>;

/** A person's decision about a part, beside what the rules proposed. Some things no person may decide. */
export const decidePart = defineUseCase(
  'part.decide',
  v.object({ jobId: IdSchema, entry: PartDecisionSchema }),
  (actor, context, { jobId, entry }) =>
    inTransaction(context.db, () => {
      const { before, proposal } = decidedSoFar(context, jobId, entry);
      const proposed = proposal.decision;
      refuseWithoutReason(entry, proposal);
      const stamp = { jobId, by: actor.id, at: instant(context) };
      if (!putDecision(context.db, { ...stamp, ...entry, proposed })) throw stale(before, entry);
      logChange(context.db, {
        ...{ ...stamp, topic: 'decision', subject: entry.positionId, before },
        after: { ...entry, proposed },
      });
      return { version: entry.version + 1 };
    }),
);

/** Stores a decision that was made at the bench, perhaps without network; one that lost against another is kept as a conflict. */
export const keepDecision = defineUseCase('part.decide', DecisionCaptureSchema, (actor, context, capture) =>
  keepVersioned(actor, context, 'decision', capture, (decided) => {
    const { before, proposal } = decidedSoFar(context, decided.jobId, decided);
    const { positionId, version, decision, proposed, reason, riskBy } = decided;
    refuseWithoutReason(decided, { ...proposal, decision: proposed });
    const row = { positionId, version, decision, proposed, reason, riskBy };
    return { subject: positionId, before, put: (stamp) => putDecision(context.db, { ...stamp, ...row }) };
  }),
);

/** What was decided before and what the rules propose; refuses what no person may decide. */
function decidedSoFar(context: Context, jobId: string, { positionId, decision }: Entry) {
  const snapshot = gatherSnapshot(context.db, jobId);
  const position = positionOf(snapshot.unitType, positionId);
  const parts = partStates(snapshot);
  const part = parts.find((state) => state.position.id === position.id)!;
  const forbidden = forbidsDecision(decision, deciding(part, parts, snapshot));
  if (forbidden)
    throw new Refusal('bad-input', forbidden, { faults: [{ path: 'entry.decision', message: forbidden }] });
  return {
    before: snapshot.decisions.find((entry) => entry.positionId === position.id),
    proposal: partProposal(part, parts, snapshot),
  };
}

function refuseWithoutReason({ decision, reason, riskBy }: Entry, proposal: DecisionProposal): void {
  if (needsReason(decision, proposal.decision) && reason === '')
    throw new Refusal('bad-input', 'This differs from what the rules propose. Say why.', {
      faults: [{ path: 'entry.reason', message: 'a reason is needed' }],
    });
  if (needsRisk(decision, proposal) && riskBy === '')
    throw new Refusal('bad-input', `${proposal.reason} Say who takes the risk of keeping it.`, {
      faults: [{ path: 'entry.riskBy', message: 'a name is needed' }],
    });
}

/** What becomes of the unit as a whole. */
export const decideUnit = defineUseCase('unit.decide', UnitDecisionCaptureSchema, (actor, context, capture) =>
  keepVersioned(actor, context, 'unit-decision', capture, ({ jobId, version, decision, reason, watch }) => {
    openJob(context.db, jobId);
    return {
      ...{ subject: jobId, before: findUnitDecision(context.db, jobId) },
      put: (stamp) => putUnitDecision(context.db, { ...stamp, version, decision, reason, watch }),
    };
  }),
);
