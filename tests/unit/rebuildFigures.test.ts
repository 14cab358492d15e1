import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { afterValues, limitsAfter } from '@/core/rebuild/afterValues';
import { boltTicks } from '@/core/rebuild/boltTicks';
import { closingOf, openOfClosing } from '@/core/rebuild/closing';
import { floatsOf } from '@/core/rebuild/floats';
import { needleRooms } from '@/core/rebuild/needleRoom';
import { drawerOf, exchanged, packMove, packNow } from '@/core/rebuild/packs';
import { proofsOf } from '@/core/rebuild/proofs';
import { tellCounted } from '@/core/rebuild/ratioByHand';
import { REWORK_NAMES, reworkRule } from '@/core/rebuild/reworkRules';
import { heldByRework, reworkTickets } from '@/core/rebuild/reworkTickets';
import { roundsOf } from '@/core/rebuild/rounds';
import { adjusterMove } from '@/core/setup/adjusterMove';
import { firstDepthStack } from '@/core/setup/pinionDepth';
import { carrierTorque, preloadAdvice } from '@/core/setup/preload';
import { isOfUnknownKind, kindOfPart } from '@/core/unit-type/kindOfPart';
import type { RecordContent } from '@/model/recordKinds';
import type { BenchRecord, Gauge, PartDecision } from '@/model/snapshot';

/* Figures of a rebuild against hand calculations: each says which. */

const typeOf = (id: string) =>
  shippedUnitTypes()
    .filter((type) => type.id === id)
    .reduce((newest, type) => (type.revision > newest.revision ? type : newest));
let count = 0;
const record = (content: Record<string, unknown>): BenchRecord => {
  count += 1;
  const at = new Date(Date.UTC(2026, 10, 28, 9, count)).toISOString();
  return {
    ...{ id: `record-${count}`, author: 'Tovik Harn', authorId: 'x', deviceTime: at, receivedAt: at },
    ...{ struck: null, content: content as RecordContent },
  };
};
const gauge = (id: string, unit: 'mm' | 'Nm', error: number): Gauge => ({
  ...{ id, name: id, kind: 'dial indicator', unit, resolution: error, maxPermissibleError: error },
  ...{ repeatability: error / 2, calibratedUntil: '2027-06-30' },
});
const GAUGES = [gauge('dial', 'mm', 0.002), gauge('wrench', 'Nm', 0.05), gauge('coarse', 'mm', 0.05)];
const job = (id: string, records: BenchRecord[]) => ({
  ...{ unitType: typeOf(id), records, readings: [], gauges: GAUGES, timeZone: 'UTC' },
  decisions: [] as PartDecision[],
});

describe('packs of shims', () => {
  const { stacks } = typeOf('torvane-hx41');
  const [left, right, depth] = ['B', 'C', 'D'].map(
    (letter) => stacks.find((each) => each.letter === letter)!,
  );
  const now = (stack: { letter: string }) =>
    ({ B: [2.4, 0.5, 0.36], C: [4.1, 0.14], D: [0.98] })[stack.letter] ?? [];
  const drawer = drawerOf(left!);
  const onHand = [{ drawer, pieces: [0.26, 0.24, 0.14, 0.1].map((thickness) => ({ thickness, count: 1 })) }];

  it('0.10 toward the pinion comes out of one side and goes into the other, so that together nothing changes', () => {
    const told = packMove({ move: { ring: -0.1, depth: 0 }, stacks, now, onHand });
    // By hand: B 3.26 − 0.10 = 3.16 = 2.40 + 0.50 + 0.26; C 4.24 + 0.10 = 4.34 = 4.10 + 0.24.
    expect(told.packs.map(({ stack, becomes }) => [stack.letter, becomes])).toEqual([
      ['B', 3.16],
      ['C', 4.34],
    ]);
    expect(exchanged(told.packs[0]!)).toEqual({ out: [0.36], in: [0.26] });
    expect(exchanged(told.packs[1]!)).toEqual({ out: [0.14], in: [0.24] });
    expect([told.ring, told.packs[0]!.toBuy]).toEqual([-0.1, undefined]);
  });

  it('moves no more pieces than it must, and what leaves one side may go into the other', () => {
    // By hand: B 3.26 − 0.22 = 3.04 = 2.40 + 0.50 + 0.14, the 0.14 from C; C 4.24 + 0.22 = 4.46 = 4.10 + 0.36, from B.
    const told = packMove({ move: { ring: -0.22, depth: 0 }, stacks, now, onHand: [] });
    expect(told.packs.map(({ after }) => after)).toEqual([
      [2.4, 0.5, 0.14],
      [4.1, 0.36],
    ]);
    // Three pieces of another kind would come as near: 2.50 + 0.36 + 0.24; only one is exchanged.
    const more = [{ drawer, pieces: [2.5, 0.24, 0.2, 0.3].map((thickness) => ({ thickness, count: 1 })) }];
    const one = packMove({ move: { ring: -0.16, depth: 0 }, stacks, now, onHand: more });
    expect(exchanged(one.packs[0]!)).toEqual({ out: [0.36], in: [0.2] });
    expect(exchanged(one.packs[1]!)).toEqual({ out: [0.14], in: [0.3] });
  });

  it('says what to buy where nothing on hand makes it, and what the move then comes to', () => {
    const told = packMove({ move: { ring: -0.1, depth: 0 }, stacks, now, onHand: [] });
    const short = told.packs.filter(({ toBuy }) => toBuy !== undefined);
    expect(short.length).toBeGreaterThan(0);
    for (const { target, becomes } of short) expect(Math.abs(becomes - target)).toBeGreaterThan(0.01);
  });

  it('names the stack whose pieces nobody has put down', () => {
    const told = packMove({
      ...{ move: { ring: 0, depth: 0.05 }, stacks, onHand: [] },
      now: (stack) => (stack.letter === 'D' ? [] : now(stack)),
    });
    expect(told.trouble).toContain('Which shims lie in D');
  });

  it('a stack that was moved without a word on its pieces is not known any more', () => {
    const unitType = typeOf('torvane-hx41');
    const shims = [{ positionId: 'shim-left', thicknessMm: 3.26 }];
    const strip = record({ what: 'step', stepId: 'case-out', shims });
    const round = (over: object) =>
      record({
        ...{ what: 'setup-round', pair: 'p', gaugeId: 'dial', note: '' },
        ...{ teeth: [{ tooth: 0, backlash: 0.2 }], ...over },
      });
    const now = (...rounds: BenchRecord[]) => packNow({ unitType, records: [strip, ...rounds] }, 'p', left!);
    const moved = { ring: -0.1, depth: 0, asTold: false };
    expect(now()).toEqual([3.26]);
    expect(now(round({ moved: { ...moved, ring: 0 } }))).toEqual([3.26]);
    expect(now(round({ moved }))).toEqual([]);
    const said = { packs: [{ stackId: left!.id, pieces: [0.76, 2.4] }] };
    expect(now(round({ moved }), round({ moved, ...said }))).toEqual([2.4, 0.76]);
  });

  it('the depth goes by the sign of its stack', () => {
    const thick = [{ drawer: drawerOf(depth!), pieces: [{ thickness: 1.03, count: 1 }] }];
    const told = packMove({ move: { ring: 0, depth: 0.05 }, stacks, now, onHand: thick });
    expect(told.packs[0]).toMatchObject({ was: 0.98, becomes: 1.03, after: [1.03] });
    const away = stacks.map((stack) => (stack.letter === 'D' ? { ...stack, sign: -1 as const } : stack));
    const thin = [{ drawer: drawerOf(depth!), pieces: [{ thickness: 0.93, count: 1 }] }];
    expect(
      packMove({ move: { ring: 0, depth: 0.05 }, stacks: away, now, onHand: thin }).packs[0],
    ).toMatchObject({
      becomes: 0.93,
    });
    expect(drawerOf(left!)).toBe(drawerOf(right!));
  });
});

describe('bolts', () => {
  const torque = { min: 90, max: 110, aim: 100, bolts: 2 };
  const next = (over: object, ...stages: number[]) =>
    boltTicks(
      'ring-off',
      { ...torque, ...over },
      stages.flatMap((stage) =>
        [0, 1].map((bolt) => record({ what: 'torqued', of: 'ring-off', bolt, stage, held: true })),
      ),
    );

  it('go three rounds of torque, then an angle, then their lock: each a tick of its own', () => {
    const plain = next({}, 0, 1, 2);
    expect([plain.rounds, plain.next, plain.stages]).toEqual([3, undefined, [30, 60, 100]]);
    expect(next({ plusDeg: 60 }, 0, 1, 2).next).toEqual({ bolt: expect.any(Number), stage: 3 });
    const both = { plusDeg: 60, lock: 'tab bent over' };
    expect(next(both, 0, 1, 2, 3).next).toMatchObject({ stage: 4 });
    expect(next(both, 0, 1, 2, 3, 4).next).toBeUndefined();
    expect(next({ leftHand: true, newBolts: true })).toMatchObject({ leftHand: true, newBolts: true });
  });

  it('that close the case go round in one word; what holds a wheel or a shaft never in its last rounds, nor what nobody told', () => {
    const case_ = { holds: 'case' as const };
    expect([next(case_), next(case_, 0), next(case_, 0, 1)].map((ticks) => ticks.wholeRound.length)).toEqual([
      2, 2, 2,
    ]);
    for (const over of [{ holds: 'wheel-or-shaft' as const }, {}])
      expect([next(over), next(over, 0), next(over, 0, 1)].map((ticks) => ticks.wholeRound.length)).toEqual([
        2, 2, 0,
      ]);
    // An angle and a lock are seen bolt by bolt whatever they hold.
    const both = { ...case_, plusDeg: 60, lock: 'tab bent over' };
    expect(next(both, 0, 1, 2).wholeRound).toEqual([]);
    expect(next(both, 0, 1, 2, 3).wholeRound).toEqual([]);
  });

  it('told in one word hold each, and one that turned is no part of it', () => {
    const turned = record({ what: 'torqued', of: 'ring-off', bolt: 1, stage: 0, held: false });
    const { wholeRound } = boltTicks('ring-off', torque, [turned]);
    expect(wholeRound).toEqual([0]);
    const round = record({ what: 'round-torqued', of: 'ring-off', stage: 0, bolts: wholeRound });
    expect(boltTicks('ring-off', torque, [turned, round])).toMatchObject({
      ...{ next: { bolt: 1, stage: 0 }, out: [1] },
    });
    const mended = record({ what: 'torqued', of: 'ring-off', bolt: 1, stage: 0, held: true });
    expect(boltTicks('ring-off', torque, [turned, round, mended]).next?.stage).toBe(1);
  });

  it('in the shipped types each step says what its bolts hold; ring gears, caps, nuts and flanges are ticked alone', () => {
    // Read once by hand over every step that has a torque: these close a case and hold nothing that turns.
    const closesACase = [
      ...['torvane-lk43 lock-out', 'torvane-lk43 head-out', 'orlop-t2 drain', 'orlop-t2 rear-off'],
      ...['torvane-hx41 cover-off', 'ostrevik-w3 servos', 'ostrevik-w3 end-off', 'skell-five tail-off'],
      ...['skell-t5 drain', 'skell-t5 cover-off', 'skell-t5 case-off'],
    ];
    const told = shippedUnitTypes().flatMap(({ id, steps }) =>
      steps.flatMap((step) => (step.torque ? [[`${id} ${step.id}`, step.torque.holds] as const] : [])),
    );
    expect(told.filter(([, holds]) => holds === undefined)).toEqual([]);
    expect(told.flatMap(([step, holds]) => (holds === 'case' ? [step] : [])).sort()).toEqual(
      closesACase.sort(),
    );
  });
});

describe('loose needles', () => {
  it('tell whether a row holds one more than the list says', () => {
    const room = (id: string, position: string) =>
      needleRooms(typeOf(id)).find(({ positionId }) => positionId === position)!;
    // By hand: asin(2.4 ÷ 16.5) = 0.14597 rad, π ÷ 0.14597 = 21.5: 21 go in; 16.5 · (π − 21 · 0.14597) = 1.26 mm.
    expect(room('orlop-t2', 'planet-needles')).toMatchObject({ listed: 21, most: 21 });
    expect(room('orlop-t2', 'planet-needles').gap).toBeCloseTo(1.26, 1);
    // asin(3 ÷ 21) = 0.14335, π ÷ 0.14335 = 21.9: 21 would go in where 14 stand.
    expect(room('skell-five', 'pilot-rollers')).toMatchObject({ listed: 14, most: 21 });
    expect(room('skell-five', 'pilot-rollers').words).toContain('count them');
  });
});

describe('adjusters', () => {
  it('stand only at their notches: a thread of 1.5 mm with 24 of them moves 0.0625 a notch', () => {
    // By hand: 0.16 ÷ 0.0625 = 2.56, so three notches, 0.1875 mm.
    expect(adjusterMove(-0.16, { pitchMm: 1.5, notches: 24 })).toEqual({
      ...{ notches: 3, moved: -0.1875, perNotch: 0.0625 },
    });
    expect(adjusterMove(0.03, { pitchMm: 1.5, notches: 24 }).notches).toBe(0);
  });
});

describe('the first stack under a pinion', () => {
  it('is the old one, corrected by what is etched and by the bearing', () => {
    const road = { road: 'old-shim', oldShim: 1.02, oldBearing: 22, newBearing: 21.98 } as const;
    // By hand: + means thinner: 1.02 + (0.05 − (−0.02)) + (22.00 − 21.98) = 1.11.
    const by = { ...road, oldEtched: 0.05, newEtched: -0.02, plusMeans: 'thinner' } as const;
    expect(firstDepthStack(by, 1)).toBeCloseTo(1.11, 9);
    // The other way of counting: 1.02 − 0.07 + 0.02 = 0.97.
    expect(firstDepthStack({ ...by, plusMeans: 'thicker' }, 1)).toBeCloseTo(0.97, 9);
  });

  it('measured, is what is left between seat, bearing and mounting distance; a cartridge turns the sign', () => {
    const by = { road: 'measured', seatToAxis: 84.2, bearing: 22, mounting: 61.04 } as const;
    expect(firstDepthStack(by, 1)).toBeCloseTo(1.16, 9);
    expect(firstDepthStack({ ...by, mounting: 63.36 }, -1)).toBeCloseTo(1.16, 9);
  });
});

describe('the preload', () => {
  const asked = { band: { min: 1.6, max: 2.4 }, doubt: 0.1, bearings: 'new', turns: 20 } as const;
  const act = (steady: number, sleeve: 'none' | 'old' | 'new' | 'solid' = 'new', turns = 20) =>
    preloadAdvice({ ...asked, steady, sleeve, turns }).act;

  it('only ever goes tighter on a sleeve: past the band it is a new one, never backed off', () => {
    expect([act(1.1), act(2), act(2.6), act(2.6, 'old')]).toEqual([
      'tighter',
      'within',
      'new-sleeve',
      'new-sleeve',
    ]);
    const words = preloadAdvice({ ...asked, steady: 2.6, sleeve: 'new' }).words;
    expect(words).toContain('a new sleeve');
    expect([act(2.6, 'solid'), act(2.6, 'none')]).toEqual(['thicker-spacer', 'looser']);
  });

  it('is turned before it is believed, and too close is said so', () => {
    expect([act(2, 'new', 3), act(2.38), act(1.62)]).toEqual(['turn-first', 'too-close', 'too-close']);
  });

  it('tells how far the nut usually goes: 0.9 N·m at 0.5 and 0.2 a degree', () => {
    // By hand: aim 2.0 − 1.1 = 0.9; 0.9 ÷ 0.5 = 1.8°, 0.9 ÷ 0.2 = 4.5°.
    const { degrees, toGo } = preloadAdvice({ ...asked, steady: 1.1, sleeve: 'new' });
    expect(toGo).toBeCloseTo(0.9, 9);
    expect(degrees!.map((each) => Math.round(each * 10) / 10)).toEqual([1.8, 4.5]);
    // Total 2.6 less the pinion's 2.2, times 41 ÷ 11.
    expect(carrierTorque(2.6, 2.2, 41 / 11)).toBeCloseTo(1.4909, 4);
  });
});

describe('a reading that is repeated', () => {
  it('stands in place of the one before and is no round', () => {
    const first = { what: 'setup-round', pair: 'p', gaugeId: 'dial', note: '' };
    const teeth = (value: number) => [{ tooth: 3, backlash: value }];
    const rounds = roundsOf(
      [
        record({
          ...first,
          teeth: [{ tooth: 0, backlash: 0.2 }, ...teeth(0.9)],
          drive: { length: 0.3, height: 0.5 },
        }),
        record({ ...first, teeth: teeth(0.21), again: true }),
      ],
      'p',
    );
    expect(rounds).toHaveLength(1);
    expect(rounds[0]!.content.teeth).toEqual([
      { tooth: 0, backlash: 0.2 },
      { tooth: 3, backlash: 0.21 },
    ]);
    expect(rounds[0]!.content.drive).toEqual({ length: 0.3, height: 0.5 });
  });
});

describe('figures of the rebuilt unit', () => {
  const measured = (raw: string, gaugeId = 'dial', place = '') =>
    record({
      ...{ what: 'measured-after', checkId: 'main-float', positionId: 'shim-input', place, raw },
      ...{ unit: 'mm', value: Number(raw), gaugeId, asInVehicle: true },
    });
  const value = (...records: BenchRecord[]) =>
    afterValues(job('skell-five', records)).find(({ check }) => check.id === 'main-float')!;

  it('are judged by what it is set up to, never mixed with what was found; the last of a place counts', () => {
    expect([
      value().state,
      value(measured('0.1')).state,
      value(measured('0.1'), measured('0.3')).state,
    ]).toEqual([...['open', 'within', 'beyond']]);
    // A gauge that doubts 0.05 can't tell a band of 0.10.
    expect(value(measured('0.14', 'coarse')).state).toBe('too-close');
    const both = { limits: [{ kind: 'service' }, { kind: 'set-up' }] } as never;
    expect(limitsAfter(both)).toEqual([{ kind: 'set-up' }]);
  });

  it('a turning torque is judged by the band of the bearings that are in', () => {
    const torque = record({
      ...{ what: 'measured-after', checkId: 'pinion-torque', positionId: 'pinion', place: '', raw: '2' },
      ...{ unit: 'Nm', value: 2, gaugeId: 'wrench', asInVehicle: true },
    });
    const state = (decisions: PartDecision[], ...records: BenchRecord[]) =>
      afterValues({ ...job('torvane-hx41', [torque, ...records]), decisions }).find(
        ({ check }) => check.id === 'pinion-torque',
      )!.state;
    // By the book of this axle: used bearings 0.8 to 1.2, new ones 1.6 to 2.4.
    expect(state([])).toBe('beyond');
    expect(state([{ positionId: 'head-bearing', decision: 'replace' } as PartDecision])).toBe('within');
    const said = {
      what: 'turning-torque',
      pair: 'pin-ring',
      of: 'pinion',
      gaugeId: 'wrench',
      steady: 2,
      seal: 0,
    };
    const onDrag = record({ ...said, bearings: 'new', sleeve: 'old', turns: 20, note: '' });
    expect(state([], onDrag)).toBe('within');
  });

  it('a float beyond its band tells the stack that brings it to its aim', () => {
    const strip = record({
      what: 'step',
      stepId: 'retainer-off',
      shims: [{ positionId: 'shim-input', thicknessMm: 2.2 }],
    });
    const records = [strip, measured('0.3')];
    const { unitType } = job('skell-five', []);
    const stack = unitType.stacks.find(({ letter }) => letter === 'A')!;
    const hand = [{ drawer: drawerOf(stack), pieces: [{ thickness: 0.2, count: 1 }] }];
    const [float] = floatsOf({ unitType, records }, [value(...records)], hand);
    // By hand: 0.30 less the aim 0.10 is 0.20 more in the stack: 2.40 = 2.20 + 0.20, then 0.10.
    expect(float).toMatchObject({ act: 'A from 2.20 to 2.40 mm', pieces: [2.2, 0.2] });
    expect(float!.expected).toBeCloseTo(0.1, 9);
    expect(floatsOf({ unitType, records }, [value(measured('0.1'))], hand)[0]!.act).toBe('');
  });

  it('what is rubbed goes by its own way, seven tenths first', () => {
    const { unitType } = job('skell-five', []);
    const rubbed = (gives: 'less' | 'more', raw: string) => {
      const after = value(measured(raw));
      const check = { ...after.check, rubbing: { position: 'gear-3', gives, what: 'the bush' } };
      return floatsOf({ unitType: { ...unitType, stacks: [] }, records: [] }, [{ ...after, check }], [])[0]!
        .act;
    };
    // A bush bounds the float: 0.30 − 0.10 comes off, 0.14 of it first. A thrust piece in the gap gives more: 0.10 − 0.02.
    expect(rubbed('less', '0.3')).toBe('Rub 0.14 mm off the bush, seven tenths of 0.20; then measure again.');
    expect(rubbed('more', '0.02')).toBe(
      'Rub 0.06 mm off the bush, seven tenths of 0.08; then measure again.',
    );
    expect(rubbed('less', '0.02')).toContain('A new piece');
    expect(rubbed('more', '0.3')).toContain('A new piece');
  });
});

describe('rework', () => {
  const piece = (name: string, family: string, over: object = {}) => ({ name, family, ...over }) as never;

  it('is refused where it makes things worse, and some of it with no process at all', () => {
    expect(reworkRule('plate', piece('Detent spring', 'fastener-seal')).refused).toContain('brittle');
    expect(reworkRule('clean', piece('Ring bolts', 'fastener-seal')).refused).toContain('bakes it out');
    expect(reworkRule('plate', piece('Cover', 'housing')).refused).toBeUndefined();
    expect(reworkRule('weld', piece('Third gear', 'gear-teeth')).refused).toContain('cracks');
    expect(reworkRule('turn-over', piece('Cross-pin', 'bush-washer-pin'))).toMatchObject({ never: true });
    expect(reworkRule('polish', piece('Head bearing', 'rolling-bearing'))).toMatchObject({ never: true });
    expect(reworkRule('dress', piece('Crush sleeve', 'housing', { oneUse: true }))).toMatchObject({
      never: true,
    });
    expect(reworkRule('polish', piece('Yoke', 'shaft-spline')).cautions[0]).toContain('no lead');
  });

  it('hangs on what kind of part it is, not on what it is called', () => {
    const of = (kind: string, name: string) => piece(name, 'bush-washer-pin', { kind });
    expect(reworkRule('turn-over', of('cross-pin', 'Trunnion'))).toMatchObject({ never: true });
    expect(reworkRule('weld', of('retaining-ring', 'Stop')).refused).toContain('cracks');
    expect(reworkRule('plate', of('threaded-fastener', 'Fixing')).refused).toContain('bakes it out');
    expect(reworkRule('turn-over', of('dished-washer', 'Disc'))).toMatchObject({ never: true });
    expect(reworkRule('weld', of('pin', 'Trunnion')).refused).toContain('cracks');
    // And the other way round: a washer that somebody calls a spring washer seat is a washer.
    expect(reworkRule('plate', of('thrust-washer', 'Seat of the spring')).refused).toBeUndefined();
  });

  it('of a part of which nobody has said the kind is assumed by name and says so, or refused', () => {
    const old = (name: string, family = 'fastener-seal') => piece(name, family);
    expect(reworkRule('turn-over', old('Spider pin', 'bush-washer-pin'))).toMatchObject({ never: true });
    expect(reworkRule('weld', old('Retaining ring')).refused).toContain('cracks');
    expect(reworkRule('plate', old('Cap screw')).refused).toContain('bakes it out');
    expect(reworkRule('plate', old('Thrust washer', 'bush-washer-pin')).cautions.at(-1)).toContain(
      'Taken for a thrust washer by its name',
    );
    for (const act of ['weld', 'clean', 'plate', 'turn-over'] as const)
      expect(reworkRule(act, old('Thing')).refused).toContain('Nobody has said what kind of part this is');
  });

  it('is the same in every shipped type after every part was renamed, and so are clips and spares', () => {
    const acts = Object.keys(REWORK_NAMES) as (keyof typeof REWORK_NAMES)[];
    for (const type of shippedUnitTypes())
      for (const position of type.positions) {
        const renamed = { ...position, name: 'Piece of metal' };
        for (const act of acts)
          expect(reworkRule(act, renamed), `${type.id} ${position.id} ${act}`).toEqual(
            reworkRule(act, position),
          );
        expect(kindOfPart(renamed).kind?.inGroove).toBe(kindOfPart(position).kind?.inGroove);
        expect(kindOfPart(renamed).kind?.spoiltInFitting).toBe(kindOfPart(position).kind?.spoiltInFitting);
        expect(isOfUnknownKind(renamed), `${type.id} ${position.id}`).toBe(false);
      }
  });

  it('lets a part in only once it was measured within, the gauge’s doubt allowed for', () => {
    const ticket = record({
      ...{ what: 'rework', positionId: 'yoke', act: 'polish', words: 'seal land', max: 0.1, before: 0.15 },
      ...{ sentTo: '', process: '' },
    });
    const back = (after: number, gaugeId = 'dial') =>
      record({ what: 'rework-back', of: ticket.id, after, gaugeId, note: '' });
    const state = (...records: BenchRecord[]) => reworkTickets(job('torvane-hx41', [ticket, ...records]))[0]!;
    expect([state().state, state(back(0.14)).state, state(back(0.05)).state]).toEqual([
      'out',
      'beyond',
      'within',
    ]);
    expect(state(back(0.09, 'coarse')).state).toBe('too-close');
    expect(state(back(0.14), record({ what: 'rework-dropped', of: ticket.id, reason: 'new' })).state).toBe(
      'dropped',
    );
    expect(heldByRework([state()], ['yoke'])).toHaveLength(1);
    expect(heldByRework([state(back(0.05))], ['yoke'])).toEqual([]);
  });
});

describe('proofs', () => {
  const proof = (id: string, item: string, over: object = {}) =>
    proofsOf(
      job(
        id,
        Object.keys(over).length === 0
          ? []
          : [record({ what: 'proved', item, result: 'pass', note: '', ...over })],
      ),
    ).find(({ line }) => line.id === item)!;

  it('are those that the unit has something for', () => {
    const ids = (id: string) => proofsOf(job(id, [])).map(({ line }) => line.id);
    expect(ids('torvane-hx41')).toContain('flush-tubes');
    expect(ids('torvane-hx41')).not.toContain('hand-interlock');
    expect(ids('skell-five')).toEqual(
      expect.arrayContaining(['hand-interlock', 'hand-rings', 'ratio:3', 'hand-needles']),
    );
    expect(ids('torvane-lk43')).toContain('flush-adjusters');
    expect(ids('ostrevik-w3')).toEqual(expect.arrayContaining(['hand-bands', 'hand-pack', 'flush-cooler']));
  });

  it('a bearing that was heated beyond 110 °C has failed, whatever was pressed', () => {
    expect(proof('skell-five', 'heat-bearings', { figures: { highest: 105 } }).state).toBe('pass');
    const hot = proof('skell-five', 'heat-bearings', { figures: { highest: 140 } });
    expect([hot.state, hot.words]).toEqual(['fail', expect.stringContaining('110')]);
  });

  it('a counted ratio tells the gear: it agrees, it is another one, or too few turns were counted', () => {
    // By the teeth of this box: third 35/25 · 32/28 = 1.6, second 35/25 · 38/22 = 2.418.
    const unit = typeOf('skell-five');
    const [third, second] = [1.6, 2.418];
    expect(tellCounted(unit, '3', { input: third * 20, output: 20 })).toMatchObject({ says: 'agrees' });
    expect(tellCounted(unit, '3', { input: second * 20, output: 20 })).toMatchObject({
      says: 'another',
      like: '2',
    });
    expect(tellCounted(unit, '3', { input: third / 4, output: 0.25 })!.says).toBe('too-few');
    expect(proof('skell-five', 'ratio:3', { figures: { in: second * 20, out: 20 } }).state).toBe('fail');
  });
});

describe('closing', () => {
  it('wants a name under every figure that is beyond and every proof that failed', () => {
    const failed = record({ what: 'proved', item: 'test-run', result: 'fail', note: 'whines in third' });
    const deviations = closingOf(job('skell-five', [failed])).deviations;
    expect(deviations).toEqual([
      {
        key: 'proof:test-run',
        words: 'Test run: Noise, heat or a leak (whines in third)',
        signed: undefined,
      },
    ]);
    const open = (records: BenchRecord[]) =>
      openOfClosing(job('skell-five', records)).filter(({ code }) => code === 'deviation-unsigned');
    expect(open([failed])).toHaveLength(1);
    expect(
      open([failed, record({ what: 'signed-off', of: 'proof:test-run', reason: 'told', owner: 'A' })]),
    ).toEqual([]);
  });
});
