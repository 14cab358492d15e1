import * as v from 'valibot';
import { IdSchema, VersionSchema, words } from './ids';

const place = v.pipe(
  v.number('a number of millimetres is needed'),
  v.finite(),
  v.minValue(-3000, 'at most 3 m'),
  v.maxValue(3000, 'at most 3 m'),
);
const size = v.pipe(place, v.gtValue(0, 'must be greater than 0'));
const fromEnd = v.pipe(place, v.minValue(0, 'must not be negative'));

/** How a shaft lies that no pair of gears puts in its place. Lengths in millimetres. */
const LiesSchema = v.variant('how', [
  v.object({
    how: v.literal('in line'),
    with: IdSchema,
    /** From the left end of the other shaft to the left end of this one. */
    start: place,
    /** The gear in which the two are tied and turn as one. */
    tiedIn: v.optional(words(20)),
  }),
  v.object({
    how: v.literal('across'),
    with: IdSchema,
    /** From the left end of the other shaft to where the two axes cross. */
    at: place,
    /** From the crossing to the near end of this shaft; negative where it goes on beyond the crossing. */
    start: place,
  }),
]);

export const ShaftRowSchema = v.object({
  position: IdSchema,
  length: size,
  diameter: size,
  lies: v.optional(LiesSchema),
});

export const GearRowSchema = v.object({
  position: IdSchema,
  shaft: IdSchema,
  /** From the left end of its shaft to the gear's left face. */
  place: fromEnd,
  width: size,
  teeth: v.pipe(
    v.number('a whole number of teeth is needed'),
    v.integer('a whole number of teeth is needed'),
    v.minValue(3, 'at least 3 teeth'),
    v.maxValue(400, 'at most 400 teeth'),
  ),
  /** Over the tips of its teeth, as measured. */
  outside: v.optional(size),
  mate: v.optional(IdSchema),
  /** It runs free on its shaft, and is tied to it in this gear. */
  tiedIn: v.optional(words(20)),
});

export const RingRowSchema = v.pipe(
  v.object({
    position: IdSchema,
    shaft: IdSchema,
    place: fromEnd,
    inner: size,
    outer: size,
    width: size,
  }),
  v.check(({ inner, outer }) => inner < outer, 'the inside is not smaller than the outside'),
);

/** What a hand measures on a box that nobody has described: shafts, gears on them with their mates, and what else sits on them. */
export const PlainBoxSchema = v.object({
  /** Normal module where no centre distance and no outside diameter tells it. */
  module: v.pipe(
    v.number('a module is needed'),
    v.finite(),
    v.gtValue(0, 'must be greater than 0'),
    v.maxValue(40, 'at most 40'),
  ),
  /** Shafts; without both of them the box has no ratio yet. */
  input: v.optional(IdSchema),
  output: v.optional(IdSchema),
  shafts: v.pipe(
    v.array(ShaftRowSchema),
    v.minLength(1, 'at least one shaft'),
    v.maxLength(12, 'at most 12 shafts'),
  ),
  gears: v.pipe(v.array(GearRowSchema), v.maxLength(60, 'at most 60 gears')),
  /** Bearings, seals, washers, rings: what else sits on a shaft. */
  rings: v.optional(v.pipe(v.array(RingRowSchema), v.maxLength(120, 'at most 120 of them')), []),
});
export type PlainBox = v.InferOutput<typeof PlainBoxSchema>;

export const DescribeBoxSchema = v.object({ jobId: IdSchema, version: VersionSchema, box: PlainBoxSchema });
