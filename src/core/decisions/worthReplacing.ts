import * as v from 'valibot';
import { BadInput } from '../badInput';
import { finite, notNegative } from '../fields';

export const WorthReplacingInputSchema = v.object({
  price: notNegative,
  failureProbability: v.pipe(finite, v.minValue(0), v.maxValue(1)),
  stripAgainCost: notNegative,
  consequentialCost: notNegative,
});
export type WorthReplacingInput = v.InferOutput<typeof WorthReplacingInputSchema>;
export const WorthReplacingOutputSchema = v.object({
  breakEvenProbability: v.number(),
  replace: v.boolean(),
});

/**
 * Whether a part is worth renewing while the unit lies open: when price < p·(cost to strip again + damage it would do).
 * `breakEvenProbability` is the p at which both come to the same; above 1 it never pays. One currency throughout.
 * @throws BadInput when failing would cost nothing
 */
export function worthReplacing({
  price,
  failureProbability,
  stripAgainCost,
  consequentialCost,
}: WorthReplacingInput): v.InferOutput<typeof WorthReplacingOutputSchema> {
  const cost = stripAgainCost + consequentialCost;
  if (cost === 0)
    throw new BadInput('stripAgainCost', 'if failing costs nothing, nothing is worth preventing');
  return { breakEvenProbability: price / cost, replace: price < failureProbability * cost };
}
