import fs from 'node:fs';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { isHere, type Order, ordersOf } from '@/core/planning/orders';
import { waitingOf } from '@/core/planning/waiting';
import { listRecords } from '@/db/captures';
import { USUAL_CALENDAR } from '@/model/calendar';
import type { PartDecisionId } from '@/model/job';
import type { Offer } from '@/model/offers';
import type { Actor } from '@/model/people';
import type { RecordContent } from '@/model/recordKinds';
import { countIdentity } from '@/server/book-in/countIdentity';
import { decidePart, decideUnit } from '@/server/decide/decide';
import { setGrade } from '@/server/grade/setGrade';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { readPlans } from '@/server/planning/plans';
import { importPriceList, putOnShelf, readPrices } from '@/server/planning/priceLists';
import { printOrder } from '@/server/planning/printOrder';
import { setMoney } from '@/server/shop/ways';
import { keepRecord } from '@/server/strip/keepRecord';
import { noteFinding } from '@/server/strip/noteFinding';
import { strikeCapture } from '@/server/strip/strikeCapture';
import { readCalendar } from '@/server/waiting/readWaiting';
import {
  bookTestUnit,
  captureHead,
  openTestShop,
  refusalOf as refused,
  type TestShop,
} from '../fixtures/shop';

let shop: TestShop;
let jobId: string;
beforeEach(() => {
  shop = openTestShop();
  jobId = bookTestUnit(shop);
});
afterEach(() => shop.close());

const keep = (content: RecordContent, by: Actor = shop.people.parts): string => {
  const head = captureHead(jobId, by);
  keepRecord(by, shop.context, { ...head, content });
  return head.id;
};
const SEEN = {
  nothing: { mode: 'nothing-to-see', place: 'everywhere' },
  bearing: { mode: 'subsurface-fatigue', place: 'inner race' },
  gear: { mode: 'scuffing', place: 'drive flank' },
} as const;
const graded = (positionId: string, grade: 0 | 1 | 2 | 4 | 5, of = jobId) => {
  const seen = grade < 3 ? SEEN.nothing : positionId.endsWith('bearing') ? SEEN.bearing : SEEN.gear;
  noteFinding(shop.people.inspector, shop.context, {
    ...{ ...captureHead(of, shop.people.inspector), positionId, severity: 'moderate', ...seen },
  });
  setGrade(shop.people.inspector, shop.context, {
    jobId: of,
    entry: { positionId, version: 0, grade, reason: 'so it is' },
  });
};
const decide = (positionId: string, decision: PartDecisionId, version = 0) =>
  decidePart(shop.people.lead, shop.context, {
    jobId,
    entry: { positionId, version, decision, reason: 'so it is', riskBy: 'the owner' },
  });
const count = (pinionTeeth = 11) =>
  countIdentity(shop.people.inspector, shop.context, {
    ...captureHead(jobId, shop.people.inspector),
    ...{ pairId: 'pin-ring', version: 0, counts: { pinionTeeth, ringTeeth: 41 } },
  });
/** Suppliers are asked, and have had the time to answer. */
const ask = () => {
  keep({ what: 'prices-asked', note: '' });
  shop.setTime('2026-11-24T10:00:00.000Z');
};
const plans = async () => (await readPlans(shop.people.parts, shop.context, { jobId })).plans;
const order = (
  offer: Offer,
  over: Partial<Extract<RecordContent, { what: 'parts-ordered' }>> = {},
  pieces = 1,
) =>
  keep({
    ...{ what: 'parts-ordered', supplier: offer.supplier, freight: 0, note: '' },
    lines: [{ offer, count: pieces }],
    ...over,
  });
const newBearing = () => {
  graded('head-bearing', 4);
  decide('head-bearing', 'replace');
  ask();
};

describe('the plans of a job', () => {
  it('cover what is decided to be new, at three prices; what one supplier writes in nonsense is told and not used', async () => {
    newBearing();
    const told = await readPlans(shop.people.inspector, shop.context, { jobId });
    expect(told.needs).toMatchObject([{ part: 'head-bearing', qty: 1, leastTier: 2 }]);
    expect(told.plans.map(({ objective, feasible, proved }) => [objective, feasible, proved])).toEqual([
      ['cost', true, true],
      ['days', true, true],
      ['tier', true, true],
    ]);
    const [cheapest, soonest, best] = told.plans;
    expect(cheapest!.parts + cheapest!.freight).toBeLessThanOrEqual(soonest!.parts + soonest!.freight);
    expect(soonest!.days).toBeLessThanOrEqual(cheapest!.days);
    expect(best!.lines[0]?.offer.tier).toBe(3);
    const odd = told.suppliers.find(({ name }) => name === 'Pell Imports');
    expect(odd?.refused.join(' ')).toContain('can’t be negative');
    expect(told.suppliers.find(({ name }) => name === 'Aldvik Trading')?.state).toBe('silent');
  });

  it('order no gear set that nobody has counted, and none of another count; the one that is cheaper stands beside', async () => {
    graded('ring-gear', 4);
    for (const id of ['ring-gear', 'pinion', 'pinion-head']) decide(id, 'replace-with-mate');
    ask();
    const [uncounted] = await plans();
    expect(uncounted).toMatchObject({ feasible: false });
    expect(uncounted?.uncoverable.join(' ')).toContain('nobody has counted the pinion teeth');
    count();
    const [cheapest] = await plans();
    expect(cheapest).toMatchObject({
      feasible: true,
      barred: { lines: [{ why: 'pinion teeth: counted 11, offered 12' }] },
    });
    expect(cheapest!.barred!.total).toBeLessThan(cheapest!.parts + cheapest!.freight);
    // The set comes whole from one source.
    expect(
      new Set(cheapest!.lines.flatMap(({ offer }) => offer.supplies.map(({ part }) => `${part} ${offer.id}`)))
        .size,
    ).toBe(3);
    expect(cheapest!.lines).toHaveLength(1);
    const wrong = cheapest!.barred!.lines[0]!.offer;
    expect(refused(() => order(wrong)).message).toContain('counted 11, offered 12');
  });
});

describe('an order', () => {
  it('goes out as it was offered, into the outbox, and not twice', async () => {
    newBearing();
    const { offer } = (await plans())[0]!.lines[0]!;
    const id = order(offer);
    const file = fs.readFileSync(path.join(shop.context.dataFolder, 'outbox', `${id}.csv`), 'utf8');
    // By hand: its price is kept in hundredths of a krona, and a supplier reads kronor.
    expect(file).toContain(`${offer.code},${offer.name},1,${offer.price / 100}.00,kr`);
    expect(refused(() => order(offer)).message).toContain('ordered already');
    const pdf = await printOrder(shop.people.parts, shop.context, { jobId, orderId: id, as: 'pdf' });
    expect(pdf.bytes.subarray(0, 4).toString()).toBe('%PDF');
  });

  it('is refused where its offer doesn’t stand, its decision has changed, or its money is another', async () => {
    newBearing();
    const { offer } = (await plans())[0]!.lines[0]!;
    expect(refused(() => order({ ...offer, price: offer.price - 100 })).message).toContain(
      'doesn’t stand any more',
    );
    expect(refused(() => order({ ...offer, price: 0 })).code).toBe('bad-input');
    expect(refused(() => order({ ...offer, currency: 'zk' })).message).toContain('priced in zk, not in kr');
    expect(refused(() => order(offer, { supplier: 'Brask & Sons' })).message).toContain(
      'is not Brask & Sons’s',
    );
    decide('head-bearing', 'ask-customer', 1);
    expect(refused(() => order(offer)).message).toContain('the decision has changed');
    expect(ordersOf(listRecords(shop.context.db, jobId))).toEqual([]);
    expect(refused(() => keep({ what: 'prices-asked', note: '' }, shop.people.apprentice)).code).toBe(
      'no-right',
    );
  });

  it('comes in counted and compared before the old part goes; never more than was ordered', async () => {
    newBearing();
    const { offer } = (await plans())[0]!.lines[0]!;
    const orderId = order(offer);
    const arrive = (pieces: number, compared: boolean, identity = offer.identity) =>
      keep({ what: 'goods-in', orderId, line: 0, count: pieces, identity, compared, note: '' });
    const scrap = () => keep({ what: 'part-scrapped', positionId: 'head-bearing', where: 'scrap' });
    expect(refused(scrap).message).toContain('Keep the old part');
    expect(refused(() => arrive(2, true)).message).toContain('1 ordered, 0 came already; 2 more is too many');
    // Compared without having been read is not compared.
    expect(refused(() => arrive(1, true, {})).message).toContain('nobody has read the bore');
    arrive(1, true, { ...offer.identity, bore: 40 });
    const [sent] = ordersOf(listRecords(shop.context.db, jobId));
    expect(sent).toMatchObject({ state: 'wrong', lines: [{ differs: ['bore 40 mm instead of 36.6'] }] });
    // What isn't what was offered doesn't free the old one.
    expect(refused(scrap).message).toContain('Keep the old part');
    expect(
      refused(() =>
        keep({
          what: 'goods-in',
          orderId: 'none',
          line: 0,
          count: 1,
          identity: {},
          compared: true,
          note: '',
        }),
      ).message,
    ).toContain('no such order');
  });

  it('is cancelled with a reason while nothing of it is here, and never struck out', async () => {
    newBearing();
    const { offer } = (await plans())[0]!.lines[0]!;
    const orderId = order(offer);
    const cancel = (id: string, reason = 'they have none') =>
      keep({ what: 'order-cancelled', orderId: id, reason });
    expect(
      refused(() =>
        strikeCapture(shop.people.lead, shop.context, { kind: 'record', captureId: orderId, reason: 'slip' }),
      ).message,
    ).toContain('can’t be struck out');
    expect(refused(() => cancel('none')).message).toContain('no such order');
    cancel(orderId);
    expect(refused(() => cancel(orderId)).message).toContain('cancelled already');
    expect(ordersOf(listRecords(shop.context.db, jobId))).toMatchObject([
      { state: 'cancelled', cancelled: 'they have none' },
    ]);
    // It is to be ordered again, and what is here isn't cancelled any more.
    const again = order(offer);
    keep({
      what: 'goods-in',
      orderId: again,
      line: 0,
      count: 1,
      identity: offer.identity,
      compared: true,
      note: '',
    });
    expect(refused(() => cancel(again)).message).toContain('can’t be cancelled any more');
  });

  it('frees an old part only when as many as it needs are here', async () => {
    decide('ring-bolts', 'replace-one-use');
    ask();
    const { offer } = (await plans())[0]!.lines.find(({ offer: { name } }) => name === 'Ring bolts')!;
    // Ten are needed; of a pack of five two make them.
    const five = { ...offer, supplies: [{ part: 'ring-bolts', qty: 5 }] };
    const line = (arrived: number) =>
      [{ lines: [{ offer: five, count: 2, fits: arrived }] }] as unknown as Order[];
    const need = { part: 'ring-bolts', qty: 10, spare: 0 };
    expect(isHere(line(1), need)).toBe(false);
    expect(isHere(line(2), need)).toBe(true);
    expect(isHere(line(1), { ...need, qty: 6, spare: 1 })).toBe(true);
  });

  it('lets the old part go once the new one fits', async () => {
    newBearing();
    const { offer } = (await plans())[0]!.lines[0]!;
    const orderId = order(offer);
    keep({
      what: 'goods-in',
      orderId,
      line: 0,
      count: 1,
      identity: offer.identity,
      compared: true,
      note: '',
    });
    keep({ what: 'part-scrapped', positionId: 'head-bearing', where: 'customer' });
    expect(
      refused(() => keep({ what: 'part-scrapped', positionId: 'tail-bearing', where: 'scrap' })).message,
    ).toContain('isn’t replaced');
  });
});

describe('a price list', () => {
  const UNIT = 'Hypoid axle head 11/41';
  const HEAD = 'code;name;unit;supplies;price;currency;days;make;stock;identity';
  const read = (lines: string[], head = HEAD) =>
    importPriceList(shop.people.parts, shop.context, {
      supplier: 'Ferro Row',
      text: [head, ...lines].join('\n'),
    });
  const kit = (supplies: string) => `FR-1;Head bearing;${UNIT};${supplies};199,50;kr;0;2;5;bore=36.6`;
  const GOOD = kit('Head bearing');

  it('is taken by the names of units and parts and planned with; the newest of a supplier counts', async () => {
    newBearing();
    expect(
      read([GOOD, 'FR-2;Bearing kit;Hypoid axle head 11/41;head bearing + Tail bearing;300;kr;1;2;;']),
    ).toEqual({ lines: 2, unitTypes: 1, faults: [] });
    expect((await plans())[0]).toMatchObject({
      parts: 19_950,
      freight: 0,
      lines: [{ offer: { supplier: 'Ferro Row', source: 'list', code: 'FR-1' } }],
    });
    read([GOOD.replace('199,50', '99')]);
    expect((await plans())[0]?.parts).toBe(9_900);
    expect(readPrices(shop.people.parts, shop.context, undefined).lists).toMatchObject([
      { supplier: 'Ferro Row', unit: 'Hypoid axle head 11/41', lines: 1 },
    ]);
    // In another currency than the shop's nothing of it is used any more, and that is told.
    setMoney(shop.people.lead, shop.context, {
      ...{ sign: 'zk', digits: 2, taxPercent: 20, hourPrice: 60_000 },
      warranty: { repair: 12, 'repair-preventive': 12, exchange: 12, 'best-of-several': 3 },
    });
    const told = await readPlans(shop.people.parts, shop.context, { jobId });
    expect(told.refused.join(' ')).toContain('priced in kr; here everything is counted in zk');
  });

  it('by the ids and sizes of an older list is read as before', async () => {
    newBearing();
    const older = 'FR-1;Head bearing;torvane-hx41;2 x head-bearing;199,50;kr;0;2;5;bore=36.6 outer=72,25';
    expect(read([older]).faults).toEqual([]);
    const { offer } = (await plans())[0]!.lines[0]!;
    expect(offer).toMatchObject({
      supplies: [{ part: 'head-bearing', qty: 2 }],
      identity: { bore: 36.6, outer: 72.25 },
    });
  });

  it.each([
    ['a price of nothing', GOOD.replace('199,50', '0'), 'greater than 0'],
    ['a negative price', GOOD.replace('199,50', '-4'), 'negative'],
    ['a price above a thousand million', GOOD.replace('199,50', '10000000,01'), '1 000 000 000'],
    ['another currency', GOOD.replace(';kr;', ';zk;'), 'counted in kr'],
    ['an unknown unit', GOOD.replace(UNIT, 'none'), 'no unit type “none”'],
    ['an unknown part', kit('Nose bearing'), 'no part “Nose bearing”'],
    ['a part twice in a kit', kit('Head bearing + head bearing'), 'twice'],
    ['a kit that can’t be read', kit('Head bearing + '), 'can’t be read'],
    ['a size that is none', GOOD.replace('bore=36.6', 'bore=wide'), 'no size or count'],
    ['a cell of nothing but blanks between', kit(`a${' '.repeat(80_000)}b`), 'more than 300 characters'],
  ])('with %s shows that line and takes the rest', (_, line, words) => {
    const { lines, faults } = read([GOOD, line]);
    expect([lines, faults.map(({ path }) => path)]).toEqual([1, ['line 3']]);
    expect(faults[0]?.message).toContain(words);
    expect(readPrices(shop.people.parts, shop.context, undefined).lists).toMatchObject([{ lines: 1 }]);
  });

  it('of which no line can be read is refused, and the earlier one stands', () => {
    read([GOOD]);
    expect(refused(() => read([GOOD.replace('199,50', 'dear')])).message).toContain(
      'line 2: “dear” is no price',
    );
    expect(readPrices(shop.people.parts, shop.context, undefined).lists).toHaveLength(1);
  });

  it('without its columns, or by who may not, is refused', () => {
    expect(refused(() => read(['a;b'], 'code;name')).message).toContain('columns are missing: unit');
    expect(
      refused(() => importPriceList(shop.people.inspector, shop.context, { supplier: 'x', text: GOOD })).code,
    ).toBe('no-right');
  });
});

describe('the shelf', () => {
  it('takes sound parts of units that are given up, and gives each once', async () => {
    const donor = bookTestUnit(shop, { peg: 502 });
    graded('head-bearing', 1, donor);
    graded('tail-bearing', 4, donor);
    const put = (positionId: string) =>
      putOnShelf(shop.people.parts, shop.context, { jobId: donor, positionId, price: 5_000 });
    expect(refused(() => put('head-bearing')).message).toContain('isn’t given up');
    decideUnit(shop.people.lead, shop.context, {
      ...captureHead(donor, shop.people.lead),
      ...{ version: 0, decision: 'scrap', reason: 'housing gone', watch: '' },
    });
    expect(refused(() => put('tail-bearing')).message).toContain('graded 4');
    expect(refused(() => put('cross-pin')).message).toContain('never graded');
    put('head-bearing');
    // Used: no choice where only makes with a name are good enough, but one where a donor's part is decided.
    graded('head-bearing', 4);
    decide('head-bearing', 'from-donor');
    const [cheapest] = await plans();
    expect(cheapest).toMatchObject({
      parts: 5_000,
      days: 0,
      lines: [{ offer: { source: 'shelf', code: 'peg 502' } }],
    });
    const orderId = order(cheapest!.lines[0]!.offer);
    const shelf = () => readPrices(shop.people.parts, shop.context, undefined).shelf;
    expect(shelf()).toEqual([]);
    keep({ what: 'order-cancelled', orderId, reason: 'another one was found' });
    expect(shelf()).toMatchObject([{ positionId: 'head-bearing' }]);
  });
});

describe('what waits', () => {
  it('is told to whoever orders and whoever builds, and stands in a calendar', async () => {
    newBearing();
    const told = (today: string) =>
      waitingOf(gatherSnapshot(shop.context.db, jobId), { today, calendar: USUAL_CALENDAR, answers: [] });
    expect(told('2026-11-24')).toMatchObject({
      toOrder: ['Head bearing'],
      missing: ['Head bearing'],
      canRebuild: false,
    });
    const soonest = (await plans())[1]!;
    order(soonest.lines[0]!.offer);
    keep({
      ...{ what: 'held', reason: 'a seat to be measured', station: 'decide', whoActs: 'Mirel' },
      ...{ next: 'fetch the bore gauge', until: '2026-11-26' },
    });
    expect(told('2026-11-24')).toMatchObject({
      toOrder: [],
      orders: [{ isLate: false }],
      holds: [{ isOver: false }],
    });
    expect(told('2026-12-24')).toMatchObject({
      orders: [{ isLate: true }],
      holds: [{ isOver: true, next: 'fetch the bore gauge' }],
    });
    const calendar = readCalendar(shop.people.assembler, shop.context, undefined);
    expect(calendar).toContain('BEGIN:VCALENDAR');
    expect(calendar).toContain('SUMMARY:Peg 501: a seat to be measured');
    expect(calendar).toContain('DTSTART;VALUE=DATE:20261126');
    expect(calendar).toContain('Turn of Mirel. fetch the bore gauge');
  });
});
