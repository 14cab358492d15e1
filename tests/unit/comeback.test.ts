import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { countComebacks } from '@/db/comebacks';
import { findJob } from '@/db/jobs';
import { bookIn } from '@/server/book-in/bookIn';
import { readHistory } from '@/server/book-in/history';
import { decideUnit } from '@/server/decide/decide';
import { handOverUnit } from '@/server/job/handOverUnit';
import { readEarlier } from '@/server/job/readEarlier';
import { keepRecord } from '@/server/strip/keepRecord';
import { takeReading } from '@/server/strip/takeReading';
import { bookTestUnit, captureHead, openTestShop, refusalOf, type TestShop } from './fixtures/shop';

let shop: TestShop;
beforeEach(() => {
  shop = openTestShop();
});
afterEach(() => shop.close());

const counter = (over: object = {}) =>
  bookIn(shop.people.inspector, shop.context, {
    ...{ peg: 900, customer: 'Mill', customerContact: '', machine: 'loader 3', unitTypeId: 'torvane-hx41' },
    ...{ unitTitle: 'Axle head', unitFamily: 'hypoid-axle', serial: '', tag: '', complaint: 'howls again' },
    ...{ symptoms: [], oilClaimed: '', history: '', dueOn: '2026-12-01' },
    ...over,
  }).jobId;
const measuredAfter = (jobId: string, value: number) =>
  keepRecord(shop.people.inspector, shop.context, {
    ...captureHead(jobId, shop.people.inspector),
    content: {
      ...{ what: 'measured-after', checkId: 'back-face-runout', positionId: 'ring-gear', place: '' },
      ...{ value, raw: String(value), unit: 'mm', gaugeId: 'dial', asInVehicle: false },
    },
  } as never);

describe('a unit that comes back', () => {
  it('is found by its machine and owner, with what it was set to and by whom', () => {
    const first = counter();
    measuredAfter(first, 0.03);
    const { earlier } = readHistory(shop.people.inspector, shop.context, {
      ...{ serial: '', peg: 0, machine: 'Loader 3', customer: 'mill' },
    });
    expect(earlier).toMatchObject([
      {
        jobId: first,
        customer: 'Mill',
        set: [{ title: 'Back-face run-out, Ring gear', value: 0.03, unit: 'mm' }],
      },
    ]);
    expect(earlier[0]!.set[0]!.by).not.toBe('');
    const ask = (machine: string, customer: string) =>
      readHistory(shop.people.inspector, shop.context, { serial: '', peg: 0, machine, customer }).earlier;
    expect(ask('loader 3', 'Somebody else')).toEqual([]);
    expect(ask('', '')).toEqual([]);
  });

  it('is a comeback of a job that is here, and counts as one', () => {
    expect(refusalOf(() => counter({ comebackOf: 'nobody' })).message).toContain('isn’t here');
    const first = counter({ serial: 'HX-7' });
    handOverUnit(shop.people.lead, shop.context, { jobId: first, handedOver: true });
    const second = counter({ peg: 901, comebackOf: first });
    expect(findJob(shop.context.db, second)?.comebackOf).toEqual({ jobId: first, peg: 900 });
    expect(findJob(shop.context.db, first)?.comebackOf).toBeUndefined();
    // Nothing was decided of the first: of units without a decision nothing is counted.
    expect(countComebacks(shop.context.db, 'hypoid-axle', '2099-01-01')).toEqual([]);
    decideUnit(shop.people.lead, shop.context, {
      ...captureHead(first, shop.people.lead),
      ...{ version: 0, decision: 'repair', reason: 'bearings', watch: '' },
    });
    expect(countComebacks(shop.context.db, 'hypoid-axle', '2099-01-01')).toEqual([
      { decision: 'repair', cases: 1, back: 1 },
    ]);
  });

  it('has its own closing values beside what is read now, and those of a sister', () => {
    const sister = bookTestUnit(shop, { peg: 80 });
    takeReading(shop.people.inspector, shop.context, {
      ...captureHead(sister, shop.people.inspector),
      ...{ checkId: 'back-face-runout', positionId: 'ring-gear', place: '', raw: '0.05', unit: 'mm' },
      gaugeId: 'dial',
    } as never);
    const first = counter();
    measuredAfter(first, 0.03);
    const second = counter({ peg: 901, comebackOf: first });
    const { beside } = readEarlier(shop.people.inspector, shop.context, { jobId: second });
    expect(beside).toMatchObject([
      { kind: 'earlier', peg: 900, values: [{ checkId: 'back-face-runout', left: 0.03, found: undefined }] },
      { kind: 'sister', peg: 80, values: [{ checkId: 'back-face-runout', found: 0.05, left: undefined }] },
    ]);
    // Of a unit that has neither nothing is made up.
    expect(readEarlier(shop.people.inspector, shop.context, { jobId: 'nobody' }).beside).toEqual([]);
  });
});
