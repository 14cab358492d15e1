import * as v from 'valibot';
import { finite, LengthUnitSchema, notNegative } from '../fields';
import { StockSchema, shimStack } from './shimStack';

export const EndFloatInputSchema = v.object({
  unit: LengthUnitSchema,
  measured: finite,
  band: v.pipe(
    v.object({ min: finite, max: finite, aim: finite }),
    v.check(({ min, max, aim }) => min <= aim && aim <= max, 'the aim must lie inside the band'),
  ),
  stock: StockSchema,
  tolerance: notNegative,
  kind: v.picklist(['shim', 'rub-bush']),
});
export type EndFloatInput = v.InferOutput<typeof EndFloatInputSchema>;

export const EndFloatOutputSchema = v.object({
  verdict: v.picklist(['within', 'too-much', 'too-little']),
  add: v.optional(v.object({ target: v.number(), pieces: v.array(v.number()), total: v.number() })),
  remove: v.optional(v.number()),
  firstCut: v.optional(v.number()),
});
export type EndFloat = v.InferOutput<typeof EndFloatOutputSchema>;

/** What is rubbed off can't be put back: so much of it first, then measure again. */
const FIRST_CUT = 0.7;

/**
 * What brings an end float to its aim. With shims: too much float wants `measured − aim` added (the stack is found), too
 * little wants `aim − measured` taken out. A bush that limits the float is rubbed down by `aim − measured`, seven
 * tenths of it first; one that is too short already can only be renewed. Within the band nothing is done.
 */
export function endFloat({ unit, measured, band, stock, tolerance, kind }: EndFloatInput): EndFloat {
  if (measured >= band.min && measured <= band.max) return { verdict: 'within' };
  if (measured < band.min) {
    const remove = band.aim - measured;
    return {
      verdict: 'too-little',
      remove,
      ...(kind === 'rub-bush' ? { firstCut: FIRST_CUT * remove } : {}),
    };
  }
  if (kind === 'rub-bush') return { verdict: 'too-much' };
  const target = measured - band.aim;
  const { pieces, total } = shimStack({ unit, target, tolerance, stock, maxPieces: 6 });
  return { verdict: 'too-much', add: { target, pieces, total } };
}
