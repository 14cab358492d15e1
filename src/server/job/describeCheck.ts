import * as v from 'valibot';
import { checkFromDefinition } from '@/core/metrology/checkFromDefinition';
import { inTransaction } from '@/db/open';
import { IdSchema, VersionSchema } from '@/model/ids';
import { newestDocument } from '../catalogs/catalogsInForce';
import { Refusal } from '../refusal';
import { refuseStale } from '../refuseStale';
import { defineUseCase } from '../useCase';
import { freeCheckId, mayAddCheck, refuseNewCheck, storeCheck } from './addCheck';
import { openJob, positionOf } from './openJob';

const OfPart = { jobId: IdSchema, positionId: IdSchema };

/** The checks of the library that a part could get: those for its kind, which it hasn't got yet. */
export const offerChecks = defineUseCase(
  'job.read',
  v.object(OfPart),
  (actor, { db }, { jobId, positionId }) => {
    const { unitType } = openJob(db, jobId);
    const { family } = positionOf(unitType, positionId);
    const has = new Set(
      unitType.checks
        .filter(({ positions }) => positions.includes(positionId))
        .map(({ definition }) => definition),
    );
    const { definitions } = newestDocument(db, 'check-definitions');
    return {
      mayAdd: mayAddCheck(db, actor, unitType),
      definitions: definitions.filter(({ id, families }) => families.includes(family) && !has.has(id)),
    };
  },
);

/**
 * Gives a part a check from the library, without a limit: the next revision of the job's own type, or of the shared type, where
 * whoever asks for it keeps its sheet. What was captured stays where it is.
 */
export const describeCheck = defineUseCase(
  'unit-type.describe',
  v.object({ ...OfPart, version: VersionSchema, definition: IdSchema }),
  (actor, context, { jobId, positionId, version, definition }) =>
    inTransaction(context.db, () => {
      const { db } = context;
      const { job, unitType } = openJob(db, jobId);
      refuseStale(job, { version });
      const position = positionOf(unitType, positionId);
      refuseNewCheck(db, actor, unitType);
      const found = newestDocument(db, 'check-definitions').definitions.find(({ id }) => id === definition);
      if (!found?.families.includes(position.family))
        throw new Refusal('bad-input', 'The library has no such check for this kind of part.', {
          faults: [{ path: 'definition', message: 'no such check' }],
        });
      const teeth = unitType.gears.find((gear) => gear.position === positionId)?.teeth;
      const id = freeCheckId(unitType, `${positionId}-${definition}`);
      const check = checkFromDefinition(found, { id, positionId, ...(teeth === undefined ? {} : { teeth }) });
      const note = `${found.title} for ${position.name}, from peg ${job.peg}`;
      const revision = storeCheck(context, actor, { job, unitType, check, note });
      return { checkId: id, revision };
    }),
);
