import { describe, expect, it } from 'vitest';
import { catalogsAsShipped } from '@/catalog/shipped';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import type { RecordContent } from '@/model/recordKinds';
import type { BenchRecord, PartDecision } from '@/model/snapshot';
import { openOfRebuild } from './openOfRebuild';
import { piecesIn } from './piecesIn';
import { PROOF_HOW } from './proofHow';
import { proofLines } from './proofList';
import { rebuildPlan } from './rebuildPlan';
import { setUpsOf } from './setUp';

const unitType = shippedUnitTypes()
  .filter(({ id }) => id === 'torvane-hx41')
  .reduce((newest, type) => (type.revision > newest.revision ? type : newest));
let count = 0;
const record = (content: RecordContent): BenchRecord => {
  count += 1;
  const at = new Date(Date.UTC(2026, 10, 24, 9, count)).toISOString();
  return {
    ...{ id: `record-${count}`, author: 'Tovik Harn', authorId: 'x', deviceTime: at, receivedAt: at },
    ...{ struck: null, content },
  };
};
const job = (records: BenchRecord[], decisions: PartDecision[] = []) => ({
  ...{ unitType, records, decisions, catalogs: catalogsAsShipped() },
  ...{ readings: [], gauges: [], timeZone: 'UTC' },
});
/** Draining and reading the baseline took nothing off. */
const undone = unitType.steps.filter(({ id }) => id !== 'drain' && id !== 'baseline');
const stripped = unitType.steps.map(({ id }) =>
  record({
    ...{ what: 'step', stepId: id },
    ...(id === 'cover-off' ? { orientation: { face: 'number', toward: 'rear' } } : {}),
  } as RecordContent),
);

describe('the way back', () => {
  it('is the strip the other way round, with how it lay; what was added at the bench is in it', () => {
    const added = record({ what: 'step', title: 'Take the odd bracket off', note: 'two washers' });
    const plan = rebuildPlan(job([...stripped, added]));
    expect(plan.map(({ id }) => id)).toEqual([added.id, ...undone.map(({ id }) => id).reverse()]);
    expect(plan[0]).toMatchObject({ title: 'Take the odd bracket off', lay: 'two washers' });
    expect(plan.find(({ id }) => id === 'cover-off')!.lay).toContain('number toward the rear');
    // The axle's own list asks for the marks of the caps; nobody gave them.
    const marked = unitType.steps.find(({ record: asked }) => asked.includes('match marks'))!;
    expect(plan.find(({ id }) => id === marked.id)!.unsaid).toContain('match marks');
    expect(plan[0]!.unsaid).toEqual([]);
  });

  it('says what is new, what is never used twice, and before which pieces a groove must show', () => {
    const decision = { positionId: 'head-bearing', decision: 'replace' } as PartDecision;
    const plan = rebuildPlan(job(stripped, [decision]));
    const all = (of: 'renewed' | 'oneUse' | 'clips') => plan.flatMap((step) => step[of].map(({ id }) => id));
    expect(all('renewed')).toEqual(['head-bearing']);
    // By the description: what is of one use and lies in a step.
    const inSteps = new Set(unitType.steps.flatMap(({ positions }) => positions));
    expect(new Set(all('oneUse'))).toEqual(
      new Set(unitType.positions.filter(({ id, oneUse }) => oneUse && inSteps.has(id)).map(({ id }) => id)),
    );
  });

  it('left out at the strip, a step was never undone and doesn’t come back', () => {
    const plan = rebuildPlan(
      job([
        record({
          what: 'step',
          stepId: 'cover-off',
          skipped: true,
          reason: 'off when it came',
        } as RecordContent),
      ]),
    );
    expect(plan).toEqual([]);
  });
});

describe('bolts', () => {
  const step = unitType.steps.find(({ torque }) => (torque?.bolts ?? 0) > 2)!;
  const tick = (bolt: number, stage: number, held = true) =>
    record({ what: 'torqued', of: step.id, bolt, stage, held } as RecordContent);
  const ticksOf = (...records: BenchRecord[]) =>
    rebuildPlan(job([...stripped, ...records])).find(({ id }) => id === step.id)!.bolts!;

  it('go round the star, stage by stage, until every one holds at the last', () => {
    const { order, stages, count: bolts } = ticksOf();
    expect(stages).toHaveLength(3);
    expect(stages[2]).toBeCloseTo(step.torque!.aim ?? (step.torque!.min + step.torque!.max) / 2, 9);
    expect(stages[0]! / stages[2]!).toBeCloseTo(0.3, 9);
    const done: BenchRecord[] = [];
    const gone: [number, number][] = [];
    for (let left = ticksOf(...done); left.next; left = ticksOf(...done)) {
      gone.push([left.next.stage, left.next.bolt]);
      done.push(tick(left.next.bolt, left.next.stage));
    }
    expect(gone).toEqual([0, 1, 2].flatMap((stage) => order.map((bolt) => [stage, bolt])));
    expect(gone).toHaveLength(3 * bolts);
  });

  it('that still turned is out, and its round comes again; another bolt’s or another step’s tick changes nothing', () => {
    const { order } = ticksOf();
    const first = order[0]!;
    const { out, next } = ticksOf(tick(first, 0, false), tick(9999 % 200, 0));
    expect(out).toEqual([first]);
    expect(next).toEqual({ bolt: first, stage: 0 });
    expect(ticksOf(tick(first, 0, false), tick(first, 0)).out).toEqual([]);
  });
});

describe('the bench, counted down', () => {
  const coverOff = unitType.steps.find(({ id }) => id === 'cover-off')!;
  const refit = record({ what: 'refitted', of: 'cover-off', note: '' });
  const pieces = (...records: BenchRecord[]) => {
    const { records: all, ...rest } = job([...stripped, ...records]);
    return piecesIn(unitType, rebuildPlan({ ...rest, records: all }), all);
  };
  const of = (id: string, list: ReturnType<typeof pieces>) =>
    list.find(({ position }) => position.id === id)!;

  it('a piece is in with its step, unless it was counted', () => {
    const part = coverOff.positions[0]!;
    expect(of(part, pieces()).state).toBe('open');
    expect(of(part, pieces(refit)).state).toBe('all-in');
    const { expected } = of(part, pieces());
    const less = record({ what: 'counted-in', positionId: part, counted: expected - 1, note: '' });
    expect(of(part, pieces(refit, less)).state).toBe('missing');
    const more = record({ what: 'counted-in', positionId: part, counted: expected + 1, note: '' });
    expect(of(part, pieces(refit, more)).state).toBe('too-many');
  });

  it('lets lie where it is what never came off', () => {
    const coverAlone = stripped.filter(
      ({ content }) => content.what === 'step' && content.stepId === 'cover-off',
    );
    const { records, ...rest } = job(coverAlone);
    const list = piecesIn(unitType, rebuildPlan({ ...rest, records }), records);
    expect(new Set(list.map(({ position }) => position.id))).toEqual(new Set(coverOff.positions));
    // Taken apart whole, what no step names is counted too.
    expect(pieces().length).toBeGreaterThan(list.length);
  });

  it('asks nothing before it has begun; then for each step, its bolts, and what is left over or missing', () => {
    expect(openOfRebuild(job(stripped))).toEqual([]);
    const part = coverOff.positions[0]!;
    const less = record({ what: 'counted-in', positionId: part, counted: 0, note: '' });
    const open = openOfRebuild(job([...stripped, refit, less]));
    expect(open.filter(({ code }) => code === 'not-refitted')).toHaveLength(undone.length - 1);
    expect(open.filter(({ code }) => code === 'bolts-open')).toHaveLength(
      unitType.steps.filter(({ torque }) => torque).length,
    );
    expect(open.find(({ code }) => code === 'pieces-not-in')).toMatchObject({ positionId: part, counted: 0 });
  });
});

describe('the set-up of a gear set', () => {
  const round = (backlash: number, over: object = {}) =>
    record({
      ...{ what: 'setup-round', pair, gaugeId: 'dial', note: '' },
      teeth: [0, 10, 20, 30].map((tooth) => ({ tooth, backlash })),
      ...over,
    } as RecordContent);
  const { pair } = setUpsOf({ unitType, records: [], gauges: [] }, [])[0]!;
  const setUp = (...records: BenchRecord[]) => setUpsOf({ unitType, records, gauges: [] }, [])[0]!;

  it('is of its ring and pinion, by the band that the maker sets on rebuild', () => {
    // By the description of this unit: 0.15 to 0.20 mm, aim 0.17.
    expect(setUp()).toMatchObject({
      ringPosition: 'ring-gear',
      ringTeeth: 41,
      rounds: [],
      advice: undefined,
    });
    expect(setUp().band).toMatchObject({ min: 0.15, max: 0.2, aim: 0.17 });
    // The side gears of the differential are no such set: nothing sets their backlash.
    expect(setUpsOf({ unitType, records: [], gauges: [] }, [])).toHaveLength(1);
  });

  it('tells the next move from all rounds, and lets what lies in its band be', () => {
    const first = setUp(round(0.33));
    expect(first.advice).toMatchObject({ status: 'move', move: { depth: 0 } });
    expect(first.advice!.move!.ring).toBeLessThan(-0.15);
    const done = setUp(round(0.33), round(0.175, { moved: { ring: -0.22, depth: 0, asTold: true } }));
    expect(done.advice?.status).toBe('in-band');
    expect(done.means).toEqual([0.33, 0.175]);
  });

  it('aims at the patch where the type says, and at the usual place where it says nothing', () => {
    const at = (length: number) => ({
      drive: { length, height: 0.5 },
      coast: { length, height: 0.5 },
    });
    const toHeel = {
      ...unitType,
      gears: unitType.gears.map((gear) => ({
        ...gear,
        patternAim: { fromToe: 0.6, fromRoot: 0.5, tolerance: 0.1 },
      })),
    };
    const advise = (type: typeof unitType, length: number) =>
      setUpsOf({ unitType: type, records: [round(0.17, at(length))], gauges: [] }, [])[0]!;
    expect(advise(unitType, 0.45)).toMatchObject({ isUsualPattern: true, advice: { status: 'in-band' } });
    expect(advise(unitType, 0.62).advice?.status).not.toBe('in-band');
    expect(advise(toHeel, 0.62)).toMatchObject({ isUsualPattern: false, advice: { status: 'in-band' } });
    expect(advise(toHeel, 0.45).advice?.status).not.toBe('in-band');
  });

  it('says in words what its sum can’t take', () => {
    const wrong = setUp(
      record({
        what: 'setup-round',
        pair,
        gaugeId: 'dial',
        note: '',
        teeth: [{ tooth: 90, backlash: 0.2 }],
      } as RecordContent),
    );
    expect(wrong.advice).toBeUndefined();
    expect(wrong.trouble).toContain('41 teeth');
  });
});

describe('the list of proofs', () => {
  it('says of every line of every shipped type how it is done', () => {
    const lines = shippedUnitTypes().flatMap((type) => proofLines(type));
    expect(lines.length).toBeGreaterThan(40);
    expect(lines.filter(({ id, how }) => (how ?? PROOF_HOW[id] ?? '') === '')).toEqual([]);
  });
});
