import * as v from 'valibot';
import { logChange } from '@/db/changeLog';
import { inTransaction } from '@/db/open';
import { FamilySchema } from '@/model/damage';
import { IdSchema, VersionSchema, words } from '@/model/ids';
import type { UnitType } from '@/model/unitType';
import { instant } from '../context';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';
import { openJob } from './openJob';
import { ownTypeOf, storeOwnType } from './ownType';

const InputSchema = v.object({
  jobId: IdSchema,
  version: VersionSchema,
  name: words(60, 1),
  family: FamilySchema,
});

/**
 * Adds a part that nobody had described, as it comes off the bench: the next revision of the job's own type.
 * A type that other jobs share is never changed under them.
 */
export const describePart = defineUseCase('unit-type.describe', InputSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    const { job, unitType } = openJob(context.db, input.jobId);
    if (job.version !== input.version)
      throw new Refusal('stale', 'Somebody changed this job meanwhile. Please look again.', { theirs: job });
    const id = `part-${unitType.nextPosition}`;
    const next: UnitType = {
      ...ownTypeOf(context, unitType),
      positions: [...unitType.positions, { id, name: input.name, family: input.family }],
      nextPosition: unitType.nextPosition + 1,
    };
    storeOwnType(context, job, next, actor);
    logChange(context.db, {
      at: instant(context),
      by: actor.id,
      jobId: job.id,
      topic: 'part',
      subject: id,
      after: { name: input.name, family: input.family },
    });
    return { positionId: id };
  }),
);
