import { catalogsAsShipped } from '@/catalog/shipped';
import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { partState } from '@/core/wear/partStanding';
import type { JobAnswer } from '@/model/jobStream';
import type { Finding, JobSnapshot, Reading } from '@/model/snapshot';
import { reaches, withAnswer } from './confirmed';
import { makeJobStore } from './jobStore';
import { overlaid } from './overlay';
import { partJudge } from './partStates';
import { queue, takeBack, takeCapture } from './queue';
import { listQueued, type QueuedCapture, removeQueued } from './queueStore';

const unitType = shippedUnitTypes().find(({ id }) => id === 'torvane-hx41')!;
const IN_FORCE = { unitType, catalogs: catalogsAsShipped() };
const reading = (id: string, over: Partial<Reading> = {}): Reading => ({
  ...{ id, author: 'Mirel', authorId: 'mirel', deviceTime: '', receivedAt: '', struck: null },
  ...{ positionId: 'ring-gear', checkId: 'backlash', place: 'tooth 1', raw: '0.2', unit: 'mm', value: 0.2 },
  ...{ gaugeId: 'dial', temperatureC: null },
  ...over,
});
const snapshotOf = (over: Partial<JobSnapshot> = {}): JobSnapshot =>
  ({
    job: { id: 'job-1', peg: 512, unitTypeId: unitType.id, unitTypeRevision: unitType.revision },
    ...{
      ...IN_FORCE,
      newestRevision: 1,
      tooClosePolicy: 'hold',
      acceptances: [],
      identities: [],
      gauges: [],
    },
    ...{
      readings: [],
      findings: [],
      photographs: [],
      recordings: [],
      records: [],
      grades: [],
      decisions: [],
    },
    ...{ cause: null, unitDecision: null, conflicts: [], reports: [] },
    ...over,
  }) as unknown as JobSnapshot;
const answer = (cursor: string, over: Partial<JobAnswer> = {}): JobAnswer => ({
  ...{ cursor, whole: false, shop: 1, newestRevision: 1, tooClosePolicy: 'hold' },
  ...over,
});
const first = (over: Partial<JobSnapshot> = {}) => ({ cursor: 'aa.5', shop: 1, snapshot: snapshotOf(over) });
const confirmed = (over: Partial<JobSnapshot> = {}) => ({ ...first(over), devices: [] });
const capture = (id: string, over: Partial<QueuedCapture> = {}): QueuedCapture => ({
  ...{ id, kind: 'reading', jobId: 'job-1', peg: 512, authorId: 'mirel', authorName: 'Mirel' },
  ...{ queuedAt: 1, status: 'waiting' },
  content: { ...reading(id), deviceTime: '2026-11-24T09:00:00.000Z' },
  ...over,
});
const MIREL = { id: 'mirel', name: 'Mirel' };

beforeEach(async () => {
  for (const { id } of await listQueued()) await removeQueued(id);
  queue.setState({ queued: [] });
  vi.stubGlobal('fetch', async () => {
    throw new TypeError('no network');
  });
});
afterEach(() => vi.unstubAllGlobals());

describe('what is confirmed', () => {
  it('takes changed rows in, in order, and leaves every other list the same object', () => {
    const before = confirmed({ readings: [reading('b'), reading('d')], findings: [] });
    const after = withAnswer(
      before,
      answer('aa.7', { readings: [reading('c'), reading('b', { raw: '0.3' })] }),
      'aa.5',
      IN_FORCE,
    )!;
    expect(after.snapshot.readings.map(({ id, raw }) => `${id} ${raw}`)).toEqual(['b 0.3', 'c 0.2', 'd 0.2']);
    expect(after.snapshot.findings).toBe(before.snapshot.findings);
    expect(after.snapshot.readings[2]).toBe(before.snapshot.readings[1]);
  });

  it('is the same object after an answer that says nothing new', () => {
    const before = confirmed();
    expect(withAnswer(before, answer('aa.5'), 'aa.5', IN_FORCE)).toBe(before);
    // Something happened in another job: the cursor goes on, what is shown does not change.
    const on = withAnswer(before, answer('aa.9'), 'aa.5', IN_FORCE)!;
    expect(on.cursor).toBe('aa.9');
    expect(on.snapshot).toBe(before.snapshot);
  });

  it('drops an answer that was overtaken, and asks again where one would leave a gap', () => {
    const before = { ...confirmed({ readings: [reading('a')] }), cursor: 'aa.9' };
    expect(withAnswer(before, answer('aa.7', { readings: [] }), 'aa.5', IN_FORCE)).toBe(before);
    expect(withAnswer(before, answer('aa.14', { readings: [] }), 'aa.12', IN_FORCE)).toBeUndefined();
    expect(withAnswer(before, answer('bb.1'), 'aa.9', IN_FORCE)).toBeUndefined();
  });

  it('begins anew with a whole answer of another life', () => {
    const before = confirmed({ readings: [reading('a')] });
    const restored = answer('bb.2', { whole: true, readings: [reading('z')] });
    expect(withAnswer(before, restored, 'aa.5', IN_FORCE)?.snapshot.readings).toMatchObject([{ id: 'z' }]);
    expect([reaches('aa.5', 'aa.5'), reaches('aa.6', 'aa.5'), reaches('bb.6', 'aa.5')]).toEqual([
      true,
      true,
      false,
    ]);
  });
});

describe('what waits, laid over it', () => {
  it('stands once, also while its row is confirmed already', () => {
    const held = snapshotOf({ readings: [reading('a')] });
    expect(overlaid(held, [capture('a'), capture('b')]).snapshot.readings.map(({ id }) => id)).toEqual([
      'a',
      'b',
    ]);
    expect(overlaid(held, []).snapshot).toBe(held);
  });

  it('shows a grade under the version that it will have, and a strike at once', () => {
    const held = snapshotOf({
      readings: [reading('a')],
      grades: [{ positionId: 'ring-gear', version: 2, grade: 1 } as never],
    });
    const grade = capture('g', {
      kind: 'grade',
      content: {
        positionId: 'ring-gear',
        version: 2,
        grade: 4,
        proposed: 3,
        reason: 'worse',
        rulesRevision: 1,
      },
    });
    const strike = capture('s', {
      kind: 'strike',
      content: { kind: 'reading', captureId: 'a', reason: 'a burr', slip: false },
    });
    const { snapshot } = overlaid(held, [grade, strike]);
    expect(snapshot.grades).toMatchObject([{ grade: 4, version: 3, by: 'Mirel' }]);
    expect(snapshot.readings).toMatchObject([{ id: 'a', struck: { reason: 'a burr', by: 'Mirel' } }]);
    // One that somebody else has graded meanwhile is shown as it was confirmed.
    const later = snapshotOf({ grades: [{ positionId: 'ring-gear', version: 5, grade: 2 } as never] });
    expect(overlaid(later, [grade]).snapshot.grades).toMatchObject([{ grade: 2, version: 5 }]);
  });
});

describe('the judgement of parts', () => {
  it('is made anew for the part whose facts changed, and for no other', () => {
    const judged: string[] = [];
    const judge = partJudge((position, ...rest) => {
      judged.push(position.id);
      return partState(position, ...rest);
    });
    const before = snapshotOf({ readings: [reading('a')] });
    const states = judge(before);
    expect(judged).toHaveLength(unitType.positions.length);
    judged.length = 0;
    const afterRows = [reading('b')];
    const after = judge({ ...before, readings: [...before.readings, ...afterRows] });
    expect(judged).toEqual(['ring-gear']);
    expect(
      after.filter((state, index) => state !== states[index]).map(({ position }) => position.id),
    ).toEqual(['ring-gear']);
    // The same facts in another snapshot: nothing is judged, and it is the same list.
    judged.length = 0;
    expect(judge({ ...before, readings: [...before.readings, ...afterRows] })).toBe(after);
    expect(judged).toEqual([]);
  });

  it('is what judging all of it at once gives', () => {
    const finding = { id: 'f', positionId: 'ring-gear', mode: 'scuffing', severity: 'light', struck: null };
    const snapshot = snapshotOf({
      readings: [reading('a', { value: 0.31, raw: '0.31' }), reading('b', { positionId: 'cross-pin' })],
      findings: [finding as unknown as Finding],
    });
    const quick = partJudge()(snapshot);
    const slow = partJudge((position, facts, ...rest) =>
      partState(position, { ...facts, ...snapshot }, ...rest),
    )(snapshot);
    expect(quick).toEqual(slow);
  });

  it('is the same with every kind of record that a bench puts down of a part', () => {
    const bearing = unitType.positions.find(({ family }) => family === 'rolling-bearing')!.id;
    const washer = unitType.positions.find(({ family }) => family === 'bush-washer-pin')!.id;
    const records = [
      { what: 'hand-test', positionId: bearing, testId: 'bearing-feel', result: 'cannot-say', note: '' },
      { what: 'hand-test', positionId: 'drive-flange', testId: 'spline-fit', result: 'fail', note: '' },
      { what: 'pieces-graded', positionId: 'ring-bolts', pieces: [{ grade: 4, count: 3 }] },
      { what: 'faces-graded', positionId: washer, worn: 3, other: 1 },
      { what: 'asked', positionId: 'ring-gear', words: 'open' },
      { what: 'asked', positionId: 'cross-pin', words: 'settled' },
      { what: 'count', positionId: 'cover-bolts', counted: 3 },
      { what: 'question-settled', askedId: 'r5', words: '' },
    ].map((content, index) => ({ ...reading(`r${index}`), content }));
    const snapshot = snapshotOf({ records: records as never });
    const whole = unitType.positions.map((position) => partState(position, snapshot, snapshot.catalogs));
    const quick = partJudge()(snapshot);
    expect(
      quick.map(({ position, proposal, openQuestions }) => [position.id, proposal, openQuestions]),
    ).toEqual(whole.map(({ position, proposal, openQuestions }) => [position.id, proposal, openQuestions]));
    const codesOf = (id: string) =>
      quick.find(({ position }) => position.id === id)!.openQuestions.map(({ code }) => code);
    expect(codesOf('ring-gear')).toContain('colleague-asked');
    expect(codesOf('cross-pin')).not.toContain('colleague-asked');
  });
});

describe('the store of an open job', () => {
  it('shows what is taken before anything is written or sent, and once', async () => {
    const store = makeJobStore(first(), 'mirel');
    const start = {
      kind: 'reading',
      jobId: 'job-1',
      peg: 512,
      author: MIREL,
      content: reading('x'),
    } as const;
    const taken = takeCapture({ ...start, content: { ...reading('x') } });
    expect(store.getState().snapshot.readings.map(({ id }) => id)).toEqual([taken.id]);
    await taken.kept;
    expect(store.getState().snapshot.readings).toHaveLength(1);
    expect((await listQueued()).map(({ id }) => id)).toEqual([taken.id]);
  });

  it('forgets what is taken back while it waits, without network and without a trace', async () => {
    const store = makeJobStore(first(), 'mirel');
    const taken = takeCapture({
      ...{ kind: 'reading', jobId: 'job-1', peg: 512, author: MIREL },
      content: { ...reading('x') },
    });
    await taken.kept;
    await takeBack({ kind: 'reading', jobId: 'job-1', peg: 512, author: MIREL }, taken.id);
    expect(store.getState().snapshot.readings).toEqual([]);
    expect(await listQueued()).toEqual([]);
  });

  it('strikes out what is stored already, as soon as there is a network', async () => {
    const store = makeJobStore(first({ readings: [reading('a')] }), 'mirel');
    await takeBack({ kind: 'reading', jobId: 'job-1', peg: 512, author: MIREL }, 'a');
    expect(store.getState().snapshot.readings).toMatchObject([{ id: 'a', struck: { slip: true } }]);
    expect(await listQueued()).toMatchObject([
      { kind: 'strike', content: { kind: 'reading', captureId: 'a', slip: true } },
    ]);
  });

  it('tells nobody anything when nothing changed', async () => {
    const store = makeJobStore(first(), 'mirel');
    const heard = vi.fn();
    store.subscribe(heard);
    await store.hear(answer('aa.5'), 'aa.5');
    await store.hear(answer('aa.5'), 'aa.5');
    queue.setState({ queued: [] });
    expect(heard).not.toHaveBeenCalled();
    await store.hear(answer('aa.6', { readings: [reading('a')] }), 'aa.5');
    expect(heard).toHaveBeenCalledTimes(1);
  });
});
