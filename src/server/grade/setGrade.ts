import * as v from 'valibot';
import { modesOf } from '@/catalog/damageWords';
import { shippedGradeRules } from '@/catalog/gradeRules';
import { partState } from '@/core/wear/partStanding';
import { logChange } from '@/db/changeLog';
import { putGrade } from '@/db/judgements';
import { inTransaction } from '@/db/open';
import { IdSchema } from '@/model/ids';
import { GradeCaptureSchema, GradeEntrySchema } from '@/model/job';
import type { Actor } from '@/model/people';
import type { GradeEntry } from '@/model/snapshot';
import { type Context, instant } from '../context';
import { positionOf } from '../job/openJob';
import { gatherSnapshot } from '../job/readSnapshot';
import { Refusal } from '../refusal';
import { refuseStale } from '../refuseStale';
import { keepJudgement, keepLost, refuseOtherAuthor, storeOnce } from '../strip/capture';
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
      refuseStale(before, entry);
      refuseWithoutReason(entry, proposal.grade);
      const proposed = { proposed: proposal.grade, rulesRevision: proposal.rulesRevision };
      return put(context, actor, jobId, before, { ...entry, ...proposed, evidence: proposal.reasons });
    }),
);

/**
 * Stores a grade that was put down at the bench, perhaps without network: beside what the rules proposed there. One that lost
 * against another person's is kept as a conflict, and is an open question until somebody grades the part again.
 */
export const keepGrade = defineUseCase('grade.set', GradeCaptureSchema, (actor, context, capture) => {
  refuseOtherAuthor(actor, capture);
  return storeOnce(context, 'grade', capture, (contentDigest) => {
    const { before } = gradedSoFar(context, capture.jobId, capture.positionId);
    refuseWithoutReason(capture, capture.proposed);
    keepJudgement(context, 'grade', capture, contentDigest);
    if ((before?.version ?? 0) === capture.version) put(context, actor, capture.jobId, before, capture);
    else keepLost(context, 'grade', capture, contentDigest, before?.version ?? 0);
  });
});

function gradedSoFar(context: Context, jobId: string, positionId: string) {
  const snapshot = gatherSnapshot(context.db, jobId);
  const position = positionOf(snapshot.unitType, positionId);
  const before = snapshot.grades.find((grade) => grade.positionId === position.id);
  const { proposal } = partState(position, snapshot, shippedGradeRules, modesOf(position.family));
  return { before, proposal };
}

function refuseWithoutReason({ grade, reason }: Entry, proposed: Captured['proposed']): void {
  if (grade === proposed || reason !== '') return;
  throw new Refusal('bad-input', 'The rules propose something else. Say why you grade it so.', {
    faults: [{ path: 'entry.reason', message: 'a reason is needed' }],
  });
}

function put(
  context: Context,
  actor: Actor,
  jobId: string,
  before: GradeEntry | undefined,
  graded: Entry & Pick<Captured, 'proposed' | 'rulesRevision'> & { readonly evidence: unknown },
): { readonly version: number } {
  const { positionId, grade, proposed, reason, rulesRevision, evidence } = graded;
  const version = graded.version + 1;
  const stamp = { jobId, version, by: actor.id, at: instant(context) };
  putGrade(context.db, { ...stamp, positionId, grade, proposed, reason, rulesRevision, evidence });
  logChange(context.db, {
    ...{ at: stamp.at, by: actor.id, jobId, topic: 'grade', subject: positionId, before },
    after: { positionId, version: graded.version, grade, reason, proposed },
  });
  return { version };
}
