import fc from 'fast-check';
import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { WorthReplacingInputSchema, worthReplacing } from '../decisions/worthReplacing';
import { CarrierShimsInputSchema, carrierShims } from './carrierShims';
import { EndFloatInputSchema, endFloat } from './endFloat';
import { LearnedFactorInputSchema, learnedFactor } from './learnedFactor';
import { ShimStackInputSchema, type Stock, shimStack } from './shimStack';
import { TorqueStagesInputSchema, torqueStages } from './torqueStages';

const stack = (input: unknown) => shimStack(v.parse(ShimStackInputSchema, input));
const carrier = (input: unknown) => carrierShims(v.parse(CarrierShimsInputSchema, input));
const learned = (input: unknown) => learnedFactor(v.parse(LearnedFactorInputSchema, input));
const float = (input: unknown) => endFloat(v.parse(EndFloatInputSchema, input));
const torque = (input: unknown) => torqueStages(v.parse(TorqueStagesInputSchema, input));

describe('shim stack', () => {
  const stock = [
    { thickness: 1, count: 2 },
    { thickness: 0.5, count: 3 },
    { thickness: 0.12, count: 4 },
    { thickness: 0.1, count: 4 },
  ];

  it('takes the fewest pieces within the tolerance, thick to thin', () => {
    expect(stack({ unit: 'mm', target: 1.61, tolerance: 0.02, stock })).toMatchObject({
      pieces: [1, 0.5, 0.12],
      withinTolerance: true,
    });
    expect(stack({ unit: 'mm', target: 1.61, tolerance: 0.02, stock }).error).toBeCloseTo(0.01, 9);
  });

  it('says what to buy when nothing on hand comes near enough', () => {
    const result = stack({ unit: 'mm', target: 1.27, tolerance: 0.005, stock });
    expect(result.withinTolerance).toBe(false);
    // 1.27 alone is thicker than any that is kept; one piece on hand, 0.5, and 0.77 meet the target.
    expect(result.toBuy).toBeCloseTo(0.77, 9);
    expect(
      stack({ unit: 'mm', target: 1.27, tolerance: 0.005, stock: [...stock, { thickness: 0.77, count: 1 }] })
        .withinTolerance,
    ).toBe(true);
  });

  it('adds thou exactly', () => {
    const result = stack({ unit: 'thou', target: 30, tolerance: 0, stock: [{ thickness: 10, count: 3 }] });
    expect(result).toMatchObject({ pieces: [10, 10, 10], total: 30, error: 0, withinTolerance: true });
  });

  it('counts nothing at all for a target near nought, and refuses an empty stock otherwise', () => {
    expect(stack({ unit: 'mm', target: 0.01, tolerance: 0.02, stock: [] })).toMatchObject({
      pieces: [],
      total: 0,
      withinTolerance: true,
    });
    expect(() =>
      stack({ unit: 'mm', target: 1, tolerance: 0.02, stock: [{ thickness: 1, count: 0 }] }),
    ).toThrow('no shims');
    expect(() => stack({ unit: 'Nm', target: 1, tolerance: 0, stock })).toThrow(v.ValiError);
  });

  it('is never beaten by trying everything', () => {
    const kind = fc.record({
      thickness: fc.integer({ min: 1, max: 120 }).map((hundredths) => hundredths / 100),
      count: fc.integer({ min: 0, max: 3 }),
    });
    const input = fc.record({
      stock: fc.array(kind, { minLength: 1, maxLength: 5 }),
      target: fc.integer({ min: 0, max: 400 }).map((n) => n / 100),
      tolerance: fc.integer({ min: 0, max: 6 }).map((n) => n / 100),
      maxPieces: fc.integer({ min: 1, max: 5 }),
    });
    fc.assert(
      fc.property(input, ({ stock: shelf, target, tolerance, maxPieces }) => {
        fc.pre(shelf.some(({ count }) => count > 0));
        const found = stack({ unit: 'mm', target, tolerance, stock: shelf, maxPieces });
        const every = everyStack(shelf, maxPieces).map((pieces) => ({
          pieces: pieces.length,
          error: Math.abs(pieces.reduce((sum, piece) => sum + piece, 0) - target),
        }));
        const within = every.filter(({ error }) => error <= tolerance + 1e-9);
        expect(found.withinTolerance).toBe(within.length > 0);
        const fewest = within.length > 0 ? Math.min(...within.map(({ pieces }) => pieces)) : undefined;
        const least = Math.min(
          ...(fewest === undefined ? every : within.filter(({ pieces }) => pieces === fewest)).map(
            ({ error }) => error,
          ),
        );
        if (fewest !== undefined) expect(found.pieces.length).toBe(fewest);
        expect(Math.abs(found.error)).toBeCloseTo(least, 9);
        expect(found.total).toBeCloseTo(
          found.pieces.reduce((sum, piece) => sum + piece, 0),
          9,
        );
      }),
    );
  });
});

/** Every stack that can be made, by trying all counts. */
function everyStack(stock: Stock, maxPieces: number): number[][] {
  return stock.reduce<number[][]>(
    (stacks, { thickness, count }) =>
      stacks.flatMap((pieces) =>
        Array.from({ length: Math.min(count, maxPieces - pieces.length) + 1 }, (_, used) => [
          ...pieces,
          ...Array<number>(used).fill(thickness),
        ]),
      ),
    [[]],
  );
}

describe('carrier shims', () => {
  const fine = Array.from({ length: 60 }, (_, index) => ({ thickness: 2.4 + index * 0.03, count: 2 }));
  const base = {
    unit: 'mm',
    left: 3,
    right: 3,
    backlash: 0.3,
    backlashBand: { min: 0.15, max: 0.2 },
    factor: 0.7,
    ringSide: 'right',
    stock: fine,
    tolerance: 0.016,
  };

  it('moves the ring by hand figures: (0.175 − 0.30)/0.7 = −0.17857, toward the pinion', () => {
    const result = carrier(base);
    expect(result.move).toBeCloseTo(-0.178571, 6);
    expect(result.right.target).toBeCloseTo(3.178571, 6);
    expect(result.left.target).toBeCloseTo(2.821429, 6);
    // Pieces in steps of 0.03: 3.18 and 2.82; moved by (−0.18 − 0.18)/2 = −0.18, so 0.3 − 0.126 = 0.174.
    expect(result).toMatchObject({
      right: { pieces: [expect.closeTo(3.18, 9)] },
      left: { pieces: [expect.closeTo(2.82, 9)] },
    });
    expect(result.expectedBacklash).toBeCloseTo(0.174, 9);
    expect(result.expectedPreloadChange).toBeCloseTo(0, 9);
  });

  it('shares a change of preload between both sides', () => {
    const result = carrier({ ...base, preloadChange: 0.06 });
    expect(result.right.target + result.left.target).toBeCloseTo(6.06, 9);
    expect(result.expectedPreloadChange).toBeCloseTo(0.06, 9);
  });

  it('mirrors when the ring sits on the other side', () => {
    const [right, left] = [carrier(base), carrier({ ...base, ringSide: 'left' })];
    expect(left.left.total).toBeCloseTo(right.right.total, 9);
    expect(left.right.total).toBeCloseTo(right.left.total, 9);
  });

  it('warns of the tightest tooth, which a mean hides', () => {
    const result = carrier({ ...base, backlash: [0.2, 0.3, 0.4] });
    expect(result.expectedBacklash).toBeCloseTo(0.174, 9);
    expect(result.tightest).toBeCloseTo(0.074, 9);
    expect(result.tightestInBand).toBe(false);
  });

  it('never uses a piece twice', () => {
    const result = carrier({
      ...base,
      backlash: 0.175,
      stock: [
        { thickness: 3, count: 1 },
        { thickness: 1.5, count: 2 },
      ],
    });
    expect([...result.left.pieces, ...result.right.pieces].sort()).toEqual([1.5, 1.5, 3]);
    expect(() => carrier({ ...base, left: 0.1, backlash: 0.3 })).toThrow('thinner than nothing');
  });
});

describe('learned factor', () => {
  it('weighs the assumed factor against a move by hand figures', () => {
    // 1/0.15² = 44.444; 0.2²/(2·0.01²) = 200; (0.7·44.444 + 0.2·0.16/0.0002)/244.444 = 0.781818.
    const { factor, deviation } = learned({
      assumed: 0.7,
      moves: [{ move: 0.2, backlashBefore: 0.1, backlashAfter: 0.26 }],
      readingDeviation: 0.01,
    });
    expect(factor).toBeCloseTo(0.781818, 6);
    expect(deviation).toBeCloseTo(1 / Math.sqrt(244.4444), 6);
  });
  it('keeps what was assumed without a move, and believes a perfect gauge', () => {
    expect(learned({ assumed: 0.7, moves: [], readingDeviation: 0.01 })).toEqual({
      factor: 0.7,
      deviation: 0.15,
    });
    expect(
      learned({
        assumed: 0.7,
        moves: [{ move: -0.1, backlashBefore: 0.3, backlashAfter: 0.22 }],
        readingDeviation: 0,
      }).factor,
    ).toBeCloseTo(0.8, 12);
  });
});

describe('end float', () => {
  const shim = {
    unit: 'mm',
    band: { min: 0.05, max: 0.15, aim: 0.1 },
    stock: [
      { thickness: 0.2, count: 2 },
      { thickness: 0.1, count: 2 },
    ],
    tolerance: 0.02,
    kind: 'shim',
  };
  it('adds shims to a float too large and takes out for one too small', () => {
    expect(float({ ...shim, measured: 0.4 })).toMatchObject({
      verdict: 'too-much',
      add: { pieces: [0.2, 0.1] },
    });
    expect(float({ ...shim, measured: 0.02 }).remove).toBeCloseTo(0.08, 9);
    expect(float({ ...shim, measured: 0.12 })).toEqual({ verdict: 'within' });
  });
  it('rubs a bush down by seven tenths first', () => {
    const { remove, firstCut } = float({ ...shim, measured: 0, kind: 'rub-bush' });
    expect(remove).toBeCloseTo(0.1, 12);
    expect(firstCut).toBeCloseTo(0.07, 12);
    expect(float({ ...shim, measured: 0.4, kind: 'rub-bush' })).toEqual({ verdict: 'too-much' });
    expect(() => float({ ...shim, measured: 0.4, band: { min: 0, max: 0.1, aim: 0.2 } })).toThrow(
      v.ValiError,
    );
  });
});

describe('torque stages', () => {
  it('walks eight bolts as every workshop book draws the star', () => {
    expect(torque({ bolts: 8, aim: 100 }).order).toEqual([0, 4, 2, 6, 1, 5, 3, 7]);
  });

  it('keeps its distance for every ring of bolts', () => {
    for (let bolts = 1; bolts <= 80; bolts += 1) {
      const { order, stages } = torque({ bolts, aim: 60 });
      expect([...order].sort((a, b) => a - b)).toEqual(Array.from({ length: bolts }, (_, index) => index));
      expect(stages.map((stage) => stage.torque)).toEqual([18, 36, 60]);
      if (bolts < 8) continue;
      const steps = order
        .slice(1)
        .map((bolt, index) =>
          Math.min((bolt - order[index]! + bolts) % bolts, (order[index]! - bolt + bolts) % bolts),
        );
      expect(Math.min(...steps), `${bolts} bolts`).toBeGreaterThanOrEqual(Math.max(2, bolts / 6));
      expect(steps.filter((step) => step >= (3 * bolts) / 8).length, `${bolts} bolts`).toBeGreaterThanOrEqual(
        steps.length / 2,
      );
    }
  });

  it('asks whether the wrench holds the last stage within 20–95 % of its range', () => {
    const fits = (wrench: object) => torque({ bolts: 4, aim: 100, wrench }).wrenchOk;
    expect([
      fits({ min: 40, max: 200 }),
      fits({ min: 10, max: 100 }),
      fits({ min: 120, max: 500 }),
      fits({ min: 50, max: 501 }),
    ]).toEqual([true, false, false, false]);
    expect(() => torque({ bolts: 4, aim: 100, stages: [0.6, 0.3] })).toThrow(v.ValiError);
  });
});

describe('worth replacing', () => {
  it('breaks even where price = p·(strip again + damage): 90/(300 + 600) = 0.1', () => {
    const ask = (failureProbability: number) =>
      worthReplacing(
        v.parse(WorthReplacingInputSchema, {
          price: 90,
          failureProbability,
          stripAgainCost: 300,
          consequentialCost: 600,
        }),
      );
    expect(ask(0.1)).toEqual({ breakEvenProbability: 0.1, replace: false });
    expect(ask(0.11).replace).toBe(true);
  });
});
