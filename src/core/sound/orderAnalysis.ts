import * as v from 'valibot';
import type { UnitType } from '@/model/unitType';
import { BadInput } from '../badInput';
import type { Calculation } from '../calculation';
import { finite, positive } from '../fields';
import { analyse } from './analyse';
import { ordersOfUnit } from './orders';
import { turningOf } from './turning';
import { readWavHeader, samplesOf } from './wav';

/** A recording by its path: its whole file. */
export type ReadRecording = (path: string) => Promise<Uint8Array>;

export const OrderAnalysisInputSchema = v.pipe(
  v.object({
    recording: v.pipe(v.string(), v.minLength(1, 'the path of a recording')),
    /** The id of a described type. */
    unitType: v.string(),
    gear: v.string(),
    load: v.optional(v.picklist(['drive', 'coast'])),
    speedKmh: v.optional(v.pipe(positive, v.maxValue(300, 'at most 300 km/h'))),
    inputTurnsPerMinute: v.optional(v.pipe(positive, v.maxValue(20_000, 'at most 20 000 a minute'))),
    speedDoubt: v.optional(
      v.pipe(finite, v.minValue(0.002, 'at least 0.002'), v.maxValue(0.2, 'at most 0.2')),
      0.02,
    ),
    /** m */
    rollingCircumference: v.optional(positive, 2.2),
    /** Turns of the unit's output for one of the wheel. */
    outputPerWheel: v.optional(positive, 1),
  }),
  v.check(
    ({ speedKmh, inputTurnsPerMinute }) => (speedKmh === undefined) !== (inputTurnsPerMinute === undefined),
    'the speed is given once: by speedKmh or by inputTurnsPerMinute',
  ),
);

export const OrderAnalysisOutputSchema = v.object({
  matches: v.array(
    v.object({
      order: v.number(),
      of: v.string(),
      place: v.string(),
      level: v.number(),
      ratio: v.number(),
      frequency: v.number(),
      share: v.number(),
      in: v.string(),
      swellsWith: v.string(),
    }),
  ),
  unmatched: v.array(v.object({ frequency: v.number(), level: v.number(), from: v.string() })),
  clipped: v.boolean(),
  speedOff: v.number(),
});

/**
 * What of a unit is heard in a recording: orders for each turn of the input, levels in dB over the noise nearby, the strongest first.
 * @param unitTypes those that it may name
 */
export const orderAnalysis = (unitTypes: () => readonly UnitType[], read: ReadRecording): Calculation => ({
  line: 'What of a unit is heard in a recording of it: orders, levels, and what they speak for',
  input: OrderAnalysisInputSchema,
  output: OrderAnalysisOutputSchema,
  run: async (raw) => {
    const input = v.parse(OrderAnalysisInputSchema, raw);
    return v.parse(
      OrderAnalysisOutputSchema,
      heardIn(await read(input.recording), typeOf(unitTypes(), input.unitType), input),
    );
  },
});

function typeOf(types: readonly UnitType[], id: string): UnitType {
  const type = types.find((each) => each.id === id);
  if (!type) throw new BadInput('unitType', `no unit type “${id}” ships`);
  return type;
}

function heardIn(
  file: Uint8Array,
  type: UnitType,
  input: v.InferOutput<typeof OrderAnalysisInputSchema>,
): unknown {
  const format = readWavHeader(file, file.length);
  const bytes = file.buffer.slice(file.byteOffset, file.byteOffset + file.byteLength) as ArrayBuffer;
  const coast = input.load === 'coast';
  const unit = ordersOfUnit(type, input.gear, coast);
  if (!unit)
    throw new BadInput(
      'gear',
      `this unit’s train is not described in “${input.gear}”, or does not turn in it`,
    );
  const turning = turningOf(
    input.speedKmh === undefined
      ? { by: 'turns', perMinute: input.inputTurnsPerMinute!, of: 'input' }
      : { by: 'road', kmh: input.speedKmh },
    {
      ...{ ratio: unit.ratio, seconds: format.seconds, doubt: input.speedDoubt },
      road: { wheelRolls: input.rollingCircumference, outputPerWheel: input.outputPerWheel },
    },
  );
  return analyse(samplesOf(bytes, format), format.rate, { ...unit, turning });
}
