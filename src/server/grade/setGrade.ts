import * as v from 'valibot';
import { modesOf } from '@/catalog/damageWords';
import { shippedGradeRules } from '@/catalog/gradeRules';
import { partState } from '@/core/wear/partStanding';
import { logChange } from '@/db/changeLog';
import { putGrade } from '@/db/judgements';
import { inTransaction } from '@/db/open';
import { IdSchema } from '@/model/ids';
import { GradeEntrySchema } from '@/model/job';
import { instant } from '../context';
import { positionOf } from '../job/openJob';
import { gatherSnapshot } from '../job/readSnapshot';
import { Refusal } from '../refusal';
import { refuseStale } from '../refuseStale';
import { defineUseCase } from '../useCase';

/** Puts down a grade beside what the rules proposed; differing from a proposal asks for a reason. */
export const setGrade = defineUseCase(
  'grade.set',
  v.object({ jobId: IdSchema, entry: GradeEntrySchema }),
  (actor, context, { jobId, entry }) =>
    inTransaction(context.db, () => {
      const snapshot = gatherSnapshot(context.db, jobId);
      const position = positionOf(snapshot.unitType, entry.positionId);
      const before = snapshot.grades.find(({ positionId }) => positionId === position.id);
      refuseStale(before, entry);
      const { proposal } = partState(position, snapshot, shippedGradeRules, modesOf(position.family));
      if (proposal.grade !== entry.grade && entry.reason === '') {
        throw new Refusal('bad-input', 'The rules propose something else. Say why you grade it so.', {
          faults: [{ path: 'entry.reason', message: 'a reason is needed' }],
        });
      }
      const version = entry.version + 1;
      const stamp = { jobId, version, by: actor.id, at: instant(context) };
      putGrade(context.db, {
        ...stamp,
        positionId: position.id,
        grade: entry.grade,
        proposed: proposal.grade,
        reason: entry.reason,
        rulesRevision: proposal.rulesRevision,
        evidence: proposal.reasons,
      });
      logChange(context.db, {
        at: stamp.at,
        by: actor.id,
        jobId,
        topic: 'grade',
        subject: position.id,
        before,
        after: { ...entry, proposed: proposal.grade },
      });
      return { version };
    }),
);
