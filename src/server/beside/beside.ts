import * as v from 'valibot';
import { besideParts } from '@/core/wear/besideParts';
import { partStates } from '@/core/wear/partStates';
import { listLikeJobs } from '@/db/jobs';
import { IdSchema } from '@/model/ids';
import { openJob } from '../job/openJob';
import { gatherSnapshot } from '../job/readSnapshot';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';

/** The strips that a job can be held beside: of this very unit before, by its serial number, and of its sisters. */
export const listBeside = defineUseCase(
  'job.read',
  v.object({ jobId: IdSchema }),
  (_actor, { db }, input) => {
    const { job } = openJob(db, input.jobId);
    return {
      jobs: listLikeJobs(db, job).map(({ id, peg, machine, bookedAt, serial }) => ({
        ...{ id, peg, machine, bookedAt },
        sameUnit: job.serial !== '' && serial.toLowerCase() === job.serial.toLowerCase(),
      })),
    };
  },
);

const BesideSchema = v.object({ jobId: IdSchema, besideId: IdSchema });

/** What was said of each part in another strip. */
export const readBeside = defineUseCase('job.read', BesideSchema, (_actor, { db }, { jobId, besideId }) => {
  const { job } = openJob(db, jobId);
  const other = gatherSnapshot(db, besideId);
  if (other.job.unitTypeId !== job.unitTypeId)
    throw new Refusal('bad-input', 'That is another kind of unit: its parts are not those of this one.');
  return { peg: other.job.peg, parts: besideParts(other, partStates(other)) };
});
