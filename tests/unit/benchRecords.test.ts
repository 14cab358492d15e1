import { v7 as uuidv7 } from 'uuid';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { stationCounts } from '@/core/decisions/stationCounts';
import { tellMeasured } from '@/core/imaging/tellMeasured';
import { composeReport } from '@/core/report/composeReport';
import { partStates } from '@/core/wear/partStates';
import type { Actor } from '@/model/people';
import type { RecordContent } from '@/model/recordKinds';
import { readLabAnswer } from '@/server/devices/laboratory';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { storePhotograph } from '@/server/photos/storePhotograph';
import { keepOrder } from '@/server/strip/keepOrder';
import { keepRecord } from '@/server/strip/keepRecord';
import { strikeCapture } from '@/server/strip/strikeCapture';
import { takeReading } from '@/server/strip/takeReading';
import { readAllTypes } from '@/server/unit-types/exchange';
import {
  bookTestUnit,
  captureHead,
  openTestShop,
  phoneJpeg,
  refusalOf as refused,
  sha256Of,
  shippedRevision,
  streamOf,
  type TestShop,
} from './fixtures/shop';

let shop: TestShop;
let jobId: string;
beforeEach(() => {
  shop = openTestShop();
  jobId = bookTestUnit(shop);
});
afterEach(() => shop.close());

const keep = (content: RecordContent, id = uuidv7(), actor: Actor = shop.people.inspector) =>
  keepRecord(actor, shop.context, {
    id,
    jobId,
    authorId: shop.people.inspector.id,
    deviceTime: '2026-11-24T09:00:00.000Z',
    content,
  });
const snapshot = () => gatherSnapshot(shop.context.db, jobId);
const counts = (station: string) => {
  const of = snapshot();
  return stationCounts(of, partStates(of)).find(({ id }) => id === station);
};
const open = (station: string) => counts(station)?.open;
const report = () => {
  const of = snapshot();
  return composeReport({
    shop: { name: '', place: '', contact: '' },
    snapshot: of,
    parts: partStates(of),
  });
};
const oil: RecordContent = {
  what: 'drained',
  litres: 1.2,
  colour: 'brown',
  smell: 'as oil',
  water: 'none',
  magnet: ['slivers'],
  glitter: 'grey',
  note: '',
};

describe('a bench record', () => {
  it('is stored once, however often it is sent, under its author', () => {
    const id = uuidv7();
    expect(keep(oil, id)).toEqual({ id, jobId, stored: 'now' });
    expect(keep(oil, id)).toEqual({ id, jobId, stored: 'already' });
    expect(snapshot().records).toMatchObject([{ id, author: 'The inspector', content: oil, struck: null }]);
    expect(refused(() => keep({ ...oil, litres: 2 }, id)).code).toBe('conflict');
    expect(snapshot().conflicts).toHaveLength(1);
    expect(refused(() => keep(oil, uuidv7(), shop.people.lead)).code).toBe('other-author');
  });

  it('that puts a reading right is for who may judge, names what there is, and leaves the reading as it was taken', () => {
    const taken = takeReading(shop.people.inspector, shop.context, {
      ...captureHead(jobId, shop.people.inspector),
      ...{ positionId: 'ring-gear', checkId: 'backlash', place: 'tooth 1', raw: '0.21', unit: 'mm' },
      gaugeId: 'dial',
    });
    const move = (place: string, readingId = taken.id): RecordContent => ({
      ...{ what: 'readings-moved', moves: [{ readingId, place }], reason: 'began a tooth late' },
    });
    const { apprentice } = shop.people;
    const byApprentice = { ...captureHead(jobId, apprentice), content: move('tooth 2') };
    expect(refused(() => keepRecord(apprentice, shop.context, byApprentice)).code).toBe('no-right');
    expect(refused(() => keep(move('tooth 99'))).message).toContain('has no place “tooth 99”');
    expect(refused(() => keep(move('tooth 2', uuidv7()))).message).toContain('not of this job');
    const gauge = { what: 'reading-gauge', readingId: taken.id, gaugeId: 'borrowed', reason: 'x' } as const;
    expect(refused(() => keep(gauge)).message).toContain('not on the list');
    keep(move('tooth 2'));
    expect(snapshot().readings).toMatchObject([
      { raw: '0.21', place: 'tooth 2', corrected: { place: 'tooth 1', by: 'The inspector' } },
    ]);
    const stored = shop.context.db.prepare('SELECT place FROM readings WHERE id = ?').get(taken.id);
    expect(stored).toEqual({ place: 'tooth 1' });
  });

  it('of a sample at the laboratory keeps the drain open, in the report too, until its answer is taken over', () => {
    keep(oil);
    const sample = uuidv7();
    keep({ what: 'lab-sent', sample: 'bottle 12', distanceKm: 91000 }, sample);
    expect(open('drain')).toBe(1);
    expect(JSON.stringify(report().open)).toContain(
      'Sample bottle 12: the laboratory’s figures are not here',
    );
    const ask = () => readLabAnswer(shop.people.inspector, shop.context, { jobId, sampleId: sample });
    expect(ask()).toEqual({ state: 'waiting' });
    // The laboratory takes twenty seconds.
    const later = (seconds: number) =>
      shop.setTime(new Date(shop.context.now().getTime() + seconds * 1000).toISOString());
    later(19);
    expect(ask()).toEqual({ state: 'waiting' });
    later(1);
    expect(ask()).toMatchObject({
      state: 'answered',
      table: expect.stringContaining('Parameter;Result;Unit'),
    });
    const lab = {
      what: 'lab',
      sample: 'bottle 12',
      values: [{ element: 'iron', value: 80 }],
      note: '',
    } as const;
    expect(refused(() => keep({ ...lab, values: [...lab.values], answersId: uuidv7() })).message).toContain(
      'No such sample',
    );
    keep({ ...lab, values: [...lab.values], answersId: sample });
    expect(open('drain')).toBe(0);
    expect(
      refused(() => readLabAnswer(shop.people.inspector, shop.context, { jobId, sampleId: uuidv7() })).code,
    ).toBe('not-found');
  });

  it('of a measured picture names a photograph of this job, and shares between nothing and all', async () => {
    const bytes = await phoneJpeg();
    const photographId = uuidv7();
    const store = (of: string) =>
      storePhotograph(shop.people.inspector, shop.context, {
        capture: {
          ...{ id: photographId, jobId: of, authorId: shop.people.inspector.id, fileName: 'flank.jpg' },
          ...{ deviceTime: '2026-11-24T09:00:00.000Z', bytes: bytes.length, digest: sha256Of(bytes) },
        },
        body: streamOf(bytes),
      });
    const measured = {
      what: 'picture-measured',
      ...{ photographId, positionId: 'ring-gear', method: 1, confidence: 0.9 },
      corners: [
        [0, 0],
        [40, 0],
        [40, 30],
        [0, 30],
      ],
      found: { kind: 'pits', areaFraction: 0.04, count: 3 },
    } satisfies RecordContent;
    await store(bookTestUnit(shop, { peg: 777 }));
    expect(refused(() => keep(measured)).message).toContain('not of this job');
    jobId = gatherSnapshot(shop.context.db, jobId).job.id;
    const own = uuidv7();
    await storePhotograph(shop.people.inspector, shop.context, {
      capture: {
        ...{ id: own, jobId, authorId: shop.people.inspector.id, fileName: 'flank.jpg' },
        ...{ deviceTime: '2026-11-24T09:00:00.000Z', bytes: bytes.length, digest: sha256Of(bytes) },
      },
      body: streamOf(bytes),
    });
    keep({ ...measured, photographId: own });
    expect(refused(() => keep({ ...measured, photographId: own, confidence: 1.2 })).code).toBe('bad-input');
    expect(tellMeasured(measured)).toBe('3 pits, 4.0 % of the surface; confidence 0.90');
    expect(tellMeasured({ ...measured, confidence: 0.2 })).toBe('The pits can’t be read from this picture');
    // A hand that corrects what was taken doesn't make a poor picture a good one.
    expect(tellMeasured({ ...measured, confidence: 0.2, byHand: true })).toContain('not to be relied on');
  });

  it('is struck out with a reason and then counts for nothing', () => {
    const id = uuidv7();
    expect(open('drain')).toBe(1);
    keep(oil, id);
    expect(open('drain')).toBe(0);
    strikeCapture(shop.people.inspector, shop.context, {
      kind: 'record',
      captureId: id,
      reason: 'another unit’s',
    });
    expect(open('drain')).toBe(1);
    expect(snapshot().records[0]?.struck).toMatchObject({ reason: 'another unit’s' });
  });

  it.each<[string, object, string]>([
    [
      'a count below zero',
      { what: 'count', positionId: 'cover', counted: -1, note: '' },
      'a count can’t be below zero',
    ],
    [
      'half a piece',
      { what: 'count', positionId: 'cover', counted: 0.5, note: '' },
      'a whole number is needed',
    ],
    [
      'a part of another unit',
      { what: 'count', positionId: 'needles-3', counted: 1, note: '' },
      'no part “needles-3”',
    ],
    ['litres below zero', { ...oil, litres: -1 }, 'must not be below zero'],
    ['a magnet that nobody looked at', { ...oil, magnet: [] }, 'say what hung on the magnet'],
    ['a step of another unit', { what: 'step', stepId: 'tail-off' }, 'no step “tail-off”'],
    ['a step without words', { what: 'step' }, 'Say what was done'],
    ['a step left out without a reason', { what: 'step', stepId: 'drain', skipped: true }, 'Say why'],
    [
      'a shim of no thickness',
      { what: 'step', stepId: 'case-out', shims: [{ positionId: 'shim-left', thicknessMm: 0 }] },
      'must be greater than 0',
    ],
    [
      'a check that the part has not',
      { what: 'not-measured', checkId: 'backlash', positionId: 'cover', reason: 'x' },
      'no check “backlash”',
    ],
    [
      'a piece of another job',
      { what: 'match', debrisId: uuidv7(), positionId: 'cover', note: '' },
      'not on the list',
    ],
    [
      'an element that nobody judges',
      { what: 'lab', sample: 'A', note: '', values: [{ element: 'gold', value: 1 }] },
      'no element',
    ],
    ['a sample without figures', { what: 'lab', sample: 'A', note: '', values: [] }, 'at least one figure'],
    ['a caution that is none', { what: 'caution-seen', cautionId: 'dragons' }, 'no such caution'],
    ['something unknown', { what: 'weather' }, 'no records of the kind “weather”'],
  ])('refuses %s and stores nothing', (_, content, message) => {
    expect(refused(() => keep(content as RecordContent)).message).toContain(message);
    expect(snapshot().records).toEqual([]);
  });
});

describe('what the bench recorded', () => {
  it('is open at its station until it is done', () => {
    const steps = snapshot().unitType.steps.length;
    // Three checks and the contact pattern.
    expect([open('drain'), open('baseline'), open('strip')]).toEqual([1, 4, steps]);
    keep({ what: 'step', stepId: 'drain' });
    keep({ what: 'not-measured', checkId: 'backlash', positionId: 'ring-gear', reason: 'no teeth left' });
    expect([open('baseline'), open('strip')]).toEqual([3, steps - 1]);
    keep({ what: 'moved-on', open: 2, reason: 'no dial here' });
    expect(open('baseline')).toBe(0);
    // One that can’t be done and two that were given up: none of them is done.
    expect(counts('baseline')).toMatchObject({ open: 0, done: 0, left: 3 });
    keep({ what: 'step', stepId: 'cover-off', skipped: true, reason: 'came without' });
    expect(counts('strip')).toMatchObject({ open: steps - 2, done: 1, left: 1 });
    const piece = uuidv7();
    keep(oil);
    keep({ what: 'debris', piece: 'Sliver', where: '', colour: 'yellow' }, piece);
    keep({ what: 'match', debrisId: piece, note: 'washed away' });
    expect(counts('drain')).toMatchObject({ open: 0, done: 1, left: 1 });
  });

  it('stands in the report as open: a piece short, debris without a source, a baseline that can’t be had any more', () => {
    const debris = uuidv7();
    keep({ what: 'debris', piece: 'Half a needle', where: 'sump', colour: 'grey' }, debris);
    keep({ what: 'count', positionId: 'ring-bolts', counted: 9, note: '' });
    keep({ what: 'moved-on', open: 3, reason: '' });
    const questions = (name: string) => report().open.find((part) => part.name === name)?.questions;
    expect(questions('Ring bolts')).toContain('9 of 10 counted: 1 missing');
    expect(questions('Found in the oil')).toEqual([
      'Not drained: nobody has looked at the oil',
      'Half a needle: nothing accounts for it yet',
    ]);
    expect(questions('As it was set')).toContain('Backlash of Ring gear: not read before it came apart');
    keep({ what: 'match', debrisId: debris, positionId: 'head-bearing', note: '' });
    keep(oil);
    expect(questions('Found in the oil')).toBeUndefined();
    expect(refused(() => keep({ what: 'match', debrisId: debris, note: '' })).message).toContain('Say why');
  });
});

describe('a reading that comes after the strip began', () => {
  it('does not close what the baseline left open, neither on the run nor in the report', () => {
    keep({ what: 'moved-on', open: 3, reason: '' });
    takeReading(shop.people.inspector, shop.context, {
      ...{ id: uuidv7(), jobId, authorId: shop.people.inspector.id, deviceTime: '2026-11-24T09:30:00.000Z' },
      ...{
        positionId: 'ring-gear',
        checkId: 'back-face-runout',
        place: '',
        raw: '0.05',
        unit: 'mm' as const,
      },
      gaugeId: 'dial',
    });
    expect(counts('baseline')).toMatchObject({ done: 0, left: 3 });
    expect(report().open.find(({ name }) => name === 'As it was set')?.questions).toContain(
      'Back-face run-out of Ring gear: not read before it came apart',
    );
  });
});

describe('an order that was found on the job', () => {
  const order = (note = 'the shafts come out easier first') =>
    keepOrder(shop.people.lead, shop.context, { jobId, note });
  it('becomes the next revision of the type on the lead’s word; the job keeps its own', () => {
    keep({ what: 'step', stepId: 'drain' });
    expect(refused(order).message).toContain('in the order that its type has already');
    keep({ what: 'step', stepId: 'shafts' });
    keep({ what: 'step', title: 'Cut the seized bolt' });
    keep({ what: 'step', stepId: 'cover-off' });
    keep({ what: 'order', why: 'the shafts come out easier first' });
    expect(order()).toEqual({ revision: shippedRevision() + 1 });
    expect(snapshot().unitType.revision).toBe(shippedRevision());
    const type = readAllTypes(shop.people.lead, shop.context, undefined).find(
      ({ id }) => id === 'torvane-hx41',
    );
    const titles = type?.steps.map(({ title }) => title) ?? [];
    expect(titles.indexOf('Draw the axle shafts')).toBeLessThan(titles.indexOf('Cut the seized bolt'));
    expect(titles.indexOf('Cut the seized bolt')).toBeLessThan(titles.indexOf('Take the cover off'));
    expect(refused(() => keepOrder(shop.people.inspector, shop.context, { jobId, note: 'x' })).code).toBe(
      'no-right',
    );
  });
});

describe('a part that is worked on', () => {
  it('does not go in before it was measured within, or its work was dropped', () => {
    keep({ what: 'step', stepId: 'yoke-off' });
    keep({
      ...{ what: 'rework', positionId: 'yoke', act: 'polish', words: 'seal land', max: 0.05 },
      ...{ sentTo: '', process: '' },
    });
    const goIn = () => keep({ what: 'refitted', of: 'yoke-off', note: '' });
    expect(refused(goIn)).toMatchObject({
      code: 'conflict',
      message: expect.stringContaining('still worked on'),
    });
    expect(snapshot().records.some(({ content }) => content.what === 'refitted')).toBe(false);
    const { id } = snapshot().records.find(({ content }) => content.what === 'rework')!;
    keep({ what: 'rework-dropped', of: id, reason: 'a new one comes' });
    goIn();
    expect(snapshot().records.some(({ content }) => content.what === 'refitted')).toBe(true);
  });
});
