import * as v from 'valibot';
import { words } from './ids';

const figure = (least: number, most: number, words: string) =>
  v.pipe(v.number(words), v.finite(words), v.minValue(least, words), v.maxValue(most, words));
const kmh = figure(1, 300, 'a road speed lies between 1 and 300 km/h');
const second = figure(0, 600, 'a mark lies within the recording');

/** How fast it turned, as far as anybody knows. */
export const SpeedSaidSchema = v.variant('by', [
  v.object({ by: v.literal('road'), kmh }),
  /** Faster and faster: the speed at two marks. */
  v.pipe(
    v.object({ by: v.literal('run-up'), from: v.object({ second, kmh }), to: v.object({ second, kmh }) }),
    v.check(({ from, to }) => from.second < to.second, 'the second mark comes after the first'),
  ),
  v.object({
    by: v.literal('turns'),
    perMinute: figure(1, 20_000, 'turns lie between 1 and 20 000 a minute'),
    of: v.picklist(['input', 'output']),
  }),
  /** Turned slowly on the bench: how often in the whole recording. */
  v.object({
    by: v.literal('hand'),
    revolutions: figure(0.5, 2000, 'revolutions lie between a half and 2 000'),
    of: v.picklist(['input', 'output']),
  }),
]);
export type SpeedSaid = v.InferOutput<typeof SpeedSaidSchema>;

export const RECORDED_WHERE = [
  'on the road',
  'on the lift',
  'on the test bench',
  'by hand on the bench',
] as const;
export const LOADS = ['drive', 'coast', 'float'] as const;

/** What is known of a recording. Without gear and speed it can be looked at and listened to, and nothing is held against it. */
export const ToldOfRecordingSchema = v.object({
  where: v.picklist(RECORDED_WHERE),
  /** In the vehicle or on the unit: “under the tunnel, phone on the floor”. */
  place: words(120),
  gear: words(20),
  load: v.picklist(LOADS),
  speed: v.optional(SpeedSaidSchema),
  /** By which part the speed may be off. */
  doubt: figure(0.002, 0.2, 'the doubt of the speed lies between 0.2 and 20 %'),
  /** What the wheel rolls in one turn, m. */
  wheelRolls: figure(0.5, 6, 'a wheel rolls between 0.5 and 6 m a turn'),
  /** Turns of the unit's output for one of the wheel. */
  outputPerWheel: figure(0.05, 60, 'the output turns between 0.05 and 60 times for one of the wheel'),
});
export type ToldOfRecording = v.InferOutput<typeof ToldOfRecordingSchema>;
