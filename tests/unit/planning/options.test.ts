import { describe, expect, it } from 'vitest';
import type { JobPlan } from '@/core/planning/jobPlans';
import { labourOf } from '@/core/planning/labour';
import { readAmount, taxOn, tellMoney } from '@/core/planning/money';
import { type OptionFacts, unitOptions } from '@/core/planning/options';
import { USUAL_MONEY } from '@/model/money';
import type { Offer } from '@/model/offers';

const MONEY = { ...USUAL_MONEY, hourPrice: 60_000 };
const LABOUR = {
  lines: [
    { kind: 'strip and inspect', hours: 2, left: 0 },
    { kind: 'rework', hours: 1, left: 1 },
    { kind: 'rebuild', hours: 3, left: 3 },
    { kind: 'set and prove', hours: 1, left: 1 },
  ],
  ...{ hours: 7, left: 5, from: 'steps' as const },
};
const PLAN: JobPlan = {
  ...{ objective: 'cost', feasible: true, uncoverable: [], toCount: [], lines: [], leftOver: [] },
  ...{ parts: 500_000, freight: 20_000, days: 4, proved: true, gap: undefined },
};
const part = (id: string, family: string, grade: number | null, judgements: unknown[] = []) => ({
  ...{ position: { id, name: id, family }, grade, judgements },
});
const bearing = (id: string, price: number, tier: 1 | 2 | 3 = 2): Offer => ({
  ...{ id: `o ${id} ${price}`, supplier: 's', source: 'list', code: 'c', name: id, currency: 'kr', days: 1 },
  ...{ supplies: [{ part: id, qty: 1 }], price, tier, identity: {} },
});
const facts = (over: object = {}): OptionFacts =>
  ({
    snapshot: { decisions: [], records: [], unitType: { positions: [] } },
    ...{
      parts: [],
      plan: PLAN,
      labour: LABOUR,
      money: MONEY,
      offers: [],
      cases: {},
      best: undefined,
      noBest: 'none here',
      when: { repair: '2026-12-16', best: '2026-12-22', after: (days: number) => `in ${days}` },
    },
    ...over,
  }) as unknown as OptionFacts;
const option = (id: string, over?: object) =>
  unitOptions(facts(over)).options.find((each) => each.id === id)!;

describe('the ways that a unit can go', () => {
  it('have no price while a part that can’t stay is not decided', () => {
    const worn = [part('wheel', 'gear-teeth', 4), part('case', 'housing', 0)];
    expect(option('repair', { parts: worn })).toMatchObject({
      ...{ price: undefined, readyOn: undefined, note: '1 part that can’t stay is not decided yet' },
    });
    const decisions = [{ positionId: 'wheel', decision: 'replace' }];
    const snapshot = { decisions, records: [], unitType: { positions: [] } };
    expect(option('repair', { parts: worn, snapshot })).toMatchObject({
      // The case is sound so far, and nobody has said that it stays.
      ...{ price: 940_000, undecided: 1, note: 'as if the part that nobody decided stayed' },
    });
    const both = { ...snapshot, decisions: [...decisions, { positionId: 'case', decision: 'reuse' }] };
    expect(option('repair', { parts: worn, snapshot: both })).toMatchObject({ undecided: 0, note: '' });
  });

  it('cost parts, freight and work; each is ready on a day of its own', () => {
    // By hand: 500 000 + 20 000 + 7 h · 60 000; billed is all of it, whatever is done already.
    expect(option('repair')).toMatchObject({
      price: 940_000,
      readyOn: '2026-12-16',
      warrantyMonths: 12,
      chance: undefined,
      expected: undefined,
    });
    expect(option('exchange')).toMatchObject({
      price: undefined,
      readyOn: undefined,
      note: 'nobody has noted a price for one',
    });
    expect(option('best-of-several')).toMatchObject({ price: undefined, note: 'none here' });
    expect(option('best-of-several', { best: { build: [], cost: 1, provenOptimal: true } }).readyOn).toBe(
      '2026-12-22',
    );
    const noted = { content: { what: 'exchange-noted', supplier: 's', price: 9, days: 3 }, struck: null };
    const snapshot = { decisions: [], records: [noted], unitType: { positions: [] } };
    expect(option('exchange', { snapshot }).readyOn).toBe('in 3');
    expect(option('repair', { plan: undefined })).toMatchObject({
      price: undefined,
      note: 'no plan covers what must be new',
    });
  });

  it('expect a comeback as often as such units came back, and nothing without cases', () => {
    // By hand: strip, rebuild and setting again are 6 h · 60 000, and the parts once more; 2 of 20 came back.
    const told = option('repair', { cases: { repair: { cases: 20, back: 2 } } });
    expect(told.expected).toBe(Math.round(940_000 + 0.1 * (360_000 + 520_000)));
    expect(told.chance).toMatchObject({ estimate: 0.1, isThin: true });
    // No preventive part pays: it would be the repair under another name.
    expect(option('repair-preventive')).toMatchObject({
      ...{ price: undefined, readyOn: undefined, note: 'no preventive part pays' },
    });
  });

  it('take a sound bearing along where it pays, with the break-even beside it', () => {
    const kept = (id: string) => ({ positionId: id, decision: 'reuse' });
    const told = unitOptions(
      facts({
        snapshot: { decisions: [kept('worn'), kept('fresh')], records: [], unitType: { positions: [] } },
        parts: [
          part('worn', 'rolling-bearing', 2),
          part('fresh', 'rolling-bearing', 0),
          part('dropped', 'rolling-bearing', 1),
        ],
        // Of a used one nobody makes a preventive part.
        offers: [
          bearing('worn', 44_000),
          bearing('worn', 5_000, 1),
          bearing('fresh', 44_000),
          bearing('dropped', 1_000),
        ],
      }),
    );
    // By hand: 44 000 / (360 000 + 520 000) = 1 in 20; of grade 2 seven in a hundred fail, of grade 0 one.
    expect(told.preventive.map(({ part: id, breakEven, pays }) => [id, breakEven, pays])).toEqual([
      ['worn', 0.05, true],
      ['fresh', 0.05, false],
    ]);
    expect(told.options.find(({ id }) => id === 'repair-preventive')?.price).toBe(984_000);
  });

  it('aren’t worth it for reasons that hold or don’t, and say where nobody can tell', () => {
    const holds = (over: object) => unitOptions(facts(over)).notWorthSaving.map((each) => each.holds);
    expect(holds({ parts: [part('case', 'housing', null), part('g', 'gear-teeth', null)] })).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
    const noted = [
      { content: { what: 'exchange-noted', supplier: 's', price: 900_000, days: 3 }, struck: null },
    ];
    expect(
      holds({
        parts: [part('case', 'housing', 1), part('g', 'gear-teeth', 4), part('h', 'gear-teeth', 5)],
        snapshot: {
          decisions: ['g', 'h'].map((positionId) => ({ positionId, decision: 'replace' })),
          ...{ records: noted, unitType: { positions: [] } },
        },
      }),
    ).toEqual([false, true, true]);
  });

  it('tell what can be done where the run-out is beyond what shims cure', () => {
    const beyond = [
      {
        check: { title: 'Wobble', unit: 'mm', definition: 'face-runout-turn' },
        judgement: { word: 'beyond' },
      },
    ];
    expect(unitOptions(facts({ parts: [part('ring', 'gear-teeth', 2, beyond)] })).runOut).toMatchObject([
      { part: 'ring', words: expect.arrayContaining(['re-index it a third of a turn']) },
    ]);
    expect(unitOptions(facts({ parts: [part('ring', 'gear-teeth', 2)] })).runOut).toEqual([]);
  });
});

describe('the hours', () => {
  const step = (at: string) => ({
    ...{ id: at, author: 'm', deviceTime: at, struck: null, content: { what: 'step', stepId: at } },
  });
  const of = (...times: string[]) =>
    labourOf({
      unitType: { family: 'transfer', steps: Array.from({ length: 12 }, () => ({})) },
      ...{ records: times.map((time) => step(`2026-11-24T${time}:00.000Z`)), decisions: [] },
    } as never);
  it('that are done are billed and not planned again', () => {
    const steps = ['a', 'b', 'c', 'd'].map((id) => ({ id }));
    const record = (what: string, of: object, at: string) => ({
      ...{
        id: at,
        author: 'm',
        deviceTime: '2026-11-24T08:00:00.000Z',
        struck: null,
        content: { what, ...of },
      },
    });
    const hoursAfter = (...records: object[]) =>
      labourOf({ unitType: { family: 'transfer', steps }, records, decisions: [] } as never);
    // By hand: four steps of 0.2 h, 0.8 h, to half an hour 1; together again 1.4 times that, 1.12, is 1; setting 1.5.
    expect(hoursAfter()).toMatchObject({ hours: 3.5, left: 3.5 });
    const stripped = ['a', 'b', 'c', 'd'].map((stepId) => record('step', { stepId }, stepId));
    expect(hoursAfter(...stripped)).toMatchObject({ hours: 3.5, left: 2.5 });
    const back = ['a', 'b', 'b'].map((of, at) => record('refitted', { of }, `back-${at}`));
    expect(hoursAfter(...stripped, ...back)).toMatchObject({ hours: 3.5, left: 2 });
  });
  it('follow the strip’s own steps, and the type’s where those were noted in one go', () => {
    // By hand: steps of 15 minutes, twelve of them: 3 h; together again 1.4 times that, to half an hour.
    const timed = of('08:00', '08:15', '08:30', '08:45', '09:00', '13:00');
    expect(timed).toMatchObject({
      from: 'strip',
      lines: [{ kind: 'strip and inspect', hours: 3 }, { kind: 'rebuild', hours: 4 }, { hours: 1.5 }],
    });
    expect(of('08:00', '08:01', '08:02', '08:03', '08:04').from).toBe('steps');
    expect(of().lines[0]).toEqual({ kind: 'strip and inspect', hours: 2.5, left: 2.5 });
  });
});

describe('money', () => {
  it('is written and read in the shop’s own way, and never rounded away', () => {
    const kr = { sign: 'kr', digits: 2 } as const;
    expect(tellMoney(1_234_550, kr)).toBe('12\u202f345.50 kr');
    expect(tellMoney(500_000, kr)).toBe('5\u202f000 kr');
    expect(readAmount('12 345,5', kr)).toBe(1_234_550);
    expect(readAmount('0.005', kr)).toBeUndefined();
    expect(readAmount('12 kr', kr)).toBeUndefined();
    expect(readAmount('7', { digits: 0 })).toBe(7);
    expect(taxOn(1_001, { taxPercent: 25 })).toBe(250);
  });
});
