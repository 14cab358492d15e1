import * as v from 'valibot';
import { inWords } from '@/core/faultWords';
import type { AskedSupplier } from '@/core/planning/suppliers';
import { recordsOf } from '@/core/strip/recordsOf';
import { listRecords } from '@/db/captures';
import type { Db } from '@/db/open';
import { listPriceListsOf, listShelfOf } from '@/db/prices';
import { readMoney } from '@/db/shop';
import { type Offer, type OfferLine, OfferLineSchema } from '@/model/offers';
import type { UnitType } from '@/model/unitType';
import type { Context } from '../context';
import { standInSuppliers } from '../devices/standInSuppliers';
import { openJob } from '../job/openJob';

/** Whoever answers for suppliers. A real service takes the stand-in’s place here. */
const SERVICE = standInSuppliers;

export interface OffersOfJob {
  readonly offers: readonly Offer[];
  readonly suppliers: readonly AskedSupplier[];
  /** Offers of other sources that can’t be used, in words. */
  readonly refused: readonly string[];
}

/** Everything that can be had for a job: suppliers’ answers, price lists, the shelf, what was noted. A line that makes no sense is told and left out. */
export function offersOf(context: Context, jobId: string): OffersOfJob {
  const { db } = context;
  const { unitType } = openJob(db, jobId);
  const currency = readMoney(db).sign;
  const asked = recordsOf(listRecords(db, jobId), 'prices-asked').at(-1);
  const sentAt = asked && listRecords(db, jobId).find(({ id }) => id === asked.id)?.receivedAt;
  const suppliers: AskedSupplier[] = [];
  const offers: Offer[] = [];
  for (const supplier of SERVICE.suppliersFor(unitType)) {
    const question = asked && sentAt && { id: asked.id, unitType, currency, sentAt: new Date(sentAt) };
    const answer = question ? SERVICE.answer(question, supplier.name, context.now()) : undefined;
    const read = readLines(answer?.state === 'answered' ? answer.lines : [], unitType, currency);
    suppliers.push({
      ...supplier,
      state: answer?.state ?? 'not-asked',
      lines: read.lines.length,
      refused: read.refused,
    });
    offers.push(...read.lines.map((line, at) => offerOf(line, supplier.name, 'asked', at)));
  }
  const lists = ofLists(db, unitType, currency);
  const noted = ofNotes(db, jobId, currency);
  return {
    offers: [...offers, ...lists.offers, ...ofShelf(db, unitType, currency), ...noted],
    suppliers,
    refused: lists.refused,
  };
}

const offerOf = (line: OfferLine, supplier: string, source: Offer['source'], at: number): Offer => ({
  ...line,
  ...{ supplier, source },
  id: `${source} ${supplier} ${at} ${line.code}`.slice(0, 120),
});

interface ReadLines {
  readonly lines: readonly OfferLine[];
  readonly refused: readonly string[];
}

/** Lines that can be used, and why the others can’t. */
export function readLines(raw: readonly unknown[], { positions }: UnitType, currency: string): ReadLines {
  const lines: OfferLine[] = [];
  const refused: string[] = [];
  const known = new Set(positions.map(({ id }) => id));
  for (const [at, each] of raw.entries()) {
    const read = v.safeParse(OfferLineSchema, each);
    const head = `Line ${at + 1}${read.success ? `, ${read.output.name}` : ''}`;
    if (!read.success) refused.push(`${head}: ${inWords(read.issues[0])}`);
    else if (read.output.currency !== currency)
      refused.push(`${head}: priced in ${read.output.currency}; here everything is counted in ${currency}`);
    else if (read.output.supplies.some(({ part }) => !known.has(part)))
      refused.push(`${head}: it supplies a part that this unit hasn’t`);
    else lines.push(read.output);
  }
  return { lines, refused };
}

function ofLists(db: Db, unitType: UnitType, currency: string) {
  const read = listPriceListsOf(db, unitType.id).map(({ supplier, lines }) => ({
    supplier,
    ...readLines(lines, unitType, currency),
  }));
  return {
    offers: read.flatMap(({ supplier, lines }) =>
      lines.map((line, at) => offerOf(line, supplier, 'list', at)),
    ),
    refused: read.flatMap(({ supplier, refused }) => refused.map((words) => `${supplier}’s list. ${words}`)),
  };
}

const SHELF = 'Our shelf';

const ofShelf = (db: Db, unitType: UnitType, currency: string): Offer[] =>
  listShelfOf(db, unitType.id)
    .filter(({ positionId }) => unitType.positions.some(({ id }) => id === positionId))
    .map(({ id, name, positionId, price, fromPeg, grade }) => ({
      ...{ id: `shelf ${id}`, supplier: SHELF, source: 'shelf' as const, code: `peg ${fromPeg}` },
      ...{ name: `${name}, grade ${grade}`, supplies: [{ part: positionId, qty: 1 }], price, currency },
      ...{ days: 0, tier: 1 as const, stock: 1, identity: {} },
    }));

const ofNotes = (db: Db, jobId: string, currency: string): Offer[] =>
  recordsOf(listRecords(db, jobId), 'offer-noted').map(({ id, content }) => ({
    ...{ id: `noted ${id}`, supplier: content.supplier, source: content.made ? 'made' : 'noted', currency },
    ...{ code: content.made ? 'by drawing' : 'as told', name: content.name, supplies: content.supplies },
    ...{ price: content.price, days: content.days, tier: content.tier, identity: content.identity },
    ...(content.printed === undefined ? {} : { printed: content.printed }),
  }));
