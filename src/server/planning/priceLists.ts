import Papa from 'papaparse';
import * as v from 'valibot';
import { inWords } from '@/core/faultWords';
import { readAmount } from '@/core/planning/money';
import { logChange } from '@/db/changeLog';
import { findUnitDecision, listGrades } from '@/db/judgements';
import { inTransaction } from '@/db/open';
import { insertPriceList, insertShelfPart, listPriceLists, listShelf } from '@/db/prices';
import { readMoney } from '@/db/shop';
import { newestRevision, readUnitType } from '@/db/unitTypes';
import { IdSchema, TABLE_LINES, words } from '@/model/ids';
import type { UnitDecisionId } from '@/model/job';
import type { Money } from '@/model/money';
import { PriceSchema } from '@/model/money';
import { IdentityKeySchema, type OfferLine, OfferLineSchema } from '@/model/offers';
import type { UnitType } from '@/model/unitType';
import { type Context, instant } from '../context';
import { openJob, positionOf } from '../job/openJob';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';

export const PRICE_COLUMNS = [
  'code',
  'name',
  'unit',
  'supplies',
  'price',
  'currency',
  'days',
  'make',
  'stock',
  'identity',
] as const;

const ImportSchema = v.object({
  supplier: words(60, 1),
  text: v.pipe(
    v.string(),
    v.minLength(1, 'the file is empty'),
    v.maxLength(2_000_000, 'at most two million characters'),
  ),
});

/** The price lists that hold, and what lies on the shelf. */
export const readPrices = defineUseCase('job.read', v.undefined(), (_actor, { db }) => ({
  money: readMoney(db),
  lists: listPriceLists(db).map(({ id, supplier, unitTypeId, by, at, lines }) => ({
    ...{ id, supplier, unitTypeId, by, at },
    lines: lines.length,
  })),
  shelf: listShelf(db),
}));

/**
 * A supplier’s price list as a table. All of it is taken or nothing: what is wrong is told line by line. A new list takes the place of the
 * supplier’s earlier one for the types that it names; the earlier one stays stored.
 */
export const importPriceList = defineUseCase(
  'prices.keep',
  ImportSchema,
  (actor, context, { supplier, text }) => {
    const money = readMoney(context.db);
    const typeOf = newestTypes(context);
    const { data } = Papa.parse<Record<string, string>>(text.trim(), {
      ...{ header: true, skipEmptyLines: 'greedy', delimitersToGuess: [';', ',', '\t'] },
      transformHeader: (head) => head.trim().toLowerCase(),
    });
    if (data.length === 0) throw new Refusal('bad-input', 'The list has no line below its columns’ names.');
    if (data.length > TABLE_LINES)
      throw new Refusal('bad-input', `The list has ${data.length} lines; at most ${TABLE_LINES} at once.`);
    const missing = PRICE_COLUMNS.slice(0, 8).filter((column) => !(column in data[0]!));
    if (missing.length > 0)
      throw new Refusal(
        'bad-input',
        `These columns are missing: ${missing.join(', ')}. Columns: ${PRICE_COLUMNS.join(', ')}.`,
      );
    const faults: { path: string; message: string }[] = [];
    const byType = new Map<string, OfferLine[]>();
    for (const [at, row] of data.entries()) {
      const read = lineOf(row, typeOf, money);
      if (typeof read === 'string') faults.push({ path: `line ${at + 2}`, message: read });
      else byType.set(row.unit!.trim(), [...(byType.get(row.unit!.trim()) ?? []), read]);
    }
    if (faults.length > 0)
      throw new Refusal(
        'bad-input',
        `${faults
          .slice(0, 3)
          .map(({ path, message }) => `${path}: ${message}`)
          .join(
            '; ',
          )}${faults.length > 3 ? `; and ${faults.length - 3} more` : ''}. Nothing of the list was taken.`,
        { faults },
      );
    return inTransaction(context.db, () => {
      const at = instant(context);
      for (const [unitTypeId, lines] of byType)
        insertPriceList(context.db, { id: context.newId(), supplier, unitTypeId, lines, byId: actor.id, at });
      logChange(context.db, {
        ...{ at, by: actor.id, jobId: null, topic: 'price list', subject: supplier, before: null },
        after: { lines: data.length, unitTypes: [...byType.keys()] },
      });
      return { lines: data.length, unitTypes: byType.size };
    });
  },
);

/** Unit types by their ids, each read once. */
function newestTypes({ db }: Context): (id: string) => UnitType | undefined {
  const known = new Map<string, UnitType | undefined>();
  return (id) => {
    if (!known.has(id)) known.set(id, readUnitType(db, id, newestRevision(db, id)));
    return known.get(id);
  };
}

/** A line of the table as an offer, or what is wrong with it. */
function lineOf(
  row: Record<string, string>,
  typeOf: (id: string) => UnitType | undefined,
  money: Money,
): OfferLine | string {
  const cell = (name: string) => (row[name] ?? '').trim();
  const type = typeOf(cell('unit'));
  if (!type) return `there is no unit type “${cell('unit')}”`;
  const price = readAmount(cell('price'), money);
  if (price === undefined) return `“${cell('price')}” is no price`;
  if (cell('currency') !== money.sign)
    return `priced in ${cell('currency')}; here everything is counted in ${money.sign}`;
  const supplies = cell('supplies')
    .split(/\s*\+\s*/)
    .map((each) => /^(?:(\d+)\s*x\s*)?([a-z0-9-]+)$/.exec(each));
  if (supplies.some((each) => !each))
    return `“${cell('supplies')}” can’t be read: write parts as “2 x ring-3 + ring-4”`;
  const unknown = supplies.find((each) => !type.positions.some(({ id }) => id === each![2]));
  if (unknown) return `${type.title} has no part “${unknown[2]}”`;
  const identity = readIdentity(cell('identity'));
  if (typeof identity === 'string') return identity;
  const read = v.safeParse(OfferLineSchema, {
    ...{ code: cell('code'), name: cell('name'), price, currency: cell('currency'), identity },
    supplies: supplies.map((each) => ({ part: each![2], qty: Number(each![1] ?? 1) })),
    ...{ days: Number(cell('days') || Number.NaN), tier: Number(cell('make')) },
    ...(cell('stock') === '' ? {} : { stock: Number(cell('stock')) }),
  });
  return read.success ? read.output : inWords(read.issues[0]);
}

/** `pinion-teeth=11 ring-teeth=41`, or what is wrong with it. */
function readIdentity(written: string): Record<string, number> | string {
  const identity: Record<string, number> = {};
  for (const each of written.split(/[\s,]+/).filter(Boolean)) {
    const [key, value] = each.split('=');
    const figure = Number(value);
    if (!v.is(IdentityKeySchema, key) || value === undefined || !Number.isFinite(figure))
      return `“${each}” is no size or count: write it as “pinion-teeth=11”`;
    identity[key] = figure;
  }
  return identity;
}

const ShelfSchema = v.object({
  jobId: IdSchema,
  positionId: IdSchema,
  price: PriceSchema,
  note: v.optional(words(120), ''),
});

/** A sound part of a unit that was given up goes on the shelf: only what was graded, and not worse than 2. */
export const putOnShelf = defineUseCase(
  'prices.keep',
  ShelfSchema,
  (actor, context, { jobId, positionId, price, note }) => {
    const { job, unitType } = openJob(context.db, jobId);
    const position = positionOf(unitType, positionId);
    const unit = findUnitDecision(context.db, jobId);
    if (!unit || !GIVEN_UP.has(unit.decision))
      throw new Refusal('bad-input', 'This unit isn’t given up: its parts are its own.');
    const grade = gradeOf(context, jobId, positionId);
    if (grade === undefined)
      throw new Refusal('bad-input', `${position.name} was never graded: nobody knows whether it is sound.`);
    if (grade > 2)
      throw new Refusal(
        'bad-input',
        `${position.name} is graded ${grade}: only what is 2 or better goes on the shelf.`,
      );
    return inTransaction(context.db, () => {
      const [id, at] = [context.newId(), instant(context)];
      insertShelfPart(context.db, {
        ...{ id, at, unitTypeId: unitType.id, positionId, name: position.name, grade, price, note },
        ...{ fromPeg: job.peg, byId: actor.id },
      });
      logChange(context.db, {
        ...{ at, by: actor.id, jobId, topic: 'shelf', subject: positionId, before: null },
        after: { id, price, grade },
      });
      return { id };
    });
  },
);

/** What was decided for a unit whose parts may go into others. */
const GIVEN_UP: ReadonlySet<UnitDecisionId> = new Set(['scrap', 'exchange', 'best-of-several']);

const gradeOf = ({ db }: Context, jobId: string, positionId: string): number | undefined =>
  listGrades(db, jobId).find((entry) => entry.positionId === positionId)?.grade;
