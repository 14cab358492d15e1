import Papa from 'papaparse';
import * as v from 'valibot';
import { inWords } from '@/core/faultWords';
import { readAmount } from '@/core/planning/money';
import { parseReading } from '@/core/quantity/parseReading';
import { logChange } from '@/db/changeLog';
import { findUnitDecision, listGrades } from '@/db/judgements';
import { inTransaction } from '@/db/open';
import { insertPriceList, insertShelfPart, listPriceLists, listShelf } from '@/db/prices';
import { readMoney } from '@/db/shop';
import { listUnitTypes, newestRevision, readUnitType } from '@/db/unitTypes';
import { IdSchema, TABLE_LINES, words } from '@/model/ids';
import type { UnitDecisionId } from '@/model/job';
import type { Money } from '@/model/money';
import { PriceSchema } from '@/model/money';
import { IDENTITY_KEYS, type ListTaken, type OfferLine, OfferLineSchema } from '@/model/offers';
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
  'printed',
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
export const readPrices = defineUseCase('job.read', v.undefined(), (_actor, context) => {
  const { db } = context;
  const titleOf = (id: string) => readUnitType(db, id, newestRevision(db, id))?.title ?? id;
  return {
    money: readMoney(db),
    lists: listPriceLists(db).map(({ id, supplier, unitTypeId, by, at, lines }) => ({
      ...{ id, supplier, unit: titleOf(unitTypeId), by, at },
      lines: lines.length,
    })),
    shelf: listShelf(db).map((part) => ({ ...part, unit: titleOf(part.unitTypeId) })),
  };
});

/**
 * A supplier’s price list as a table, with units and parts by their names. Lines that make no sense are told and left out; the rest is taken.
 * A new list takes the place of the supplier’s earlier one for the types that it names; the earlier one stays stored.
 */
export const importPriceList = defineUseCase(
  'prices.keep',
  ImportSchema,
  (actor, context, { supplier, text }): ListTaken => {
    const rows = rowsOf(text);
    const money = readMoney(context.db);
    const typeOf = typesByName(context);
    const faults: { path: string; message: string }[] = [];
    const byType = new Map<string, OfferLine[]>();
    for (const [at, row] of rows.entries()) {
      const read = lineOf(row, typeOf, money);
      if (typeof read === 'string') faults.push({ path: `line ${at + 2}`, message: read });
      else byType.set(read.type.id, [...(byType.get(read.type.id) ?? []), read.line]);
    }
    if (byType.size === 0)
      throw new Refusal('bad-input', `No line of the list could be taken. ${inOneSentence(faults)}.`, {
        faults,
      });
    const lines = rows.length - faults.length;
    return inTransaction(context.db, () => {
      const at = instant(context);
      for (const [unitTypeId, own] of byType)
        insertPriceList(context.db, {
          ...{ id: context.newId(), supplier, unitTypeId, lines: own, byId: actor.id, at },
        });
      logChange(context.db, {
        ...{ at, by: actor.id, jobId: null, topic: 'price list', subject: supplier, before: null },
        after: { lines, leftOut: faults.length, unitTypes: [...byType.keys()] },
      });
      return { lines, unitTypes: byType.size, faults };
    });
  },
);

const inOneSentence = (faults: ListTaken['faults']): string => {
  const told = faults.slice(0, 3).map(({ path, message }) => `${path}: ${message}`);
  return [...told, ...(faults.length > 3 ? [`and ${faults.length - 3} more`] : [])].join('; ');
};

type Row = Readonly<Record<string, string>>;

function rowsOf(text: string): Row[] {
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
  return data;
}

const plain = (words: string): string => words.trim().toLowerCase();

/** Unit types by their titles, or by the ids that older lists have; each read once. */
function typesByName({ db }: Context): (name: string) => UnitType | undefined {
  const ids = new Map(
    listUnitTypes(db).flatMap(({ id, title }) => [[plain(title), id] as const, [plain(id), id] as const]),
  );
  const known = new Map<string, UnitType | undefined>();
  return (name) => {
    const id = ids.get(plain(name));
    if (id === undefined) return undefined;
    if (!known.has(id)) known.set(id, readUnitType(db, id, newestRevision(db, id)));
    return known.get(id);
  };
}

/** More than this stands in no cell of a price list. */
const LONGEST_CELL = 300;

/** A line of the table as an offer for a type, or what is wrong with it. */
function lineOf(
  row: Row,
  typeOf: (name: string) => UnitType | undefined,
  money: Money,
): { readonly type: UnitType; readonly line: OfferLine } | string {
  const cell = (name: string) => (row[name] ?? '').trim();
  const long = PRICE_COLUMNS.find((column) => cell(column).length > LONGEST_CELL);
  if (long) return `its ${long} has more than ${LONGEST_CELL} characters`;
  const type = typeOf(cell('unit'));
  if (!type) return `there is no unit type “${cell('unit')}”`;
  const price = readAmount(cell('price'), money);
  if (price === undefined) return `“${cell('price')}” is no price`;
  if (cell('currency') !== money.sign)
    return `priced in ${cell('currency')}; here everything is counted in ${money.sign}`;
  const supplies = readSupplies(cell('supplies'), type);
  if (typeof supplies === 'string') return supplies;
  const identity = readIdentity(cell('identity'));
  if (typeof identity === 'string') return identity;
  const read = v.safeParse(OfferLineSchema, {
    ...{ code: cell('code'), name: cell('name'), price, currency: cell('currency'), identity, supplies },
    ...{ days: Number(cell('days') || Number.NaN), tier: Number(cell('make')) },
    ...(cell('stock') === '' ? {} : { stock: Number(cell('stock')) }),
    ...(cell('printed') === '' ? {} : { printed: cell('printed') }),
  });
  return read.success ? { type, line: read.output } : inWords(read.issues[0]);
}

/** `2 x Ring bolts + Pinion nut`: parts by their names (or ids, as older lists have them), or what is wrong with it. */
function readSupplies(written: string, type: UnitType): { part: string; qty: number }[] | string {
  const supplies: { part: string; qty: number }[] = [];
  for (const each of written.split('+')) {
    const [, qty, name] = /^(?:(\d{1,4}) ?[x×] ?)?(.+)$/.exec(each.trim().replaceAll(/\s+/g, ' ')) ?? [];
    if (name === undefined)
      return `“${written}” can’t be read: write parts by their names, as “2 x Ring bolts + Pinion nut”`;
    const found = type.positions.filter(
      (position) => plain(position.name) === plain(name) || position.id === name,
    );
    if (found.length === 0) return `${type.title} has no part “${name}”`;
    if (found.length > 1)
      return `${type.title} has ${found.length} parts called “${name}”; price them by the kit, or name them apart in its description`;
    supplies.push({ part: found[0]!.id, qty: Number(qty ?? 1) });
  }
  return supplies;
}

/** A name, by words or with the dashes of older lists, and its figure. */
const SIZED = /([a-z][a-z -]{0,40}?) ?= ?(-?\d+(?:[.,]\d+)?)/gi;

/** `pinion teeth=11, ring teeth=41`, or what is wrong with it. */
function readIdentity(written: string): Record<string, number> | string {
  const identity: Record<string, number> = {};
  const unread = written.replace(SIZED, '').replace(/[\s,]/g, '');
  const wrong = (words: string) =>
    `“${words}” is no size or count: write it as “pinion teeth=11, ring teeth=41”`;
  if (unread !== '') return wrong(written);
  for (const [whole, name = '', value = ''] of written.matchAll(SIZED)) {
    const key = IDENTITY_KEYS.find(({ id, name: words }) => id === plain(name) || words === plain(name))?.id;
    const figure = parseReading(value);
    if (!key || !figure.ok) return wrong(whole.trim());
    identity[key] = figure.value;
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
