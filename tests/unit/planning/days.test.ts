import { describe, expect, it } from 'vitest';
import { taxOn } from '@/core/planning/money';
import type { Need } from '@/core/planning/needs';
import { ordersOf } from '@/core/planning/orders';
import { quoteOn, readyFrom } from '@/core/planning/promise';
import { readyDay, tellSlack } from '@/core/planning/readyDay';
import type { Quote } from '@/model/quote';
import type { RecordContent } from '@/model/recordKinds';
import type { BenchRecord } from '@/model/snapshot';

/*
 * Whole jobs reckoned by hand on a wall calendar and on paper: Monday to Friday are worked, six hours a day at the bench; the shop is closed on
 * 24, 25 and 31 December, 1 January, 26 and 29 March. A part comes in the morning of the n-th working day after its order, work goes on that day.
 */
const CALENDAR = {
  weekdays: [1, 2, 3, 4, 5],
  closed: ['2026-12-24', '2026-12-25', '2026-12-31', '2027-01-01', '2027-03-26', '2027-03-29'],
  hoursADay: 6,
};
const NEED: Need = {
  ...{ part: 'bearing', name: 'Bearing', qty: 1, spare: 0, decision: 'replace', leastTier: 1 },
};
const record = (id: string, at: string, content: object): BenchRecord => ({
  ...{ id, author: 'Ysolde Bram', authorId: 'y', deviceTime: at, receivedAt: at, struck: null },
  content: content as RecordContent,
});
/** An order as it stands in the records, its line promised in so many working days. */
const ordered = (at: string, days: number, ...after: BenchRecord[]) =>
  ordersOf([
    record('order', at, {
      ...{ what: 'parts-ordered', supplier: 'Ferro Row', freight: 0, note: '' },
      lines: [
        {
          count: 1,
          offer: {
            ...{
              id: 'o',
              supplier: 'Ferro Row',
              source: 'noted',
              code: 'c',
              name: 'Bearing',
              currency: 'kr',
            },
            ...{ supplies: [{ part: 'bearing', qty: 1 }], price: 1, tier: 2, identity: {}, days },
          },
        },
      ],
    }),
    ...after,
  ]);
const ready = (
  orders: ReturnType<typeof ordered>,
  { today, hoursLeft, dueOn }: { today: string; hoursLeft: number; dueOn: string },
) =>
  readyDay({
    ...{ needs: [NEED], orders, hoursLeft, today, dueOn, orderOn: today, calendar: CALENDAR },
    ...{ timeZone: 'Europe/Oslo', daysFor: () => undefined },
  });

describe('the day on which a unit is ready', () => {
  it.each([
    // job, ordered at, working days, hours left, due; last part, ready, in hand
    ['five-speed box', '2026-12-14T09:00:00Z', 5, 8, '2026-12-18', '2026-12-21', '2026-12-22', -2],
    ['axle', '2026-12-10T09:30:00Z', 3, 9, '2026-12-18', '2026-12-15', '2026-12-16', 2],
    ['axle, bearing again', '2026-12-15T10:00:00Z', 4, 9, '2026-12-18', '2026-12-21', '2026-12-22', -2],
    ['axle, four hours done', '2026-12-15T10:00:00Z', 4, 5, '2026-12-18', '2026-12-21', '2026-12-21', -1],
    ['winch box', '2026-12-17T10:00:00Z', 4, 9.5, '2026-12-30', '2026-12-23', '2026-12-28', 2],
    ['transfer case', '2026-12-08T10:00:00Z', 4, 7, '2026-12-17', '2026-12-14', '2026-12-15', 2],
    ['transfer case, chain late', '2026-12-08T10:00:00Z', 9, 7, '2026-12-17', '2026-12-21', '2026-12-22', -3],
    ['reducer', '2026-12-09T10:50:00Z', 3, 8, '2026-12-18', '2026-12-14', '2026-12-15', 3],
    ['reducer, bearings again', '2026-12-14T10:00:00Z', 2, 8, '2026-12-18', '2026-12-16', '2026-12-17', 1],
    // Ordered on the eve of Good Friday: Easter Monday is closed, and the clocks went forward on the Sunday between.
    ['over Easter', '2027-03-25T10:00:00Z', 1, 7, '2027-03-31', '2027-03-30', '2027-03-31', 0],
    // A quarter past midnight in the shop is the evening before at Greenwich: the order is Friday’s, not Thursday’s.
    ['after midnight', '2026-12-10T23:15:00Z', 1, 1, '2026-12-14', '2026-12-14', '2026-12-14', 0],
  ])('%s', (_, at, days, hoursLeft, dueOn, partsOn, readyOn, slack) => {
    expect(ready(ordered(at, days), { today: at.slice(0, 10), hoursLeft, dueOn })).toEqual({
      ...{ partsOn, readyOn, slack },
    });
  });

  it('follows the day that the supplier names, and is nobody’s to say once that is over', () => {
    const moved = record('m', '2026-12-11T08:00:00Z', {
      ...{ what: 'order-moved', orderId: 'order', on: '2026-12-21', note: '' },
    });
    const orders = ordered('2026-12-10T09:30:00Z', 3, moved);
    expect(ready(orders, { today: '2026-12-11', hoursLeft: 9, dueOn: '2026-12-18' })).toMatchObject({
      ...{ partsOn: '2026-12-21', readyOn: '2026-12-22', slack: -2 },
    });
    expect(ready(orders, { today: '2026-12-22', hoursLeft: 6, dueOn: '2026-12-18' })).toBeUndefined();
  });

  it('is nobody’s to say while a part has no order and no offer', () => {
    expect(ready([], { today: '2026-12-10', hoursLeft: 9, dueOn: '2026-12-18' })).toBeUndefined();
  });

  it('is told by working days', () => {
    expect([2, 1, 0, -1, -3].map(tellSlack)).toEqual([
      ...['2 working days in hand', '1 working day in hand', 'on the day it is due'],
      ...['1 working day late', '3 working days late'],
    ]);
  });
});

describe('what an owner is promised', () => {
  it('moves by working days when he answers later', () => {
    // Wednesday the 16th if he says yes on the 10th; on Friday the 11th a day more, on Saturday or Sunday no more, on Monday two.
    const until = '2026-12-10';
    const on = (day: string) => readyFrom('2026-12-16', until, day, CALENDAR);
    expect(['2026-12-09', '2026-12-10', '2026-12-11', '2026-12-12', '2026-12-14'].map(on)).toEqual([
      ...['2026-12-16', '2026-12-16', '2026-12-17', '2026-12-17', '2026-12-18'],
    ]);
    // Six working days after the 17th of December: 18, 21, 22, 23, 28, 29.
    expect(readyFrom('2026-12-17', '2026-12-10', '2026-12-18', CALENDAR)).toBe('2026-12-29');
  });

  it('from before there was such a day stays as it was written', () => {
    const older = { slips: [{ id: 'repair', readyOn: '2026-12-02' }] } as unknown as Quote;
    expect(quoteOn(older, '2027-01-05', CALENDAR)).toBe(older);
  });
});

/* In hundredths of a krona: hours at 620 kr, a quarter of tax on top. */
describe('the sum', () => {
  const money = { taxPercent: 25, hourPrice: 62_000 };
  it.each([
    ['five-speed box', 584_400, 11, 1_583_000],
    ['axle', 212_800, 13, 1_273_500],
    ['transfer case', 527_200, 10, 1_434_000],
    ['reducer', 177_600, 12, 1_152_000],
  ])('%s', (_, parts, hours, toPay) => {
    const net = parts + hours * money.hourPrice;
    expect(net + taxOn(net, money)).toBe(toPay);
  });
});
