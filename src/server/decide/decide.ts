import * as v from 'valibot';
import { partProposal } from '@/core/decisions/partProposal';
import { forbidsDecision, needsReason } from '@/core/decisions/proposeDecision';
import { findActive } from '@/core/wear/active';
import { logChange } from '@/db/changeLog';
import { findUnitDecision, putDecision, putUnitDecision } from '@/db/judgements';
import { inTransaction } from '@/db/open';
import { IdSchema } from '@/model/ids';
import { PartDecisionSchema, UnitDecisionSchema } from '@/model/job';
import { instant } from '../context';
import { openJob, positionOf } from '../job/openJob';
import { gatherSnapshot, partStates } from '../job/readSnapshot';
import { Refusal } from '../refusal';
import { refuseStale } from '../refuseStale';
import { defineUseCase } from '../useCase';

/** A person's decision about a part, beside what the rules proposed. Some things no person may decide. */
export const decidePart = defineUseCase(
  'part.decide',
  v.object({ jobId: IdSchema, entry: PartDecisionSchema }),
  (actor, context, { jobId, entry }) =>
    inTransaction(context.db, () => {
      const snapshot = gatherSnapshot(context.db, jobId);
      const position = positionOf(snapshot.unitType, entry.positionId);
      const before = snapshot.decisions.find(({ positionId }) => positionId === position.id);
      refuseStale(before, entry);
      const parts = partStates(snapshot);
      const part = parts.find((state) => state.position.id === position.id)!;
      const modes = findActive(snapshot.findings)
        .filter((finding) => finding.positionId === position.id)
        .map((finding) => finding.mode);
      const forbidden = forbidsDecision(entry.decision, position, part.grade, modes);
      if (forbidden)
        throw new Refusal('bad-input', forbidden, {
          faults: [{ path: 'entry.decision', message: forbidden }],
        });
      const proposal = partProposal(part, parts, snapshot.unitType.sets);
      if (needsReason(entry.decision, proposal.decision) && entry.reason === '') {
        throw new Refusal('bad-input', 'This differs from what the rules propose. Say why.', {
          faults: [{ path: 'entry.reason', message: 'a reason is needed' }],
        });
      }
      const row = { jobId, version: entry.version + 1, by: actor.id, at: instant(context) };
      putDecision(context.db, {
        ...row,
        positionId: position.id,
        decision: entry.decision,
        proposed: proposal.decision,
        reason: entry.reason,
      });
      logChange(context.db, {
        at: row.at,
        by: actor.id,
        jobId,
        topic: 'decision',
        subject: position.id,
        before,
        after: { ...entry, proposed: proposal.decision },
      });
      return { version: row.version };
    }),
);

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
