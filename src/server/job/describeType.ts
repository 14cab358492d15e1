import * as v from 'valibot';
import { placeInWords } from '@/core/faultWords';
import { typeChanges } from '@/core/unit-type/typeChanges';
import { logChange } from '@/db/changeLog';
import { inTransaction } from '@/db/open';
import { IdSchema, VersionSchema, words } from '@/model/ids';
import type { UnitType } from '@/model/unitType';
import { instant } from '../context';
import { Refusal } from '../refusal';
import { refuseStale } from '../refuseStale';
import { DescriptionTextSchema, readDescription } from '../unit-types/readDescription';
import { defineUseCase } from '../useCase';
import { refuseLostParts } from './lostParts';
import { openJob } from './openJob';
import { ownTypeOf, storeOwnType } from './ownType';

const InputSchema = v.object({
  jobId: IdSchema,
  version: VersionSchema,
  text: DescriptionTextSchema,
  note: words(200, 1),
});

/**
 * Describes the unit of a job further, while it comes apart: the whole description as the next revision of the job's
 * own type. Whatever was captured on a part keeps its part.
 */
export const describeType = defineUseCase('unit-type.describe', InputSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    const { job, unitType } = openJob(context.db, input.jobId);
    refuseStale(job, input);
    const { type, faults } = readDescription(input.text);
    const blocking = faults.find(({ blocks }) => blocks !== 'nothing');
    if (!type || blocking)
      throw new Refusal(
        'bad-input',
        `${placeInWords(blocking?.path ?? '', type)}: ${blocking?.message}. Nothing was stored.`,
        {
          faults,
        },
      );
    const { id, revision } = ownTypeOf(context, unitType);
    const next: UnitType = {
      ...type,
      id,
      revision,
      // Ids given at the bench are never used twice, even when a part was taken out again.
      nextPosition: Math.max(type.nextPosition, unitType.nextPosition),
    };
    refuseLostParts(context.db, job.id, next, unitType);
    storeOwnType(context, job, next, actor, input.note);
    logChange(context.db, {
      at: instant(context),
      by: actor.id,
      jobId: job.id,
      topic: 'unit-type',
      subject: next.id,
      after: { revision: next.revision, note: input.note, changes: typeChanges(unitType, next) },
    });
    return { revision: next.revision };
  }),
);
