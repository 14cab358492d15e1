import * as v from 'valibot';
import { BadInput } from '../badInput';
import { whole } from '../fields';

const category = whole(0, 999);
export const AgreementInputSchema = v.object({
  categories: whole(2, 1000),
  first: v.pipe(v.array(category), v.minLength(1, 'at least one pair')),
  second: v.array(category),
  weights: v.optional(v.picklist(['quadratic', 'linear', 'none']), 'quadratic'),
});
export type AgreementInput = v.InferOutput<typeof AgreementInputSchema>;

export const AgreementOutputSchema = v.object({
  observed: v.number(),
  kappa: v.number(),
  standardError: v.number(),
  pairs: v.number(),
});
export type Agreement = v.InferOutput<typeof AgreementOutputSchema>;

/**
 * How far two people who graded the same things agree beyond chance: weighted kappa.
 *
 * Categories are numbered from 0. A pair that differs by d of k − 1 steps counts 1 − (d/(k−1))² with quadratic
 * weights, 1 − d/(k−1) with linear ones, nothing with none. `observed` is the weighted agreement; `standardError` is the
 * non-null one.
 *
 * Source: J. L. Fleiss, J. Cohen, B. S. Everitt, Psychological Bulletin 72 (1969).
 * @throws BadInput for lists of unequal length, a category that isn't there, or one single category throughout
 */
export function agreement({ categories, first, second, weights }: AgreementInput): Agreement {
  if (first.length !== second.length)
    throw new BadInput('second', `${second.length} grades against ${first.length}`);
  for (const [name, list] of [
    ['first', first],
    ['second', second],
  ] as const) {
    const wrong = list.findIndex((grade) => grade >= categories);
    if (wrong >= 0)
      throw new BadInput(`${name}.${wrong}`, `there are ${categories} categories, numbered from 0`);
  }
  const weight = (i: number, j: number) => WEIGHTS[weights](Math.abs(i - j) / (categories - 1));
  const pairs = first.length;
  const share = (list: readonly number[], index: number) =>
    list.filter((grade) => grade === index).length / pairs;
  const all = Array.from({ length: categories }, (_, index) => index);
  const [rows, columns] = [all.map((index) => share(first, index)), all.map((index) => share(second, index))];
  const observed = first.reduce((total, grade, index) => total + weight(grade, second[index]!), 0) / pairs;
  const rowWeights = all.map((i) => all.reduce((total, j) => total + columns[j]! * weight(i, j), 0));
  const columnWeights = all.map((j) => all.reduce((total, i) => total + rows[i]! * weight(i, j), 0));
  const expected = all.reduce((total, i) => total + rows[i]! * rowWeights[i]!, 0);
  if (1 - expected < 1e-12)
    throw new BadInput('first', 'both used one single category: agreement cannot be told from chance');
  const kappa = (observed - expected) / (1 - expected);
  const spread =
    first.reduce((total, i, index) => {
      const j = second[index]!;
      return total + (weight(i, j) - (rowWeights[i]! + columnWeights[j]!) * (1 - kappa)) ** 2;
    }, 0) / pairs;
  const variance = (spread - (kappa - expected * (1 - kappa)) ** 2) / (pairs * (1 - expected) ** 2);
  return { observed, kappa, standardError: Math.sqrt(Math.max(0, variance)), pairs };
}

const WEIGHTS: Record<AgreementInput['weights'], (apart: number) => number> = {
  quadratic: (apart) => 1 - apart * apart,
  linear: (apart) => 1 - apart,
  none: (apart) => (apart === 0 ? 1 : 0),
};
