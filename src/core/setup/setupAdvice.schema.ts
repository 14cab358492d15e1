import * as v from 'valibot';
import { finite, notNegative, positive } from '../fields';

const place = v.object({ length: finite, height: finite });
const told = v.object({ value: finite, deviation: notNegative });
const shift = v.object({ ring: finite, depth: finite });

export const SetupAdviceInputSchema = v.object({
  gearSet: v.object({
    pinionTeeth: v.pipe(v.number(), v.integer(), v.minValue(3)),
    ringTeeth: v.pipe(v.number(), v.integer(), v.minValue(3)),
    pressureAngleDeg: v.pipe(v.number(), v.minValue(5), v.maxValue(45)),
    spiralAngleDeg: v.optional(v.pipe(v.number(), v.minValue(0), v.maxValue(60)), 0),
  }),
  bands: v.object({
    backlash: v.pipe(
      v.object({ min: notNegative, max: positive, aim: v.optional(positive), variation: positive }),
      v.check(({ min, max }) => min < max, 'the least lies above the most'),
      v.check(
        ({ min, max, aim }) => aim === undefined || (aim >= min && aim <= max),
        'the aim lies outside of the band',
      ),
    ),
    pattern: v.object({ length: finite, height: finite, tolerance: positive }),
  }),
  /** Total of the ring's back face at the pitch radius, mm. */
  runOut: v.optional(notNegative),
  /** The smallest move that shims or notches allow, mm. */
  step: v.optional(v.object({ ring: v.optional(positive), depth: v.optional(positive) }), {}),
  rounds: v.pipe(
    v.array(
      v.object({
        moved: v.optional(shift),
        teeth: v.pipe(
          v.array(v.object({ tooth: v.pipe(v.number(), v.integer(), v.minValue(0)), backlash: finite })),
          v.minLength(1, 'no tooth was read'),
          v.maxLength(200),
        ),
        drive: v.optional(place),
        coast: v.optional(place),
        readingDeviation: notNegative,
      }),
    ),
    v.minLength(1, 'no round yet'),
    v.maxLength(40),
  ),
});
export type SetupAdviceInput = v.InferOutput<typeof SetupAdviceInputSchema>;

export const SetupAdviceOutputSchema = v.object({
  status: v.picklist(['in-band', 'move', 'cannot', 'misread']),
  move: v.optional(shift),
  predicted: v.optional(v.object({ backlash: told, drive: v.optional(place), coast: v.optional(place) })),
  factor: told,
  /** How far the patches go for a millimetre of depth and of backlash, as shares of the flank: what is usual, bent by what this set has shown. */
  sensitivities: v.optional(
    v.array(
      v.object({
        flank: v.picklist(['drive', 'coast']),
        axis: v.picklist(['length', 'height']),
        perDepth: told,
        perBacklash: told,
      }),
    ),
  ),
  repeat: v.optional(v.object({ round: finite, tooth: v.optional(finite), what: v.optional(v.string()) })),
  reason: v.string(),
});
export type SetupAdvice = v.InferOutput<typeof SetupAdviceOutputSchema>;
