import { v7 as uuidv7 } from 'uuid';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { tellOpen } from '@/core/open/tellOpen';
import { partStates } from '@/core/wear/partStates';
import type { JobAnswer } from '@/model/jobStream';
import type { Actor } from '@/model/people';
import { keepDecision } from '@/server/decide/decide';
import { keepGrade } from '@/server/grade/setGrade';
import { editJob } from '@/server/job/editJob';
import { gatherSnapshot, openBench } from '@/server/job/readSnapshot';
import { readStream } from '@/server/job/readStream';
import { keepRecord } from '@/server/strip/keepRecord';
import { noteFinding } from '@/server/strip/noteFinding';
import { strikeCapture } from '@/server/strip/strikeCapture';
import { takeReading } from '@/server/strip/takeReading';
import {
  bookTestUnit,
  captureHead,
  openTestShop,
  refusalOf,
  shippedRevision,
  type TestShop,
} from './fixtures/shop';

let shop: TestShop;
let jobId: string;
let inspector: Actor;
beforeEach(() => {
  shop = openTestShop();
  jobId = bookTestUnit(shop);
  inspector = shop.people.inspector;
});
afterEach(() => shop.close());

const ask = (since?: string, over: object = {}): JobAnswer =>
  readStream(inspector, shop.context, { jobId, since, shop: 0, ...over });
const read = (raw: string, by = inspector) =>
  takeReading(by, shop.context, {
    ...captureHead(jobId, by),
    ...{ positionId: 'ring-gear', checkId: 'backlash', place: 'tooth 1', raw, unit: 'mm', gaugeId: 'dial' },
  });
const see = (by = inspector) =>
  noteFinding(by, shop.context, {
    ...captureHead(jobId, by),
    ...{ positionId: 'ring-gear', mode: 'scuffing', place: 'drive flank', severity: 'light' },
    ...{ story: 'unknown', note: '' },
  });
const grade = (by: Actor, value: number, version = 0, id = uuidv7()) =>
  keepGrade(by, shop.context, {
    ...captureHead(jobId, by),
    ...{ id, positionId: 'ring-gear', version, grade: value, reason: 'seen so', proposed: null },
    ...{ rulesRevision: 1, evidence: [] },
  });

describe('the stream of a job', () => {
  it('answers everything to who has nothing, and nothing new to who has everything', () => {
    read('0.21');
    const all = ask();
    expect(all).toMatchObject({ whole: true, job: { id: jobId }, cause: null, grades: [] });
    expect(all.readings).toHaveLength(1);
    expect(all).not.toHaveProperty('unitType');
    const again = ask(all.cursor, { shop: all.shop });
    expect(again).toEqual({
      ...{ cursor: all.cursor, whole: false, shop: all.shop },
      ...{ newestRevision: shippedRevision(), tooClosePolicy: 'hold' },
    });
    // An open bench that asks every fifteen seconds must not cost the shop anything.
    expect(JSON.stringify(again).length).toBeLessThan(200);
  });

  it('answers only what changed behind the cursor, struck rows as they are now', () => {
    const { id } = read('0.21');
    read('0.22');
    const { cursor, shop: revision } = ask();
    const since = () => ask(cursor, { shop: revision });
    strikeCapture(inspector, shop.context, { kind: 'reading', captureId: id, reason: 'a burr' });
    expect(since().readings).toMatchObject([{ id, raw: '0.21', struck: { reason: 'a burr' } }]);
    see();
    keepRecord(inspector, shop.context, {
      ...captureHead(jobId, inspector),
      content: { what: 'order', why: 'easier' },
    });
    grade(inspector, 2);
    const { readings, findings, records, grades, ...rest } = since();
    expect([readings, findings, records, grades].map((rows) => rows?.length)).toEqual([1, 1, 1, 1]);
    expect(rest).not.toHaveProperty('photographs');
    expect(rest).not.toHaveProperty('gauges');
    expect(rest).not.toHaveProperty('job');
  });

  it('tells every kind of change: the same rows as a whole answer, gathered piece by piece', () => {
    // By brute force: after each act the pieces laid together must be what a fresh reader gets.
    let held = ask();
    const acts = [
      () => read('0.2'),
      () => see(),
      () => grade(inspector, 3),
      () => grade(shop.people.lead, 2, 1),
      () =>
        keepDecision(inspector, shop.context, {
          ...captureHead(jobId, inspector),
          ...{
            positionId: 'ring-gear',
            version: 0,
            decision: 'replace',
            reason: 'worn',
            proposed: 'replace',
          },
          evidence: [],
        }),
      () => strikeCapture(inspector, shop.context, { kind: 'finding', captureId: see().id, reason: 'dirt' }),
    ];
    for (const act of acts) {
      act();
      const next = ask(held.cursor, { shop: held.shop });
      expect(next.whole).toBe(false);
      const merged = (kind: 'readings' | 'findings' | 'grades' | 'decisions', key: string) => {
        const rows = new Map<unknown, unknown>();
        for (const row of [...(held[kind] ?? []), ...(next[kind] ?? [])])
          rows.set((row as unknown as Record<string, unknown>)[key], row);
        return [...rows.values()];
      };
      const whole = ask();
      expect(merged('readings', 'id')).toEqual(whole.readings);
      expect(merged('findings', 'id')).toEqual(whole.findings);
      expect(merged('grades', 'positionId')).toEqual(whole.grades);
      expect(merged('decisions', 'positionId')).toEqual(whole.decisions);
      held = whole;
    }
  });

  it.each([
    ['of another life', 'deadbeef.1'],
    ['from the future', undefined],
    ['that is none', "1'; DROP TABLE jobs"],
  ])('answers everything to a cursor %s', (_, cursor) => {
    read('0.21');
    const { cursor: own } = ask();
    const future = `${own.split('.')[0]}.${Number(own.split('.')[1]) + 1000}`;
    expect(ask(cursor ?? future)).toMatchObject({ whole: true, readings: [{ raw: '0.21' }] });
  });

  it('gives a change of job, gauge or rule to who has the older one', () => {
    const { cursor, shop: revision, job } = ask();
    shop.context.db.prepare("UPDATE gauges SET calibrated_until = '2028-01-01' WHERE id = 'dial'").run();
    const later = ask(cursor, { shop: revision });
    expect(later.gauges).toMatchObject([{ id: 'dial', calibratedUntil: '2028-01-01' }]);
    const { id: _, peg: __, bookedAt: ___, bookedBy: ____, distanceKm: _____, ...fields } = job!;
    editJob(shop.people.lead, shop.context, { jobId, edit: { ...fields, machine: 'trailer 9' } });
    expect(ask(cursor, { shop: revision }).job).toMatchObject({ machine: 'trailer 9' });
  });

  it('opens a bench with the cursor that its snapshot belongs to', () => {
    read('0.21');
    const bench = openBench(inspector, shop.context, { peg: 501 });
    expect(bench.snapshot.readings).toHaveLength(1);
    expect(ask(bench.cursor, { shop: bench.shop })).not.toHaveProperty('readings');
    read('0.22');
    expect(ask(bench.cursor, { shop: bench.shop }).readings).toMatchObject([{ raw: '0.22' }]);
  });

  it('keeps the last word of each device on what waits there, and no word of who has nothing', () => {
    const device = uuidv7();
    ask(undefined, { device: { id: device, waiting: 0 } });
    expect(ask().devices).toEqual([]);
    ask(undefined, { device: { id: device, waiting: 3 } });
    expect(ask().devices).toMatchObject([{ deviceId: device, waiting: 3, person: 'The inspector' }]);
    ask(undefined, { device: { id: device, waiting: 0 } });
    expect(ask().devices).toEqual([]);
  });
});

describe('a grade that was put down without network', () => {
  it('is refused where nobody has looked, whatever reason is given', () => {
    const refused = refusalOf(() => grade(inspector, 3));
    expect([refused.code, refused.message]).toEqual([
      'bad-input',
      'Nobody has said yet what is seen on this part. Nothing to see, or a finding, comes first.',
    ]);
    expect(gatherSnapshot(shop.context.db, jobId).grades).toEqual([]);
  });

  it('is stored once, however often it is sent', () => {
    see();
    const id = uuidv7();
    expect(grade(inspector, 3, 0, id).stored).toBe('now');
    expect(grade(inspector, 3, 0, id).stored).toBe('already');
    expect(gatherSnapshot(shop.context.db, jobId).grades).toMatchObject([{ grade: 3, version: 1 }]);
  });

  it('loses against another’s, is kept beside it, and stays an open question until somebody grades again', () => {
    see();
    grade(inspector, 3);
    expect(grade(shop.people.lead, 1).stored).toBe('now');
    const part = () =>
      partStates(gatherSnapshot(shop.context.db, jobId)).find(({ position }) => position.id === 'ring-gear')!;
    const { grades, conflicts } = gatherSnapshot(shop.context.db, jobId);
    expect(grades).toMatchObject([{ grade: 3, by: 'The inspector' }]);
    expect(conflicts).toMatchObject([{ kind: 'grade', author: 'The lead', content: { grade: 1 } }]);
    const question = 'Graded 1 by The lead too, without knowing of the other';
    expect(part().openQuestions.map(tellOpen).join()).toContain(question);
    grade(shop.people.lead, 2, 1);
    expect(part().openQuestions.map(tellOpen).join()).not.toContain(question);
    expect(part().grade).toBe(2);
  });

  it('asks for a reason where it differs from what the rules proposed at the bench', () => {
    const bare = (proposed: number | null) => () =>
      keepGrade(inspector, shop.context, {
        ...captureHead(jobId, inspector),
        ...{ positionId: 'ring-gear', version: 0, grade: 4, reason: '', proposed, rulesRevision: 1 },
        evidence: [],
      });
    expect(refusalOf(bare(2)).message).toContain('Say why you grade it so');
    expect(bare(4)().stored).toBe('now');
  });

  it('belongs to who put it down', () => {
    const capture = { ...captureHead(jobId, shop.people.lead), positionId: 'ring-gear' };
    const stolen = { ...capture, version: 0, grade: 0, reason: 'x', proposed: null, rulesRevision: 1 };
    expect(refusalOf(() => keepGrade(inspector, shop.context, stolen)).code).toBe('other-author');
    expect(gatherSnapshot(shop.context.db, jobId).grades).toEqual([]);
  });
});

describe('which is last', () => {
  const heardNow = () => shop.context.now().getTime();
  /** A count of the ring, sent by a device whose clock says `deviceNow`, of the time that the device noted. */
  const sent = (counted: number, deviceId: string, deviceTime: string, deviceNow: string) =>
    keepRecord(
      inspector,
      { ...shop.context, sentBy: { deviceId, deviceNow: Date.parse(deviceNow), heardNow: heardNow() } },
      {
        ...captureHead(jobId, inspector),
        deviceTime,
        content: { what: 'count', positionId: 'ring-gear', counted, note: '' },
      },
    );
  const inOrder = () =>
    gatherSnapshot(shop.context.db, jobId).records.map(({ content, clockJumped }) =>
      content.what === 'count' ? `${content.counted}${clockJumped ? ' by receipt' : ''}` : '',
    );

  it('is told by the device’s time and how far its clock was off, so that a clock a day ahead rules over nobody', () => {
    // By hand: the tablet is 24 h ahead; it counted at 08:10 of the shop's day, the other at 08:20.
    shop.setTime('2026-11-24T08:30:00.000Z');
    sent(1, 'ahead', '2026-11-25T08:10:00.000Z', '2026-11-25T08:30:00.000Z');
    sent(2, 'right', '2026-11-24T08:20:00.000Z', '2026-11-24T08:30:00.000Z');
    expect(inOrder()).toEqual(['1', '2']);
  });

  it('is told by the receipt where the clock has jumped since the device was heard last, and marked', () => {
    shop.setTime('2026-11-24T08:00:00.000Z');
    sent(1, 'tablet', '2026-11-24T07:59:00.000Z', '2026-11-24T08:00:00.000Z');
    shop.setTime('2026-11-24T08:10:00.000Z');
    sent(2, 'tablet', '2026-11-24T08:05:00.000Z', '2026-11-24T11:10:00.000Z');
    shop.setTime('2026-11-24T08:20:00.000Z');
    sent(3, 'tablet', '2026-11-24T11:15:00.000Z', '2026-11-24T11:20:00.000Z');
    expect(inOrder()).toEqual(['1', '2 by receipt', '3']);
  });

  it('keeps the order of one device, however long each of its captures took to be heard', () => {
    // The second one came over a quick network, the first over a slow one: measured, the clock seems to differ by half a second.
    shop.setTime('2026-11-24T08:30:00.700Z');
    sent(1, 'tablet', '2026-11-24T08:29:59.000Z', '2026-11-24T08:30:00.000Z');
    shop.setTime('2026-11-24T08:30:00.900Z');
    sent(2, 'tablet', '2026-11-24T08:29:59.100Z', '2026-11-24T08:30:00.800Z');
    expect(inOrder()).toEqual(['1', '2']);
  });

  it('keeps the order of one device where one of its captures was seconds on its way', () => {
    // Its clock is right; the second was four seconds on its way, and would seem to have happened after the third.
    shop.setTime('2026-11-24T08:30:00.100Z');
    sent(1, 'tablet', '2026-11-24T08:29:59.000Z', '2026-11-24T08:30:00.000Z');
    shop.setTime('2026-11-24T08:30:04.200Z');
    sent(2, 'tablet', '2026-11-24T08:29:59.100Z', '2026-11-24T08:30:00.200Z');
    shop.setTime('2026-11-24T08:30:04.400Z');
    sent(3, 'tablet', '2026-11-24T08:29:59.200Z', '2026-11-24T08:30:04.300Z');
    expect(inOrder()).toEqual(['1', '2', '3']);
  });

  it('is told by the receipt where a capture would have happened after it: a time to come rules over nobody', () => {
    shop.setTime('2026-11-24T08:30:00.000Z');
    // It says its clock is right, and notes a time a year ahead; and one that says nothing of its clock does the same.
    sent(1, 'lying', '2027-11-24T08:00:00.000Z', '2026-11-24T08:30:00.000Z');
    shop.setTime('2026-11-24T08:31:00.000Z');
    keepRecord(inspector, shop.context, {
      ...captureHead(jobId, inspector),
      deviceTime: '2027-11-24T08:00:00.000Z',
      content: { what: 'count', positionId: 'ring-gear', counted: 2, note: '' },
    });
    shop.setTime('2026-11-24T08:40:00.000Z');
    sent(3, 'right', '2026-11-24T08:35:00.000Z', '2026-11-24T08:40:00.000Z');
    expect(inOrder()).toEqual(['1 by receipt', '2 by receipt', '3']);
  });

  it('never refuses a capture for its time', () => {
    expect(sent(1, 'lost', '1970-01-01T00:00:00.000Z', '1970-01-01T00:00:05.000Z').stored).toBe('now');
    expect(inOrder()).toEqual(['1']);
  });
});
