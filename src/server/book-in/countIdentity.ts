import { ANY_PAIR, countablePairs } from '@/core/gearing/countablePairs';
import { listIdentities, putIdentity } from '@/db/measuring';
import { IdentityCaptureSchema } from '@/model/measuring';
import { openJob } from '../job/openJob';
import { Refusal } from '../refusal';
import { keepVersioned } from '../strip/keepVersioned';
import { defineUseCase } from '../useCase';

/** Keeps the teeth and splines that were counted on a pair; of two people who count at once, both counts are kept. */
export const countIdentity = defineUseCase(
  'identity.count',
  IdentityCaptureSchema,
  (actor, context, capture) =>
    keepVersioned(actor, context, 'identity', capture, ({ jobId, pairId, version, counts }) => {
      const { unitType } = openJob(context.db, jobId);
      if (pairId !== ANY_PAIR && !countablePairs(unitType).some(({ id }) => id === pairId))
        throw new Refusal('bad-input', `This unit has no pair “${pairId}”.`);
      return {
        subject: pairId,
        before: listIdentities(context.db, jobId).find((entry) => entry.pairId === pairId),
        put: (stamp) => putIdentity(context.db, { ...stamp, pairId, version, counts }),
      };
    }),
);
