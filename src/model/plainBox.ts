import * as v from 'valibot';
import { IdSchema, VersionSchema } from './ids';

const mm = v.pipe(
  v.number('a number of millimetres is needed'),
  v.finite(),
  v.minValue(0, 'must not be negative'),
  v.maxValue(3000, 'at most 3 m'),
);
const size = v.pipe(mm, v.gtValue(0, 'must be greater than 0'));

/** What a hand measures on a box that nobody has described: shafts, and gears on them with their mates. */
export const PlainBoxSchema = v.object({
  /** Normal module where no centre distance tells it. */
  module: v.pipe(
    v.number('a module is needed'),
    v.finite(),
    v.gtValue(0, 'must be greater than 0'),
    v.maxValue(40, 'at most 40'),
  ),
  input: IdSchema,
  output: IdSchema,
  shafts: v.pipe(
    v.array(v.object({ position: IdSchema, length: size, diameter: size })),
    v.minLength(1, 'at least one shaft'),
    v.maxLength(12, 'at most 12 shafts'),
  ),
  gears: v.pipe(
    v.array(
      v.object({
        position: IdSchema,
        shaft: IdSchema,
        /** From the left end of its shaft to the gear's left face. */
        place: mm,
        width: size,
        teeth: v.pipe(
          v.number('a whole number of teeth is needed'),
          v.integer('a whole number of teeth is needed'),
          v.minValue(3, 'at least 3 teeth'),
          v.maxValue(400, 'at most 400 teeth'),
        ),
        mate: v.optional(IdSchema),
      }),
    ),
    v.maxLength(60, 'at most 60 gears'),
  ),
});
export type PlainBox = v.InferOutput<typeof PlainBoxSchema>;

export const DescribeBoxSchema = v.object({ jobId: IdSchema, version: VersionSchema, box: PlainBoxSchema });
