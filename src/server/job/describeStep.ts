import { withStrippedStep } from '@/core/unit-type/strippedPieces';
import { logChange } from '@/db/changeLog';
import { inTransaction } from '@/db/open';
import { DescribeStepSchema } from '@/model/strippedPiece';
import { newestDocument } from '../catalogs/catalogsInForce';
import { instant } from '../context';
import { refuseStale } from '../refuseStale';
import { defineUseCase } from '../useCase';
import { openJob } from './openJob';
import { ownTypeOf, storeOwnType } from './ownType';

/**
 * A step of a unit that nobody has described, with all that came off in it: the next revision of the job's own type. That it was done, and
 * how many of each were counted, are records of the bench.
 */
export const describeStep = defineUseCase('unit-type.describe', DescribeStepSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    const { job, unitType } = openJob(context.db, input.jobId);
    refuseStale(job, input);
    const { definitions } = newestDocument(context.db, 'check-definitions');
    const { type, stepId, positions } = withStrippedStep(ownTypeOf(context, unitType), input, definitions);
    storeOwnType(context, job, type, actor, `${input.title}, from peg ${job.peg}`);
    logChange(context.db, {
      ...{ at: instant(context), by: actor.id, jobId: job.id, topic: 'step', subject: stepId },
      after: { title: input.title, pieces: input.pieces },
    });
    return { stepId, positions, version: job.version + 1 };
  }),
);
