import * as v from 'valibot';
import type { Context } from '../context';
import { defineUseCase } from '../useCase';
import { Indicator } from './indicator';

const PlaceSchema = v.pipe(
  v.object({
    index: v.pipe(v.number(), v.integer(), v.minValue(0)),
    count: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(400)),
  }),
  v.check(({ index, count }) => index < count, 'this place lies beyond the last one'),
);

/** One indicator for the house, on globalThis since Next may load this module twice. */
const holder = globalThis as { stereotomeIndicator?: Indicator };

function indicator(context: Context): Indicator {
  holder.stereotomeIndicator ??= new Indicator(20, context.now().getTime());
  return holder.stereotomeIndicator;
}

/** What the bench gauge shows while its plunger touches a place round the part, mm. */
export const readBenchGauge = defineUseCase(
  'capture.take',
  PlaceSchema,
  (_actor, context, { index, count }) => ({
    value: indicator(context).read(index, count, context.now().getTime()),
  }),
);

export const zeroBenchGauge = defineUseCase(
  'capture.take',
  PlaceSchema,
  (_actor, context, { index, count }) => {
    indicator(context).setZero(index, count, context.now().getTime());
    return {};
  },
);
