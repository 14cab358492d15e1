import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { catalogsAsShipped } from '@/catalog/shipped';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { NOTHING_TO_SEE } from '@/model/damage';
import type { RecordContent } from '@/model/recordKinds';
import type { BenchRecord, Reading } from '@/model/snapshot';
import { tellOpen } from '../open/tellOpen';
import { partState } from '../wear/partStanding';
import { baselineChecks, movedOn } from './baseline';
import { debrisBalance, unmatched } from './debris';
import { expectedPieces, inventory, inventoryQuestion } from './inventory';
import { orderFound } from './orderFound';
import { stepWords } from './stepWords';
import { rebuildOrder, shimsAsFound, stripPlan } from './stripPlan';

const type = shippedUnitTypes().find(({ id }) => id === 'torvane-hx41')!;
const transverse = shippedUnitTypes().find(({ id }) => id === 'skell-t5')!;
const box = shippedUnitTypes().find(({ id }) => id === 'skell-five')!;
let number = 0;
const record = (content: RecordContent, over: Partial<BenchRecord> = {}): BenchRecord => {
  number += 1;
  return {
    ...{ id: `r${number}`, author: 'Mirel', authorId: 'm', deviceTime: '2026-11-24T09:00:00.000Z' },
    ...{ receivedAt: '', struck: null, content },
    ...over,
  };
};
const struck = { struck: { at: '', by: '', reason: 'slip', slip: true } };
const step = (stepId: string, over: object = {}) => record({ what: 'step', stepId, ...over });
const count = (positionId: string, counted: number, over: object = {}) =>
  record({ what: 'count', positionId, counted, note: '', ...over });

describe('the strip plan', () => {
  it('begins with the first step and goes on where the first open one is, in whatever order they are done', () => {
    expect(stripPlan(type, []).next?.step.id).toBe('drain');
    const plan = stripPlan(type, [
      step('drain'),
      step('shafts'),
      step('cover-off', { skipped: true, reason: 'off' }),
    ]);
    expect(plan.next?.step.id).toBe('baseline');
    expect(plan.steps.slice(0, 4).map(({ state }) => state)).toEqual(['done', 'skipped', 'open', 'done']);
  });

  it('tells what a done step asked for and nobody put down, and nothing of one that is open or left out', () => {
    const unsaidOf = (plan: ReturnType<typeof stripPlan>, id: string) =>
      plan.steps.find((each) => each.step.id === id)?.unsaid;
    // Read off the transverse box's own list: two flanges that differ, and a stack below the main case.
    const flanges = transverse.steps.find(({ record: asked }) => asked.includes('side'))!.id;
    expect(unsaidOf(stripPlan(transverse, []), flanges)).toEqual([]);
    expect(unsaidOf(stripPlan(transverse, [step(flanges)]), flanges)).toEqual(['which side']);
    expect(unsaidOf(stripPlan(transverse, [step(flanges, { side: 'left' })]), flanges)).toEqual([]);
    const leftOut = step(flanges, { skipped: true, reason: 'off when it came' });
    expect(unsaidOf(stripPlan(transverse, [leftOut]), flanges)).toEqual([]);
    // Shims can be measured after it is apart; their own check stays open until they are.
    const lifted = transverse.steps.find(({ record: asked }) => asked.includes('shim thickness'))!;
    expect(unsaidOf(stripPlan(transverse, [step(lifted.id)]), lifted.id)).toEqual([]);
  });

  it('lets the last word hold, and a struck one count for nothing', () => {
    const plan = stripPlan(type, [
      step('drain', { skipped: true, reason: 'dry' }),
      step('drain', { note: 'a cupful after all' }),
      record({ what: 'step', stepId: 'cover-off' }, struck),
    ]);
    expect(plan.steps[0]).toMatchObject({
      state: 'done',
      record: { content: { note: 'a cupful after all' } },
    });
    expect(plan.steps[1]?.state).toBe('open');
    expect(plan.log).toHaveLength(1);
  });

  it('is the order in which it goes together, turned round; what was left out was never undone', () => {
    const plan = stripPlan(type, [
      step('drain'),
      step('caps'),
      record({ what: 'step', title: 'Cut the seized bolt' }),
      step('shafts', { skipped: true, reason: 'came without' }),
      step('case-out'),
    ]);
    expect(plan.added.map(({ content }) => content.title)).toEqual(['Cut the seized bolt']);
    expect(rebuildOrder(plan).map(({ content }) => content.stepId ?? content.title)).toEqual([
      'case-out',
      'Cut the seized bolt',
      'caps',
      'drain',
    ]);
  });

  it('names what is not to be used again, and the stacks whose shims are put down', () => {
    const { steps } = stripPlan(type, []);
    const named = (id: string) => steps.find((each) => each.step.id === id)!;
    expect(named('spiders-out').oneUse.map(({ id }) => id)).toContain('lock-pin');
    expect(named('case-out').stacks.map(({ id }) => id)).toEqual(['shim-left', 'shim-right']);
  });

  it('sums a stack from its shims: 2.40 + 1.00', () => {
    const done = step('case-out', {
      side: 'left',
      adjusterTurns: 1.5,
      looseWhenFound: true,
      shims: [
        { positionId: 'shim-left', thicknessMm: 2.4 },
        { positionId: 'shim-right', thicknessMm: 4.1 },
        { positionId: 'shim-left', thicknessMm: 1 },
      ],
    });
    const plan = stripPlan(type, [done]);
    expect(shimsAsFound(plan, 'shim-left')).toEqual([2.4, 1]);
    expect(shimsAsFound(plan, 'depth-shim')).toEqual([]);
    expect(stepWords(type, plan.log[0]!.content)).toBe(
      'Lift the differential out with its shims: left side; adjuster 1.50 turns out; Backlash stack, left 2.40 + 1.00 = 3.40 mm; Backlash stack, right 4.10 = 4.10 mm; loose before the spanner came',
    );
    expect(stepWords(type, step('drain', { skipped: true, reason: 'dry' }).content as never)).toContain(
      'left out, dry',
    );
  });
});

describe('the inventory', () => {
  const line = (id: string, ...records: BenchRecord[]) =>
    inventory(box, records).find(({ position }) => position.id === id)!;

  it('expects rows times pieces: two rows of 31 needles, one key three times', () => {
    const expected = (id: string) => expectedPieces(box.positions.find((position) => position.id === id)!);
    expect([expected('needles-3'), expected('keys-34'), expected('gear-3')]).toEqual([62, 3, 1]);
  });

  it.each([
    [[], 'not-counted', undefined],
    [[count('pilot-rollers', 14)], 'all-there', undefined],
    [[count('pilot-rollers', 13)], 'missing', '13 of 14 counted: 1 missing'],
    [[count('pilot-rollers', 16)], 'surplus', '16 counted where 14 belong: 2 too many'],
    [[count('pilot-rollers', 14, { wrong: true })], 'wrong', 'Not what belongs there'],
    // The last count holds.
    [[count('pilot-rollers', 13), count('pilot-rollers', 14)], 'all-there', undefined],
  ])('tells %j', (records, state, question) => {
    const found = line('pilot-rollers', ...records);
    expect(found.state).toBe(state);
    const asked = inventoryQuestion(found);
    expect(asked && tellOpen(asked)).toBe(question);
  });

  it('keeps a part with one roller short from passing for sound', () => {
    const facts = {
      ...{ readings: [], gauges: [], tooClosePolicy: 'hold' as const, acceptances: [] },
      unitType: { checks: [] },
    };
    const position = box.positions.find(({ id }) => id === 'pilot-rollers')!;
    const graded = {
      ...facts,
      findings: [
        {
          ...{ id: 'f', positionId: position.id, mode: NOTHING_TO_SEE, place: 'everywhere' },
          ...{ severity: 'light' as const, story: 'unknown' as const, note: '' },
          ...{ author: 'Mirel', authorId: 'm', deviceTime: '', receivedAt: '', struck: null },
        },
      ],
      grades: [
        {
          ...{ positionId: position.id, version: 1, grade: 0 as const, proposed: 0 as const, reason: '' },
          ...{ rulesRevision: 1, by: '', at: '' },
        },
      ],
    };
    const standing = (records: BenchRecord[]) =>
      partState(position, { ...graded, records }, catalogsAsShipped());
    expect(standing([]).standing).toBe('sound');
    expect(standing([count('pilot-rollers', 14)]).standing).toBe('sound');
    expect(standing([count('pilot-rollers', 13)])).toMatchObject({
      standing: 'open',
      openQuestions: [{ code: 'pieces-missing', counted: 13, expected: 14, positionId: position.id }],
    });
  });
});

describe('the debris balance', () => {
  const needle = record({ what: 'debris', piece: 'Half a needle', where: '', colour: 'grey' });
  it('is open until each piece is accounted for, or signed as lost', () => {
    expect(unmatched([needle])).toHaveLength(1);
    const match = record({ what: 'match', debrisId: needle.id, positionId: 'needles-3', note: '' });
    expect(unmatched([needle, match])).toEqual([]);
    const lost = record({ what: 'match', debrisId: needle.id, note: 'cage washed away' });
    expect(debrisBalance([needle, match, lost])[0]?.match?.content.note).toBe('cage washed away');
    expect(unmatched([needle, { ...match, ...struck }])).toHaveLength(1);
  });
});

describe('the baseline', () => {
  const reading = (over: Partial<Reading>): Reading => ({
    ...{ id: 'x', author: '', authorId: '', deviceTime: '', receivedAt: '', struck: null, gaugeId: 'g' },
    ...{ positionId: 'ring-gear', checkId: 'back-face-runout', place: '', raw: '0.05', unit: 'mm' as const },
    ...{ value: 0.05, temperatureC: null },
    ...over,
  });
  const lines = (records: BenchRecord[], readings: Reading[] = []) =>
    baselineChecks({ unitType: type, readings, records });
  const state = (records: BenchRecord[], readings: Reading[] = []) =>
    Object.fromEntries(lines(records, readings).map((line) => [line.check.id, line.state]));

  it('lists what must come first, open until it is read or can’t be', () => {
    expect(state([])).toEqual({ backlash: 'open', 'back-face-runout': 'open', 'pinion-torque': 'open' });
    const cannot = record({
      what: 'not-measured',
      checkId: 'pinion-torque',
      positionId: 'pinion',
      reason: 'seized',
    });
    expect(state([cannot], [reading({})])).toEqual({
      backlash: 'open',
      'back-face-runout': 'read',
      'pinion-torque': 'cannot',
    });
  });

  it('takes no reading for it that came after somebody went on without: it tells nothing of how it was set', () => {
    const gone = record({ what: 'moved-on', open: 3, reason: '' });
    const at = (deviceTime: string) => state([gone], [reading({ deviceTime })])['back-face-runout'];
    expect(at('2026-11-24T08:59:00.000Z')).toBe('read');
    expect(at('2026-11-24T09:01:00.000Z')).toBe('open');
    // Struck out, the going on never was.
    expect(
      state([{ ...gone, ...struck }], [reading({ deviceTime: '2026-11-24T09:01:00.000Z' })])[
        'back-face-runout'
      ],
    ).toBe('read');
  });

  it('takes no struck reading, and none of another part', () => {
    expect(state([], [reading(struck)])['back-face-runout']).toBe('open');
    expect(state([], [reading({ positionId: 'cover' })])['back-face-runout']).toBe('open');
  });

  it('knows whether somebody went on without', () => {
    expect(movedOn([])).toBeUndefined();
    expect(movedOn([record({ what: 'moved-on', open: 2, reason: 'no dial' })])?.content.open).toBe(2);
  });
});

describe('the order that was found', () => {
  const first = type.steps.map(({ id }) => id);
  const found = (...records: BenchRecord[]) =>
    orderFound(type, stripPlan(type, records))?.map(({ id }) => id);

  it('is nothing new while it is the type’s own, however far it has come', () => {
    expect(found()).toBeUndefined();
    expect(found(step('drain'), step('cover-off'))).toBeUndefined();
    expect(found(step('drain'), step('cover-off', { skipped: true, reason: 'off already' }))).toBeUndefined();
  });

  it('puts what was done earlier before what it overtook, and leaves the rest behind what it followed', () => {
    // By hand: shafts drawn before the cover came off; everything else stays where it was.
    expect(found(step('drain'), step('shafts'), step('cover-off'), step('baseline'))).toEqual([
      'drain',
      'shafts',
      'caps',
      'case-out',
      'ring-off',
      'spiders-out',
      'yoke-off',
      'pinion-out',
      'cover-off',
      'baseline',
    ]);
    expect(found(step('drain'), step('shafts'), step('cover-off'))).toHaveLength(first.length);
  });

  it('is nothing new once the type has taken the added step up: what was done then counts for it', () => {
    const records = [
      step('drain'),
      record({ what: 'step', title: 'Cut the seized bolt' }),
      step('cover-off'),
    ];
    const next = { ...type, steps: orderFound(type, stripPlan(type, records))! };
    const plan = stripPlan(next, records);
    expect(plan.steps[1]).toMatchObject({ state: 'done', step: { title: 'Cut the seized bolt' } });
    expect(plan.added).toEqual([]);
    expect(plan.log).toHaveLength(3);
    expect(orderFound(next, plan)).toBeUndefined();
  });

  it('takes up a step that nobody had foreseen, under an id that is free', () => {
    const added = record({ what: 'step', title: 'Cut the seized bolt' });
    const order = found(step('drain'), added, step('cover-off'));
    expect(order?.slice(0, 3)).toEqual(['drain', 'added-step', 'cover-off']);
    expect(order).toHaveLength(first.length + 1);
  });
});

describe('whatever order the steps are done in', () => {
  const ids = type.steps.map(({ id }) => id);
  const someOrder = fc.shuffledSubarray(ids);

  it('the order that is found holds every step once, and what was done in the order in which it was done', () => {
    fc.assert(
      fc.property(someOrder, (done) => {
        const plan = stripPlan(
          type,
          done.map((id) => step(id)),
        );
        const order = (orderFound(type, plan) ?? type.steps).map(({ id }) => id);
        expect([...order].sort()).toEqual([...ids].sort());
        expect(order.filter((id) => done.includes(id))).toEqual(done);
      }),
    );
  });

  it('the way back is the way there, turned round', () => {
    fc.assert(
      fc.property(someOrder, (done) => {
        const plan = stripPlan(
          type,
          done.map((id) => step(id)),
        );
        expect(rebuildOrder(plan).map(({ content }) => content.stepId)).toEqual([...done].reverse());
        expect(plan.steps.filter(({ state }) => state === 'done')).toHaveLength(done.length);
      }),
    );
  });
});
