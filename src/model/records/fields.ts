import * as v from 'valibot';

export const amount = (most: number) =>
  v.pipe(
    v.number('a number is needed'),
    v.finite(),
    v.minValue(0, 'must not be below zero'),
    v.maxValue(most, `at most ${most}`),
  );
export const pieces = (most: number) =>
  v.pipe(
    v.number('a whole number is needed'),
    v.integer('a whole number is needed'),
    v.minValue(0, 'a count can’t be below zero'),
    v.maxValue(most, `at most ${most}`),
  );
