import * as v from 'valibot';
import { logChange } from '@/db/changeLog';
import { inTransaction } from '@/db/open';
import { handOver, takeBackOntoRack } from '@/db/rack';
import { IdSchema } from '@/model/ids';
import { instant } from '../context';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';
import { openJob } from './openJob';

const HandOverSchema = v.object({
  jobId: IdSchema,
  /** Given to its owner, or hung up again because it was a mistake or it came back. */
  handedOver: v.boolean(),
});

/** The unit leaves the house, or comes back onto the rack; either is an act of somebody, and stays in the log. */
export const handOverUnit = defineUseCase('job.hand-over', HandOverSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    const { jobId, handedOver } = input;
    openJob(context.db, jobId);
    const at = instant(context);
    const done = handedOver ? handOver(context.db, jobId, actor.id, at) : takeBackOntoRack(context.db, jobId);
    if (!done)
      throw new Refusal(
        'stale',
        handedOver ? 'It has been handed over already.' : 'It hangs on the rack already.',
        { theirs: null },
      );
    logChange(context.db, { at, by: actor.id, jobId, topic: 'hand over', subject: jobId, after: input });
    return { handedOver };
  }),
);
