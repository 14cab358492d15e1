import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { tellOpen } from '@/core/open/tellOpen';
import { needsOf } from '@/core/planning/needs';
import { againOf, ordersOf } from '@/core/planning/orders';
import { closedAs, differenceOfNumbers } from '@/core/planning/printedNumber';
import { openOfRebuild } from '@/core/rebuild/openOfRebuild';
import { composeParts } from '@/core/report/composeParts';
import { listRecords } from '@/db/captures';
import { readMoney, readShop } from '@/db/shop';
import type { PartDecisionId } from '@/model/job';
import type { Identity, Offer } from '@/model/offers';
import type { Actor } from '@/model/people';
import type { RecordContent } from '@/model/recordKinds';
import { decidePart } from '@/server/decide/decide';
import { handOverUnit } from '@/server/job/handOverUnit';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { readPlans } from '@/server/planning/plans';
import { setShopCalendar } from '@/server/shop/ways';
import { keepRecord } from '@/server/strip/keepRecord';
import { readCalendar, readWaiting } from '@/server/waiting/readWaiting';
import {
  bookTestUnit,
  captureHead,
  openTestShop,
  refusalOf as refused,
  type TestShop,
} from '../fixtures/shop';

/*
 * A bearing of another width comes: worked by hand on a wall calendar of December 2026. Working days are Monday to Friday, closed on the 24th,
 * 25th and 31st; the unit is due on Friday the 18th.
 */
const CALENDAR = {
  weekdays: [1, 2, 3, 4, 5],
  closed: ['2026-12-24', '2026-12-25', '2026-12-31', '2027-01-01'],
  hoursADay: 6,
};
const TAIL: Identity = { bore: 30, outer: 72, width: 20.75 };

let shop: TestShop;
let jobId: string;
beforeEach(() => {
  shop = openTestShop();
  shop.setTime('2026-12-10T09:00:00.000Z');
  jobId = bookTestUnit(shop, { dueOn: '2026-12-18' });
  setShopCalendar(shop.people.lead, shop.context, CALENDAR);
});
afterEach(() => shop.close());

const keep = (content: RecordContent, by: Actor = shop.people.parts): string => {
  const head = { ...captureHead(jobId, by), deviceTime: shop.context.now().toISOString() };
  keepRecord(by, shop.context, { ...head, content });
  return head.id;
};
const decide = (positionId: string, decision: PartDecisionId) =>
  decidePart(shop.people.lead, shop.context, {
    jobId,
    entry: { positionId, version: 0, decision, reason: 'so it is', riskBy: 'the owner' },
  });
/** A price that was told on the telephone, and the order by it. */
const noted = async (over: Partial<Extract<RecordContent, { what: 'offer-noted' }>> = {}): Promise<Offer> => {
  keep({
    ...{ what: 'offer-noted', supplier: 'Ferro Row', name: 'Tail bearing', price: 41_200, days: 3, tier: 2 },
    ...{ supplies: [{ part: 'tail-bearing', qty: 1 }], identity: TAIL, ...over },
  });
  const { plans } = await readPlans(shop.people.parts, shop.context, { jobId });
  return plans[0]!.lines.find(({ offer }) => offer.supplier === 'Ferro Row')!.offer;
};
const order = (offer: Offer, count = 1) =>
  keep({ what: 'parts-ordered', supplier: offer.supplier, freight: 0, note: '', lines: [{ offer, count }] });
const arrive = (orderId: string, over: object = {}) =>
  keep({
    ...{ what: 'goods-in', orderId, line: 0, count: 1, identity: TAIL, compared: true, note: '' },
    ...over,
  });
const orders = () => ordersOf(listRecords(shop.context.db, jobId));
const waiting = () => readWaiting(shop.people.parts, shop.context, undefined).jobs[0]!;
/** Of every other part somebody has said what becomes of it. */
const everythingElseIsDecided = () => {
  for (const { id } of gatherSnapshot(shop.context.db, jobId).unitType.positions)
    if (id !== 'tail-bearing') decide(id, 'ask-customer');
};
const partsPaper = () => {
  const { db } = shop.context;
  return JSON.stringify(
    composeParts({ shop: readShop(db), money: readMoney(db), snapshot: gatherSnapshot(db, jobId) }),
  );
};

describe('a part that isn’t what was ordered', () => {
  beforeEach(() => decide('tail-bearing', 'replace'));

  it('is here for nobody: it goes back, is ordered again, and the job waits for it', async () => {
    everythingElseIsDecided();
    const offer = await noted();
    const first = order(offer);
    // Ordered on Thursday the 10th, three working days: Tuesday the 15th.
    expect(waiting()).toMatchObject({
      orders: [{ expected: '2026-12-15', isLate: false }],
      ready: { partsOn: '2026-12-15' },
    });
    shop.setTime('2026-12-15T09:00:00.000Z');
    arrive(first, { identity: { ...TAIL, width: 28.75 } });

    expect(orders()).toMatchObject([
      { state: 'wrong', lines: [{ differs: ['width 28.75 mm instead of 20.75'], wrong: 1, fits: 0 }] },
    ]);
    expect(waiting()).toMatchObject({
      toOrder: ['Tail bearing again'],
      missing: ['Tail bearing'],
      toSendBack: ['Tail bearing to Ferro Row (width 28.75 mm instead of 20.75)'],
      canRebuild: false,
    });
    expect(partsPaper()).toContain('came with width 28.75 mm instead of 20.75, goes back');
    expect(partsPaper()).toContain('not all that came is what was ordered');
    expect(partsPaper()).not.toContain('all of it is here');
    expect(partsPaper()).not.toContain('is missing.');
    const open = openOfRebuild(gatherSnapshot(shop.context.db, jobId));
    expect(open.map(tellOpen)).toEqual([
      'New part: what came is not what was ordered: width 28.75 mm instead of 20.75',
    ]);
    // Nor does the unit leave, or the step go in that holds it.
    const leave = () => handOverUnit(shop.people.lead, shop.context, { jobId, handedOver: true });
    expect(refused(leave).message).toContain('Tail bearing: New part: what came is not what was ordered');
    const step = gatherSnapshot(shop.context.db, jobId).unitType.steps.find(({ positions }) =>
      positions.includes('tail-bearing'),
    )!;
    keep({ what: 'step', stepId: step.id, note: '' } as RecordContent, shop.people.assembler);
    expect(
      refused(() => keep({ what: 'refitted', of: step.id, note: '' }, shop.people.assembler)).message,
    ).toContain('Tail bearing: what came is not what was ordered: width 28.75 mm instead of 20.75');

    // By one press each: back, and ordered again; the supplier names four working days.
    keep({ what: 'goods-back', orderId: first, line: 0, count: 1, reason: 'width 28.75 instead of 20.75' });
    // Gone back it isn't here either, and nobody has ordered another one yet.
    expect(waiting()).toMatchObject({
      toOrder: ['Tail bearing'],
      missing: ['Tail bearing'],
      canRebuild: false,
    });
    expect(orders()).toMatchObject([{ state: 'back' }]);
    expect(partsPaper()).toContain('what was wrong of it went back');
    expect(partsPaper()).not.toContain('all of it is here');
    expect(
      refused(() => keep({ what: 'refitted', of: step.id, note: '' }, shop.people.assembler)).message,
    ).toContain('Tail bearing: not enough of the new ones is ordered or here');
    const { needs } = needsOf(gatherSnapshot(shop.context.db, jobId));
    expect(againOf(orders()[0]!.lines[0]!, orders(), needs)).toBe(1);
    const second = order(offer);
    // Once is enough.
    expect(againOf(orders()[0]!.lines[0]!, orders(), needs)).toBe(0);
    expect(
      refused(() => keep({ what: 'order-moved', orderId: second, on: '2026-12-20', note: '' })).message,
    ).toContain('The shop is closed on 2026-12-20');
    keep({ what: 'order-moved', orderId: second, on: '2026-12-21', note: 'they are slow' });
    expect(waiting()).toMatchObject({
      toOrder: [],
      toSendBack: [],
      missing: ['Tail bearing'],
      ready: { partsOn: '2026-12-21' },
    });
    expect(partsPaper()).toContain('Not here yet, or not laid beside the old part: Tail bearing.');
    shop.setTime('2026-12-21T07:00:00.000Z');
    arrive(second);
    expect(waiting()).toMatchObject({ missing: [], canRebuild: true });
    expect(partsPaper()).toContain('Nothing that was decided to be new is missing.');
    keep({ what: 'refitted', of: step.id, note: '' }, shop.people.assembler);
  });

  it('is late by working days, and the calendar file has the day that the supplier named', async () => {
    everythingElseIsDecided();
    const first = order(await noted());
    keep({ what: 'order-moved', orderId: first, on: '2026-12-21', note: '' });
    const { ready } = waiting();
    // Nothing of this type's hours is done: they are used up six a day from Monday the 21st, never on the 24th, 25th or a weekend.
    const { labour, calendar } = await readPlans(shop.people.parts, shop.context, { jobId });
    const days = ['2026-12-21', '2026-12-22', '2026-12-23', '2026-12-28', '2026-12-29', '2026-12-30'];
    expect(calendar).toEqual(CALENDAR);
    expect(ready?.readyOn).toBe(days[Math.ceil(labour.left / 6) - 1]);
    // From Friday the 18th: 21st is one working day late, 22nd two, and so on.
    expect(ready?.slack).toBe(-Math.ceil(labour.left / 6));
    expect(readCalendar(shop.people.parts, shop.context, undefined)).toContain('DTSTART;VALUE=DATE:20261221');
  });

  it('is used all the same when somebody answers for it, and that stays readable', async () => {
    const first = order(await noted());
    arrive(first, { otherwise: 'of another make than ordered' });
    expect(
      refused(() => keep({ what: 'goods-taken', orderId: first, line: 0, reason: 'it is good' })).code,
    ).toBe('no-right');
    keep({ what: 'goods-taken', orderId: first, line: 0, reason: 'teeth and sizes agree' }, shop.people.lead);
    expect(orders()).toMatchObject([{ state: 'in', lines: [{ fits: 1, wrong: 0 }] }]);
    expect(waiting()).toMatchObject({ missing: [], toSendBack: [] });
    expect(partsPaper()).toContain('of another make than ordered, used all the same');
    expect(
      refused(() =>
        keep({ what: 'goods-taken', orderId: first, line: 0, reason: 'once more' }, shop.people.lead),
      ).message,
    ).toContain('nothing of it differs');
  });

  it('stays to be sent back when the unit is gone', async () => {
    const first = order(await noted());
    arrive(first, { identity: { ...TAIL, width: 28.75 } });
    handOverUnit(shop.people.lead, shop.context, {
      jobId,
      handedOver: true,
      despite: 'another one was fitted',
    });
    expect(waiting()).toMatchObject({
      isHandedOver: true,
      toOrder: [],
      missing: [],
      orders: [],
      toSendBack: ['Tail bearing to Ferro Row (width 28.75 mm instead of 20.75)'],
    });
    keep({ what: 'goods-back', orderId: first, line: 0, count: 1, reason: 'too wide' });
    expect(readWaiting(shop.people.parts, shop.context, undefined).jobs).toEqual([]);
  });

  it('is told by its number before its sizes: the same size, sealed where open belongs', async () => {
    keep({ what: 'mark-read', positionId: 'tail-bearing', mark: '6306' }, shop.people.inspector);
    const first = order(await noted({ identity: { bore: 30, outer: 72, width: 19 } }));
    const came = { identity: { bore: 30, outer: 72, width: 19 } };
    expect(refused(() => arrive(first, came)).message).toContain(
      'nobody has read the number printed on what came; 6306 belongs there',
    );
    arrive(first, { ...came, printed: '6306-2RS' });
    expect(orders()).toMatchObject([
      {
        state: 'wrong',
        lines: [{ differs: ['marked 6306-2RS instead of 6306: sealed on both sides where open belongs'] }],
      },
    ]);
    keep({ what: 'goods-back', orderId: first, line: 0, count: 1, reason: 'sealed' });
    const again = order(orders()[0]!.lines[0]!.offer);
    // The right number tells the sizes.
    arrive(again, { identity: {}, printed: ' 63 06' });
    expect(orders()[1]).toMatchObject({ state: 'in', lines: [{ fits: 1 }] });
  });

  it('that nobody has compared is not fit to go in; it is laid beside later', async () => {
    const first = order(await noted());
    arrive(first, { identity: {}, compared: false });
    expect(orders()[0]).toMatchObject({ state: 'unchecked', lines: [{ unchecked: 1, fits: 0 }] });
    expect(waiting()).toMatchObject({ missing: ['Tail bearing'], orders: [{ unchecked: ['Tail bearing'] }] });
    const compare = (identity: Identity) =>
      keep({ what: 'goods-compared', orderId: first, line: 0, identity });
    expect(refused(() => compare({ bore: 30 })).message).toContain('nobody has read the outer diameter');
    compare(TAIL);
    expect(orders()[0]).toMatchObject({ state: 'in', lines: [{ unchecked: 0, fits: 1 }] });
    expect(refused(() => compare(TAIL)).message).toContain('nothing of it waits');
  });

  it('counts piece by piece: of two packs one may be wrong', async () => {
    const first = order(await noted(), 2);
    arrive(first);
    arrive(first, { identity: { ...TAIL, width: 28.75 } });
    expect(orders()[0]).toMatchObject({
      state: 'wrong',
      lines: [{ arrived: 2, fits: 1, wrong: 1, toCome: 0 }],
    });
    const back = (count: number) =>
      keep({ what: 'goods-back', orderId: first, line: 0, count, reason: 'too wide' });
    expect(refused(() => back(3)).message).toContain('2 here, 3 can’t go back');
    back(1);
    expect(orders()[0]).toMatchObject({ state: 'back', lines: [{ arrived: 1, back: 1, fits: 1, wrong: 0 }] });
    expect(refused(() => arrive(first)).message).toContain('2 ordered, 2 came already');
  });
});

describe('what can’t be had', () => {
  it('is of too low a make for this shop, and that is said', async () => {
    decide('tail-bearing', 'replace');
    keep({
      ...{ what: 'offer-noted', supplier: 'Ferro Row', name: 'Tail bearing', price: 9_900, days: 1, tier: 1 },
      ...{ supplies: [{ part: 'tail-bearing', qty: 1 }], identity: {} },
    });
    const { plans, suppliers } = await readPlans(shop.people.parts, shop.context, { jobId });
    expect(plans[0]?.uncoverable).toEqual([
      'Tail bearing (offered, but only as any make, or used; this shop takes a make with a name for it)',
    ]);
    // Nobody was asked: the screen says so before it says “can’t be had”.
    expect(suppliers.every(({ state }) => state === 'not-asked')).toBe(true);
  });
});

/* Suffixes as the bearing trade uses them. */
describe('the number on a bearing', () => {
  it.each([
    ['6306', 'open'],
    ['6306-2RS', 'sealed on both sides'],
    ['6205 2RSR', 'sealed on both sides'],
    ['6205-2RS1', 'sealed on both sides'],
    ['6306ZZ', 'shielded on both sides'],
    ['6306-2Z', 'shielded on both sides'],
    ['6306-Z', 'shielded on one side'],
    ['6306-RS', 'sealed on one side'],
    ['NU 206', 'open'],
    ['TW-117 B', undefined],
  ])('%s is %s', (number, closed) => {
    expect(closedAs(number)).toBe(closed);
  });

  it('is the same however it is written, and another one is told', () => {
    expect(differenceOfNumbers('NU 206-E', 'nu206 e')).toBeUndefined();
    expect(differenceOfNumbers('6306', '6307')).toBe('marked 6307 instead of 6306');
    expect(differenceOfNumbers('6306', '')).toBe('marked with nothing instead of 6306');
  });
});
