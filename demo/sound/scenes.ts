import { shippedUnitTypes } from '@/catalog/unitTypes';
import { type OrderKind, ordersOfUnit } from '@/core/sound/orders';
import { turningOf } from '@/core/sound/turning';
import {
  addBlows,
  addHum,
  addNoise,
  addWhine,
  emptyRecording,
  type Making,
  seeded,
  wanderingSpeed,
} from './synthesise';

interface Scene {
  readonly file: string;
  readonly unitType: string;
  readonly gear: string;
  readonly kmh: number;
  readonly outputPerWheel: number;
  readonly make: (
    samples: Float32Array,
    making: Making,
    order: (place: string, kind: OrderKind) => number,
  ) => void;
}

/** The recordings of the demonstration: what is in each is written here and nowhere else. */
export const SCENES: readonly Scene[] = [
  {
    // The outer race of the head bearing strikes; the ring and pinion hum as they should.
    ...{ file: 'pass-road-60.wav', unitType: 'torvane-hx41', gear: 'Drive', kmh: 60, outputPerWheel: 1 },
    make: (samples, making, order) => {
      addBlows(samples, making, { order: order('head-bearing', 'outer'), level: -8 });
      addWhine(samples, making, { order: order('head-bearing', 'outer'), level: -14, multiples: 2 });
      addWhine(samples, making, { order: order('pinion-head·ring-gear', 'mesh'), level: -26, multiples: 2 });
    },
  },
  {
    // The pair that turns the countershaft whines, unevenly once a turn of the input.
    ...{ file: 'howl-in-third.wav', unitType: 'skell-five', gear: '3', kmh: 50, outputPerWheel: 4.1 },
    make: (samples, making, order) =>
      addWhine(samples, making, {
        ...{ order: order('input-gear·cluster', 'mesh'), level: -8, multiples: 3 },
        sideband: { order: 1, depth: 0.35 },
      }),
  },
  {
    // Ring and pinion howl, and the howl swells once with each turn of the wheel.
    ...{ file: 'once-a-wheel-turn.wav', unitType: 'torvane-hx41', gear: 'Drive', kmh: 45, outputPerWheel: 1 },
    make: (samples, making, order) =>
      addWhine(samples, making, {
        ...{ order: order('pinion-head·ring-gear', 'mesh'), level: -9, multiples: 2 },
        sideband: { order: 11 / 41, depth: 0.6 },
      }),
  },
  {
    ...{ file: 'tyres-in-high.wav', unitType: 'orlop-t2', gear: 'H', kmh: 70, outputPerWheel: 3.5 },
    make: (samples, making) => addHum(samples, making, { hz: 310, level: 2 }),
  },
  {
    ...{ file: 'nothing-much.wav', unitType: 'skell-five', gear: '4', kmh: 60, outputPerWheel: 4.1 },
    make: () => {},
  },
];

const [RATE, SECONDS] = [16_000, 10];

/** A scene's samples, the same whenever it is made. */
export function made(
  { unitType, gear, kmh, outputPerWheel, make }: Scene,
  seed: number,
): { readonly samples: Float32Array; readonly rate: number } {
  const type = shippedUnitTypes().find(({ id }) => id === unitType);
  const unit = type && ordersOfUnit(type, gear);
  if (!unit) throw new Error(`${unitType} does not turn in ${gear}`);
  const { reference } = turningOf(
    { by: 'road', kmh },
    { ratio: unit.ratio, seconds: SECONDS, doubt: 0.02, road: { wheelRolls: 2.2, outputPerWheel } },
  );
  const random = seeded(seed);
  const making: Making = {
    ...{ rate: RATE, seconds: SECONDS, random },
    reference: wanderingSpeed(reference, 0.006, 0.003, random),
  };
  const samples = emptyRecording(making);
  addNoise(samples, making);
  make(samples, making, (place, kind) => {
    const found = unit.orders.find(
      (order) => order.place === place && order.kind === kind && order.multiple === 1,
    );
    if (!found)
      throw new Error(
        `${unitType} makes no ${kind} at ${place}: ${[...new Set(unit.orders.map((order) => order.place))].join(', ')}`,
      );
    return found.order;
  });
  return { samples, rate: RATE };
}
