import * as v from 'valibot';
import { placeInWords } from '@/core/faultWords';
import { trainInGear } from '@/core/gearing/trainOfType';
import type { Fault } from '@/core/unit-type/fault';
import { logChange } from '@/db/changeLog';
import { type Db, inTransaction } from '@/db/open';
import { insertUnitType, isOwnOfJob, listUnitTypes, newestRevision, readUnitType } from '@/db/unitTypes';
import { IdSchema, words } from '@/model/ids';
import { OWN_PREFIX, type UnitType } from '@/model/unitType';
import { type Context, instant } from '../context';
import { openJob } from '../job/openJob';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';
import { DescriptionTextSchema, readDescription } from './readDescription';

export const readUnitTypes = defineUseCase('unit-type.read', v.undefined(), (_actor, { db }) => ({
  unitTypes: listUnitTypes(db),
}));

/** Every described type whole, for the sheet that shows them all. */
export const readAllTypes = defineUseCase('unit-type.read', v.undefined(), (_actor, { db }): UnitType[] =>
  listUnitTypes(db).flatMap(({ id, revision }) => readUnitType(db, id, revision) ?? []),
);

/** One revision, which never changes; a job's own type among them, for the bench that has the job open. */
export const readRevision = defineUseCase(
  'unit-type.read',
  v.object({ unitTypeId: IdSchema, revision: v.pipe(v.number(), v.integer(), v.minValue(1)) }),
  (_actor, { db }, { unitTypeId, revision }): UnitType => {
    const type = readUnitType(db, unitTypeId, revision);
    if (!type) throw new Refusal('not-found', `There is no revision ${revision} of this unit type.`);
    return type;
  },
);

/** The newest revision of a described type, as the document that can be brought in again. */
export const exportType = defineUseCase(
  'unit-type.read',
  v.object({ unitTypeId: IdSchema }),
  (_actor, { db }, { unitTypeId }): UnitType => {
    const type = isOwnOfJob(db, unitTypeId)
      ? undefined
      : readUnitType(db, unitTypeId, newestRevision(db, unitTypeId));
    if (!type) throw new Refusal('not-found', 'There is no such unit type.');
    return type;
  },
);

export interface TypeLookedAt {
  /** Absent when the text can't be read as a unit type at all. */
  readonly type?: UnitType;
  readonly faults: readonly Fault[];
  /** What storing it would make. */
  readonly revision: number;
  readonly ratios: readonly { readonly gear: string; readonly words: string }[];
  readonly mayBeStored: boolean;
}

/** Reads a description and says everything that is wrong with it, with the path; nothing is stored. */
export const lookAtType = defineUseCase(
  'unit-type.keep',
  v.object({ text: DescriptionTextSchema }),
  (_actor, { db }, input): TypeLookedAt => lookAt(db, input.text),
);

function lookAt(db: Db, source: string): TypeLookedAt {
  const { type, faults: read } = readDescription(source);
  const faults = [...read, ...reservedId(type?.id)];
  if (!type) return { faults, revision: 0, ratios: [], mayBeStored: false };
  const mayBeStored = !isOwnOfJob(db, type.id) && faults.every(({ blocks }) => blocks === 'nothing');
  const looseEnds = faults.some(({ blocks }) => blocks === 'train');
  return {
    type,
    faults,
    revision: newestRevision(db, type.id) + 1,
    ratios: looseEnds ? [] : ratiosOf(type),
    mayBeStored,
  };
}

/** What begins so belongs to one job: a shared type of that name could be met by the next unit that nobody has described. */
const reservedId = (id: string | undefined): Fault[] =>
  id?.startsWith(OWN_PREFIX)
    ? [
        {
          path: 'id',
          message: `names that begin with “${OWN_PREFIX}” are kept for units of one job`,
          blocks: 'section',
        },
      ]
    : [];

const ratiosOf = (type: UnitType): TypeLookedAt['ratios'] =>
  type.states.map(({ gear }) => {
    const found = trainInGear(type, gear);
    if (!found.described) return { gear, words: found.missing };
    return { gear, words: found.ratio === undefined ? found.train.status : Math.abs(found.ratio).toFixed(3) };
  });

const BringInSchema = v.object({
  text: DescriptionTextSchema,
  note: words(200, 1),
  revision: v.pipe(v.number(), v.integer()),
});

/** Stores a description that was looked at, as a new type or as the next revision of one; jobs keep the one they pin. */
export const bringInType = defineUseCase('unit-type.keep', BringInSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    const { type, faults, revision, mayBeStored } = lookAt(context.db, input.text);
    if (!type || !mayBeStored) {
      const blocking = faults.find(({ blocks }) => blocks !== 'nothing');
      throw new Refusal(
        'bad-input',
        blocking
          ? `${placeInWords(blocking.path, type)}: ${blocking.message}. Nothing was stored.`
          : 'This type belongs to one job. Nothing was stored.',
        { faults },
      );
    }
    if (revision !== input.revision)
      throw new Refusal(
        'stale',
        'Somebody stored another revision meanwhile. Look at it again; nothing was stored.',
      );
    return store(context.db, { ...type, revision }, input.note, actor, instant(context));
  }),
);

const CopySchema = v.object({ unitTypeId: IdSchema, newId: IdSchema, title: words(80, 1) });

/** A type of its own to begin from; it remembers what it was copied from. */
export const copyType = defineUseCase('unit-type.keep', CopySchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    const source = exportType(actor, context, { unitTypeId: input.unitTypeId });
    return storeCopy(context, actor, source, input, `Copied from ${source.title}`);
  }),
);

const KeepSchema = v.object({ jobId: IdSchema, newId: IdSchema, title: words(80, 1) });

/** What one job's unit was described as becomes a type of the shop; the job stays with its own. */
export const keepAsType = defineUseCase('unit-type.keep', KeepSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    const { job, unitType } = openJob(context.db, input.jobId);
    return storeCopy(context, actor, unitType, input, `Described at peg ${job.peg}`);
  }),
);

function storeCopy(
  context: Context,
  actor: { readonly id: string },
  source: UnitType,
  { newId, title }: { readonly newId: string; readonly title: string },
  note: string,
) {
  const [reserved] = reservedId(newId);
  if (reserved)
    throw new Refusal('bad-input', `The id can’t be used: ${reserved.message}.`, {
      faults: [{ ...reserved, path: 'newId' }],
    });
  if (newestRevision(context.db, newId) > 0)
    throw new Refusal('bad-input', `There is a unit type “${newId}” already.`, {
      faults: [{ path: 'newId', message: 'taken' }],
    });
  const basedOn = { id: source.id, revision: source.revision };
  const copy: UnitType = { ...source, id: newId, title, revision: 1, basedOn };
  return store(context.db, copy, note, actor, instant(context));
}

function store(db: Db, type: UnitType, note: string, actor: { readonly id: string }, at: string) {
  insertUnitType(db, type, { at, by: actor.id, note });
  logChange(db, {
    at,
    by: actor.id,
    jobId: null,
    topic: 'unit-type',
    subject: type.id,
    after: { revision: type.revision, note },
  });
  return { unitTypeId: type.id, revision: type.revision };
}
