import * as v from 'valibot';
import { BadInput } from '../badInput';
import { finite, LengthUnitSchema, notNegative, positive } from '../fields';
import { type ShimStack, type Stock, StockSchema, shimStack } from './shimStack';

const sideSchema = v.object({ target: v.number(), pieces: v.array(v.number()), total: v.number() });

export const CarrierShimsInputSchema = v.object({
  unit: LengthUnitSchema,
  /** Stacks as they are now. */
  left: notNegative,
  right: notNegative,
  /** One reading, or several round the ring: then their mean is moved and the tightest tooth is checked. */
  backlash: v.union([notNegative, v.pipe(v.array(notNegative), v.minLength(1))]),
  backlashBand: v.pipe(
    v.object({ min: notNegative, max: notNegative, aim: v.optional(notNegative) }),
    v.check(({ min, max }) => min <= max, 'min lies above max'),
  ),
  factor: positive,
  preloadChange: v.optional(finite, 0),
  /** The side whose thicker stack moves the ring toward the pinion. */
  ringSide: v.picklist(['left', 'right']),
  stock: StockSchema,
  tolerance: notNegative,
});
export type CarrierShimsInput = v.InferOutput<typeof CarrierShimsInputSchema>;

export const CarrierShimsOutputSchema = v.object({
  move: v.number(),
  left: sideSchema,
  right: sideSchema,
  expectedBacklash: v.number(),
  expectedPreloadChange: v.number(),
  /** The tightest tooth after the move, and whether it keeps the band's minimum. */
  tightest: v.number(),
  tightestInBand: v.boolean(),
});
export type CarrierShims = v.InferOutput<typeof CarrierShimsOutputSchema>;

/**
 * New stacks on both sides of a carrier: the ring goes to the aim (mid-band without one) even when the backlash is in band
 * already. `move` > 0 is away from the pinion, more backlash. The ring's side becomes now − move + preloadChange/2, the
 * other now + move + preloadChange/2; one stock serves both. The move that the pieces found will really make is half
 * the difference of what the two sides gained.
 * @throws BadInput when a side would need a stack thinner than nothing
 */
export function carrierShims(input: CarrierShimsInput): CarrierShims {
  const { unit, backlashBand, factor, preloadChange, ringSide, stock, tolerance } = input;
  const readings = typeof input.backlash === 'number' ? [input.backlash] : input.backlash;
  const backlash = readings.reduce((sum, reading) => sum + reading, 0) / readings.length;
  const aim = backlashBand.aim ?? (backlashBand.min + backlashBand.max) / 2;
  const move = (aim - backlash) / factor;
  const other = ringSide === 'left' ? 'right' : 'left';
  const now = { left: input.left, right: input.right };
  const target = {
    [ringSide]: now[ringSide] - move + preloadChange / 2,
    [other]: now[other] + move + preloadChange / 2,
  } as { left: number; right: number };
  for (const side of ['left', 'right'] as const)
    if (target[side] < 0) throw new BadInput(side, 'this move would need a stack thinner than nothing');
  const chosen = bothSides({ unit, tolerance }, target[ringSide], target[other], stock);
  const total = { [ringSide]: chosen.ring.total, [other]: chosen.other.total } as {
    left: number;
    right: number;
  };
  const expectedMove = (total[other] - now[other] - (total[ringSide] - now[ringSide])) / 2;
  const tightest = Math.min(...readings) + factor * expectedMove;
  const sideOf = (side: 'left' | 'right') => ({
    target: target[side],
    pieces: (side === ringSide ? chosen.ring : chosen.other).pieces,
    total: total[side],
  });
  return {
    move,
    left: sideOf('left'),
    right: sideOf('right'),
    expectedBacklash: backlash + factor * expectedMove,
    expectedPreloadChange: total.left + total.right - now.left - now.right,
    tightest,
    tightestInBand: tightest >= backlashBand.min,
  };
}

interface Pair {
  readonly ring: ShimStack;
  readonly other: ShimStack;
}

/**
 * Two stacks from one stock. Each side served first in turn, and each with its best piece held back for the other:
 * of these the pair that keeps both tolerances with the fewest pieces, then the smallest errors.
 */
function bothSides(
  settings: Pick<CarrierShimsInput, 'unit' | 'tolerance'>,
  ringTarget: number,
  otherTarget: number,
  stock: Stock,
): Pair {
  const build = (target: number, from: Stock) =>
    shimStack({ ...settings, target, stock: from, maxPieces: 6 });
  const withPieces = (first: ShimStack) => without(stock, first.pieces);
  const pairs: Pair[] = [];
  const serve = (order: 'ring' | 'other', from: Stock) => {
    const [firstTarget, secondTarget] =
      order === 'ring' ? [ringTarget, otherTarget] : [otherTarget, ringTarget];
    const first = build(firstTarget, from);
    const second = build(secondTarget, withPieces(first));
    pairs.push(order === 'ring' ? { ring: first, other: second } : { ring: second, other: first });
  };
  for (const order of ['ring', 'other'] as const) {
    serve(order, stock);
    for (const kind of stock.filter(({ count }) => count > 0)) {
      const held = stock.map((each) => (each === kind ? { ...each, count: each.count - 1 } : each));
      if (held.some(({ count }) => count > 0)) serve(order, held);
    }
  }
  return pairs.reduce((best, next) => (better(next, best) ? next : best));
}

function better(a: Pair, b: Pair): boolean {
  const rank = ({ ring, other }: Pair) => [
    Number(!ring.withinTolerance) + Number(!other.withinTolerance),
    ring.pieces.length + other.pieces.length,
    Math.abs(ring.error) + Math.abs(other.error),
  ];
  const [left, right] = [rank(a), rank(b)];
  // When no pair keeps both tolerances, the smaller error matters more than the number of pieces.
  const order = left[0] === 0 && right[0] === 0 ? [0, 1, 2] : [0, 2, 1];
  for (const index of order)
    if (Math.abs(left[index]! - right[index]!) > 1e-12) return left[index]! < right[index]!;
  return false;
}

function without(stock: Stock, pieces: readonly number[]): Stock {
  const left = stock.map((kind) => ({ ...kind }));
  for (const piece of pieces)
    left.find(({ thickness, count }) => thickness === piece && count > 0)!.count -= 1;
  return left;
}
