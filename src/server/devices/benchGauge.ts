import { type StandIn, TouchSchema } from '@/model/standIn';
import type { Context } from '../context';
import { defineUseCase } from '../useCase';
import { StandInGauge } from './standInGauge';

/** One of each for the house, on globalThis since Next may load this module twice. */
const holder = globalThis as { stereotomeGauges?: Partial<Record<StandIn, StandInGauge>> };
const SEED: Record<StandIn, number> = { indicator: 20, caliper: 21 };

function gaugeOnBench(context: Context, gauge: StandIn): StandInGauge {
  holder.stereotomeGauges ??= {};
  holder.stereotomeGauges[gauge] ??= new StandInGauge(gauge, SEED[gauge], context.now().getTime());
  return holder.stereotomeGauges[gauge];
}

/** What a stand-in gauge shows while it touches a place round the part. */
export const readBenchGauge = defineUseCase('capture.take', TouchSchema, (_actor, context, touch) =>
  gaugeOnBench(context, touch.gauge).read(touch, context.now().getTime()),
);

export const zeroBenchGauge = defineUseCase('capture.take', TouchSchema, (_actor, context, touch) => {
  gaugeOnBench(context, touch.gauge).setZero(touch, context.now().getTime());
  return {};
});

export const changeBenchGaugeUnit = defineUseCase(
  'capture.take',
  TouchSchema,
  (_actor, context, { gauge }) => {
    gaugeOnBench(context, gauge).changeUnit();
    return {};
  },
);
