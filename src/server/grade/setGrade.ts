import * as v from 'valibot';
import { partState } from '@/core/wear/partStanding';
import { logChange } from '@/db/changeLog';
import { putGrade } from '@/db/judgements';
import { inTransaction } from '@/db/open';
import { IdSchema } from '@/model/ids';
import { GradeCaptureSchema, GradeEntrySchema } from '@/model/job';
import { type Context, instant } from '../context';
import { positionOf } from '../job/openJob';
import { gatherSnapshot } from '../job/readSnapshot';
import { Refusal } from '../refusal';
import { stale } from '../refuseStale';
import { keepVersioned } from '../strip/keepVersioned';
import { defineUseCase } from '../useCase';

type Entry = v.InferOutput<typeof GradeEntrySchema>;
type Captured = v.InferOutput<typeof GradeCaptureSchema>;

/** Puts down a grade beside what the rules proposed; differing from a proposal asks for a reason. */
export const setGrade = defineUseCase(
  'grade.set',
  v.object({ jobId: IdSchema, entry: GradeEntrySchema }),
  (actor, context, { jobId, entry }) =>
    inTransaction(context.db, () => {
      const { before, proposal } = gradedSoFar(context, jobId, entry.positionId);
      refuseUnseen(proposal.grade);
      refuseWithoutReason(entry, proposal.grade);
      const proposed = { proposed: proposal.grade, rulesRevision: proposal.rulesRevision };
      const stamp = { jobId, by: actor.id, at: instant(context) };
      if (!putGrade(context.db, { ...stamp, ...entry, ...proposed, evidence: proposal.reasons }))
        throw stale(before, entry);
      logChange(context.db, {
        ...{ ...stamp, topic: 'grade', subject: entry.positionId, before },
        after: { ...entry, proposed: proposal.grade },
      });
      return { version: entry.version + 1 };
    }),
);

/** Stores a grade that was put down at the bench, beside what the rules proposed there. */
export const keepGrade = defineUseCase('grade.set', GradeCaptureSchema, (actor, context, capture) =>
  keepVersioned(actor, context, 'grade', capture, (graded) => {
    const { before, proposal } = gradedSoFar(context, graded.jobId, graded.positionId);
    if (graded.proposed === null) refuseUnseen(proposal.grade);
    refuseWithoutReason(graded, graded.proposed);
    const { positionId, version, grade, proposed, reason, rulesRevision, evidence } = graded;
    const row = { positionId, version, grade, proposed, reason, rulesRevision, evidence };
    return { subject: positionId, before, put: (stamp) => putGrade(context.db, { ...stamp, ...row }) };
  }),
);

function gradedSoFar(context: Context, jobId: string, positionId: string) {
  const snapshot = gatherSnapshot(context.db, jobId);
  const position = positionOf(snapshot.unitType, positionId);
  const before = snapshot.grades.find((grade) => grade.positionId === position.id);
  const { proposal } = partState(position, snapshot, snapshot.catalogs);
  return { before, proposal };
}

/** What nobody has looked at has no grade, whatever reason is given for one. */
function refuseUnseen(proposed: Captured['proposed']): void {
  if (proposed !== null) return;
  throw new Refusal(
    'bad-input',
    'Nobody has said yet what is seen on this part. Nothing to see, or a finding, comes first.',
    { faults: [{ path: 'entry.grade', message: 'nothing was looked at' }] },
  );
}

function refuseWithoutReason({ grade, reason }: Entry, proposed: Captured['proposed']): void {
  if (grade === proposed || reason !== '') return;
  throw new Refusal('bad-input', 'The rules propose something else. Say why you grade it so.', {
    faults: [{ path: 'entry.reason', message: 'a reason is needed' }],
  });
}
