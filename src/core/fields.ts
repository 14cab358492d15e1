import * as v from 'valibot';
import { UNITS } from '@/model/units';

/* Numbers as the calculations take them. Infinities get in through 1e999, so finite is always asked for. */

export const finite = v.pipe(v.number('must be a number'), v.finite('must be a finite number'));
export const positive = v.pipe(finite, v.gtValue(0, 'must be greater than 0'));
export const notNegative = v.pipe(finite, v.minValue(0, 'must not be negative'));
export const whole = (least: number, most: number) =>
  v.pipe(
    finite,
    v.integer('must be a whole number'),
    v.minValue(least, `at least ${least}`),
    v.maxValue(most, `at most ${most}`),
  );
export const probability = v.pipe(
  finite,
  v.check((p) => p > 0 && p < 1, 'must lie between 0 and 1, both excluded'),
);
export const teeth = whole(3, 2000);
export const spiralAngle = v.pipe(finite, v.minValue(0), v.ltValue(90, 'must be below 90'));
export const pressureAngle = v.pipe(finite, v.gtValue(0), v.ltValue(90, 'must be below 90'));

/** Any unit that a reading may be taken in. */
export const AnyUnitSchema = v.picklist(UNITS, `must be one of ${UNITS.join(', ')}`);
/** Units of length only. */
export const LENGTHS = ['mm', 'um', 'in', 'thou'] as const;
export const LengthUnitSchema = v.picklist(LENGTHS, `must be a length: one of ${LENGTHS.join(', ')}`);
export type LengthUnit = v.InferOutput<typeof LengthUnitSchema>;
