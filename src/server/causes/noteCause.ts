import * as v from 'valibot';
import { logChange } from '@/db/changeLog';
import { findCause, putCause } from '@/db/judgements';
import { inTransaction } from '@/db/open';
import { IdSchema } from '@/model/ids';
import { CauseNoteSchema } from '@/model/job';
import { instant } from '../context';
import { openJob, positionOf } from '../job/openJob';
import { refuseStale } from '../refuseStale';
import { defineUseCase } from '../useCase';

/** The inspector's own conclusion: for colleagues, in plain words for the customer, and how sure it is. */
export const noteCause = defineUseCase(
  'cause.note',
  v.object({ jobId: IdSchema, note: CauseNoteSchema }),
  (actor, context, { jobId, note }) =>
    inTransaction(context.db, () => {
      const { unitType } = openJob(context.db, jobId);
      if (note.firstFailure !== undefined) positionOf(unitType, note.firstFailure);
      const before = findCause(context.db, jobId);
      refuseStale(before, note);
      const row = { jobId, version: note.version + 1, by: actor.id, at: instant(context) };
      putCause(context.db, {
        ...row,
        words: note.words,
        plainWords: note.plainWords,
        sureness: note.sureness,
        firstFailure: note.firstFailure ?? null,
      });
      logChange(context.db, {
        at: row.at,
        by: actor.id,
        jobId,
        topic: 'cause',
        subject: jobId,
        before,
        after: note,
      });
      return { version: row.version };
    }),
);
