import * as v from 'valibot';
import { logChange } from '@/db/changeLog';
import { updateJob } from '@/db/jobs';
import { inTransaction } from '@/db/open';
import { IdSchema } from '@/model/ids';
import { JobEditSchema } from '@/model/job';
import { instant } from '../context';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';
import { openJob } from './openJob';

/** Refuses a stale edit with what stands there now, so that the second of two people sees both versions. */
export const editJob = defineUseCase(
  'job.edit',
  v.object({ jobId: IdSchema, edit: JobEditSchema }),
  (actor, context, { jobId, edit }) =>
    inTransaction(context.db, () => {
      const { job } = openJob(context.db, jobId);
      const { version, ...edited } = edit;
      // An edit that doesn't speak of them leaves them as they are.
      const fields = { symptoms: job.symptoms, received: job.received, ...edited };
      if (!updateJob(context.db, jobId, version, fields)) {
        throw new Refusal(
          'stale',
          'Somebody changed this job while you wrote. Nothing was overwritten; both versions are shown.',
          { theirs: job, yours: edit },
        );
      }
      logChange(context.db, {
        at: instant(context),
        by: actor.id,
        jobId,
        topic: 'job',
        subject: jobId,
        before: job,
        after: fields,
      });
      return openJob(context.db, jobId).job;
    }),
);
