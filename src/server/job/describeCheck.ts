import * as v from 'valibot';
import { checkFromDefinition } from '@/core/metrology/checkFromDefinition';
import { logChange } from '@/db/changeLog';
import { pinUnitType } from '@/db/jobs';
import { type Db, inTransaction } from '@/db/open';
import { insertUnitType, isOwnOfJob, newestRevision } from '@/db/unitTypes';
import { IdSchema, VersionSchema } from '@/model/ids';
import type { Actor } from '@/model/people';
import { mayDo } from '@/model/rights';
import type { UnitType } from '@/model/unitType';
import { newestDocument } from '../catalogs/catalogsInForce';
import { instant } from '../context';
import { Refusal } from '../refusal';
import { refuseStale } from '../refuseStale';
import { defineUseCase } from '../useCase';
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
      mayAdd: mayAdd(db, actor, unitType),
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
      if (!mayAdd(db, actor, unitType))
        throw new Refusal(
          'no-right',
          'The lead keeps the checks of this shared type. A figure without a check can be put down at once.',
        );
      if (newestRevision(db, unitType.id) !== unitType.revision)
        throw new Refusal(
          'bad-input',
          'There is a newer revision of this unit type. Take that over for this job first.',
        );
      const found = newestDocument(db, 'check-definitions').definitions.find(({ id }) => id === definition);
      if (!found?.families.includes(position.family))
        throw new Refusal('bad-input', 'The library has no such check for this kind of part.', {
          faults: [{ path: 'definition', message: 'no such check' }],
        });
      const teeth = unitType.gears.find((gear) => gear.position === positionId)?.teeth;
      const id = freeId(unitType, `${positionId}-${definition}`);
      const check = checkFromDefinition(found, { id, positionId, ...(teeth === undefined ? {} : { teeth }) });
      const revision = unitType.revision + 1;
      const at = instant(context);
      const next: UnitType = { ...unitType, revision, checks: [...unitType.checks, check] };
      const note = `${found.title} for ${position.name}, from peg ${job.peg}`;
      insertUnitType(db, next, {
        ...{ at, by: actor.id, note },
        ...(isOwnOfJob(db, unitType.id) ? { ownOfJob: job.id } : {}),
      });
      pinUnitType(db, job.id, job.version, revision);
      logChange(db, {
        ...{ at, by: actor.id, jobId, topic: 'check', subject: id },
        after: { revision, definition, positionId },
      });
      return { checkId: id, revision };
    }),
);

/** A job's own type grows with whoever describes it; a shared one is the lead's. */
const mayAdd = (db: Db, { role }: Actor, { id }: UnitType): boolean =>
  mayDo(role, isOwnOfJob(db, id) ? 'unit-type.describe' : 'limit.keep');

/** An id that no check of the type has yet. */
function freeId({ checks }: UnitType, wanted: string): string {
  const base = wanted.slice(0, 60);
  const taken = new Set(checks.map(({ id }) => id));
  let id = base;
  for (let next = 2; taken.has(id); next += 1) id = `${base}-${next}`;
  return id;
}
