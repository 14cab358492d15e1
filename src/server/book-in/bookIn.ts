import * as v from 'valibot';
import { dayAfter } from '@/core/time/shopDay';
import { newestCatalogs } from '@/db/catalogs';
import { logChange } from '@/db/changeLog';
import { findJob, findJobByPeg, insertJob, nextFreePeg } from '@/db/jobs';
import { type Db, inTransaction } from '@/db/open';
import { insertUnitType, listUnitTypes, newestRevision, type UnitTypeHead } from '@/db/unitTypes';
import { type BookIn, BookInSchema } from '@/model/job';
import { OWN_PREFIX, UnitTypeSchema } from '@/model/unitType';
import { type Context, instant } from '../context';
import { Refusal } from '../refusal';
import { shopToday } from '../shopDay';
import { defineUseCase } from '../useCase';

/** A unit is usually ready after so many days. */
const DAYS_USUAL = 10;

export const readBookInForm = defineUseCase('job.book-in', v.undefined(), (_actor, context) => ({
  nextPeg: nextFreePeg(context.db),
  unitTypes: listUnitTypes(context.db),
  suggestedDue: dayAfter(shopToday(context), DAYS_USUAL),
}));

/** A unit over the counter. With no unit type chosen it gets an empty one of its own, "not described yet". */
export const bookIn = defineUseCase('job.book-in', BookInSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    if (findJobByPeg(context.db, input.peg)) {
      throw new Refusal(
        'bad-input',
        `Peg ${input.peg} is taken. The next free one is ${nextFreePeg(context.db)}.`,
        { faults: [{ path: 'peg', message: 'taken' }] },
      );
    }
    if (input.comebackOf !== undefined && !findJob(context.db, input.comebackOf))
      throw new Refusal('bad-input', 'The job that it is said to be a comeback of isn’t here.', {
        faults: [{ path: 'comebackOf', message: 'unknown' }],
      });
    const id = context.newId();
    const type =
      input.unitTypeId === undefined
        ? storeOwnType(context, input, id, actor.id)
        : newestType(context.db, input.unitTypeId);
    const { unitTypeId: _, unitFamily: __, ...fields } = input;
    insertJob(context.db, {
      ...fields,
      id,
      version: 1,
      distanceKm: input.distanceKm ?? null,
      unitTypeId: type.id,
      unitTypeRevision: type.revision,
      waitsFor: 'draining',
      bookedAt: instant(context),
      bookedById: actor.id,
      catalogs: newestCatalogs(context.db),
    });
    logChange(context.db, {
      at: instant(context),
      by: actor.id,
      jobId: id,
      topic: 'job',
      subject: id,
      after: input,
    });
    return { jobId: id, peg: input.peg };
  }),
);

function newestType(db: Db, id: string): UnitTypeHead {
  const type = listUnitTypes(db).find((head) => head.id === id);
  if (!type)
    throw new Refusal('bad-input', `There is no unit type “${id}”.`, {
      faults: [{ path: 'unitTypeId', message: 'unknown' }],
    });
  return type;
}

function storeOwnType(
  context: Context,
  input: BookIn,
  jobId: string,
  by: string,
): { id: string; revision: number } {
  const document = v.parse(UnitTypeSchema, {
    schemaVersion: 1,
    id: freeOwnId(context.db, input.peg),
    revision: 1,
    title: input.unitTitle,
    family: input.unitFamily,
  });
  insertUnitType(context.db, document, { at: instant(context), by, ownOfJob: jobId });
  return document;
}

/** A peg is used again once its unit has left: what hung there before keeps its description. */
function freeOwnId(db: Db, peg: number): string {
  const base = `${OWN_PREFIX}${peg}`;
  let id = base;
  for (let next = 2; newestRevision(db, id) > 0; next += 1) id = `${base}-${next}`;
  return id;
}
