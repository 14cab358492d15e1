import * as v from 'valibot';
import { ANY_PAIR, countablePairs } from '@/core/gearing/countablePairs';
import { logChange } from '@/db/changeLog';
import { listIdentities, storeIdentity } from '@/db/measuring';
import { inTransaction } from '@/db/open';
import { IdSchema, VersionSchema } from '@/model/ids';
import { IdentityCountsSchema } from '@/model/measuring';
import { instant } from '../context';
import { openJob } from '../job/openJob';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';

const InputSchema = v.object({
  jobId: IdSchema,
  pairId: IdSchema,
  version: VersionSchema,
  counts: IdentityCountsSchema,
});

/** Keeps the teeth and splines that were counted on a pair; of two people who count at once, the second is told. */
export const countIdentity = defineUseCase('identity.count', InputSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    const { unitType } = openJob(context.db, input.jobId);
    if (input.pairId !== ANY_PAIR && !countablePairs(unitType).some(({ id }) => id === input.pairId))
      throw new Refusal('bad-input', `This unit has no pair “${input.pairId}”.`);
    const before = listIdentities(context.db, input.jobId).find(({ pairId }) => pairId === input.pairId);
    const at = instant(context);
    if (!storeIdentity(context.db, { ...input, byId: actor.id, at })) {
      throw new Refusal(
        'stale',
        'Somebody counted this pair meanwhile. Nothing was overwritten; both counts are shown.',
        { theirs: before },
      );
    }
    logChange(context.db, {
      at,
      by: actor.id,
      jobId: input.jobId,
      topic: 'identity',
      subject: input.pairId,
      before,
      after: input.counts,
    });
    return { version: input.version + 1 };
  }),
);
