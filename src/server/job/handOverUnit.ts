import * as v from 'valibot';
import { tellOpen } from '@/core/open/tellOpen';
import { openOfRebuild } from '@/core/rebuild/openOfRebuild';
import { logChange } from '@/db/changeLog';
import { type Db, inTransaction } from '@/db/open';
import { handOver, takeBackOntoRack } from '@/db/rack';
import { IdSchema, words } from '@/model/ids';
import { instant } from '../context';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';
import { openJob } from './openJob';
import { gatherSnapshot } from './readSnapshot';

const HandOverSchema = v.object({
  jobId: IdSchema,
  /** Given to its owner, or hung up again because it was a mistake or it came back. */
  handedOver: v.boolean(),
  /** Why it leaves although its rebuild isn't closed: the owner wants it in pieces, it goes to another shop. */
  despite: v.optional(words(300), ''),
});

/** The unit leaves the house, or comes back onto the rack; either is an act of somebody, and stays in the log. */
export const handOverUnit = defineUseCase('job.hand-over', HandOverSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    const { jobId, handedOver, despite } = input;
    openJob(context.db, jobId);
    if (handedOver && despite === '') refuseOpenRebuild(context.db, jobId);
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

/** What was begun is closed first: a bolt that doesn't hold, or a piece on the bench, doesn't leave the house without a word. */
function refuseOpenRebuild(db: Db, jobId: string): void {
  const snapshot = gatherSnapshot(db, jobId);
  const open = openOfRebuild(snapshot);
  if (open.length === 0) return;
  const names = new Map(snapshot.unitType.positions.map(({ id, name }) => [id, name]));
  const told = open
    .slice(0, 3)
    .map((question) =>
      [question.positionId === null ? undefined : names.get(question.positionId), tellOpen(question)]
        .filter(Boolean)
        .join(': '),
    )
    .join('; ');
  throw new Refusal(
    'bad-input',
    `Its rebuild is not closed: ${told}${open.length > 3 ? `, and ${open.length - 3} more` : ''}. Settle that, or say why it leaves all the same.`,
    { faults: [{ path: 'despite', message: 'a reason is needed' }] },
  );
}
