import * as v from 'valibot';
import { CaptureIdSchema, IdSchema, InstantSchema, words } from './ids';
import {
  PatternMovedSchema,
  PictureMarkedSchema,
  PictureMeasuredSchema,
  PictureScaledSchema,
  PictureSizedSchema,
} from './pictureRecord';

/*
 * What is recorded at the bench beside readings, findings and photographs: how the oil came out, how each step of the strip
 * went, how many pieces were counted. They are captures like the others: taken on the device, sent once, struck out but
 * never deleted.
 */

const amount = (most: number) =>
  v.pipe(
    v.number('a number is needed'),
    v.finite(),
    v.minValue(0, 'must not be below zero'),
    v.maxValue(most, `at most ${most}`),
  );
const pieces = (most: number) =>
  v.pipe(
    v.number('a whole number is needed'),
    v.integer('a whole number is needed'),
    v.minValue(0, 'a count can’t be below zero'),
    v.maxValue(most, `at most ${most}`),
  );

export const OIL_COLOURS = ['clear', 'amber', 'brown', 'black', 'grey', 'milky'] as const;
export const OIL_SMELLS = ['as oil', 'sulphur', 'burnt', 'of fuel', 'of nothing'] as const;
export const WATER = ['none', 'cloudy', 'drops', 'a layer'] as const;
export const ON_MAGNET = ['nothing', 'paste', 'slivers', 'flakes', 'needles', 'chunks'] as const;
export const GLITTER = ['none', 'grey', 'yellow', 'grey and yellow'] as const;
/** Faces that a piece can be told by, and what they can look at. */
export const PIECE_FACES = [
  'chamfer',
  'shoulder',
  'oil groove',
  'lip',
  'large end',
  'small end',
  'thick side',
  'number',
] as const;
export const TOWARD = ['front', 'rear', 'left', 'right', 'up', 'down'] as const;
export const SIDES = ['left', 'right', 'front', 'rear', 'upper', 'lower'] as const;

const DrainedSchema = v.object({
  what: v.literal('drained'),
  litres: amount(500),
  colour: v.picklist(OIL_COLOURS),
  smell: v.picklist(OIL_SMELLS),
  water: v.picklist(WATER),
  magnet: v.pipe(v.array(v.picklist(ON_MAGNET)), v.minLength(1, 'say what hung on the magnet')),
  glitter: v.picklist(GLITTER),
  note: words(300),
});

/** A piece that broke off something: it waits until its source is found. */
const DebrisSchema = v.object({
  what: v.literal('debris'),
  piece: words(80, 1),
  where: words(60),
  colour: v.picklist(['grey', 'yellow', 'black']),
  lengthMm: v.optional(amount(500)),
});

/** Where a piece came from; without a part it is signed as one whose source can't be found any more. */
const MatchSchema = v.object({
  what: v.literal('match'),
  debrisId: CaptureIdSchema,
  positionId: v.optional(IdSchema),
  note: words(200),
});

const NotMeasuredSchema = v.object({
  what: v.literal('not-measured'),
  checkId: IdSchema,
  positionId: IdSchema,
  reason: words(200, 1),
});

const MovedOnSchema = v.object({
  what: v.literal('moved-on'),
  /** How many checks of the baseline were open then. */
  open: pieces(999),
  reason: words(200),
});

const StepDoneSchema = v.object({
  what: v.literal('step'),
  /** A step of the plan; left out for one that was added at the bench. */
  stepId: v.optional(IdSchema),
  title: v.optional(words(160, 1)),
  skipped: v.optional(v.boolean()),
  reason: v.optional(words(200)),
  side: v.optional(v.picklist(SIDES)),
  /** Which face of it looked where. */
  orientation: v.optional(v.object({ face: v.picklist(PIECE_FACES), toward: v.picklist(TOWARD) })),
  /** The same in words, where no face above tells it. */
  wayRound: v.optional(words(120)),
  marks: v.optional(words(120)),
  adjusterTurns: v.optional(
    v.pipe(v.number('turns are a number'), v.finite(), v.minValue(-99), v.maxValue(99)),
  ),
  /** Shims as they lay, from the case inward. */
  shims: v.optional(
    v.pipe(
      v.array(
        v.object({
          positionId: IdSchema,
          thicknessMm: v.pipe(
            v.number('a thickness is needed'),
            v.gtValue(0, 'must be greater than 0'),
            v.maxValue(50),
          ),
        }),
      ),
      v.maxLength(60),
    ),
  ),
  looseWhenFound: v.optional(v.boolean()),
  lockMissing: v.optional(v.boolean()),
  note: v.optional(words(300)),
});

const CountSchema = v.object({
  what: v.literal('count'),
  positionId: IdSchema,
  counted: pieces(9999),
  /** Not what belongs there: another pattern, size or make. */
  wrong: v.optional(v.boolean()),
  note: words(200),
});

/** A laboratory's figures for a sample of the oil. */
const LabSchema = v.object({
  what: v.literal('lab'),
  sample: words(60, 1),
  distanceKm: v.optional(amount(9_999_999)),
  values: v.pipe(
    v.array(v.object({ element: IdSchema, value: amount(1_000_000) })),
    v.minLength(1, 'at least one figure'),
    v.maxLength(40),
  ),
  note: words(300),
  /** The sample that this answers. */
  answersId: v.optional(CaptureIdSchema),
});

/** A sample of the oil is on its way to the laboratory. */
const LabSentSchema = v.object({
  what: v.literal('lab-sent'),
  sample: words(60, 1),
  distanceKm: v.optional(amount(9_999_999)),
});

/** The order in which this unit came apart is better than the type's own, and why. */
const OrderSchema = v.object({ what: v.literal('order'), why: words(200, 1) });

/** A grave caution was read before the step; once for the whole job. */
const CautionSeenSchema = v.object({ what: v.literal('caution-seen'), cautionId: IdSchema });

/** A capture that the shop's computer could not store was given up on a device, and why: it is told that there was one. */
const GivenUpSchema = v.object({
  what: v.literal('given-up'),
  kind: words(20, 1),
  message: words(300),
  reason: words(200, 1),
});

/** Readings that belong to other places than they were taken at; the readings themselves never change. */
const MovedReadingsSchema = v.object({
  what: v.literal('readings-moved'),
  moves: v.pipe(
    v.array(v.object({ readingId: CaptureIdSchema, place: words(30) })),
    v.minLength(1, 'at least one reading'),
    v.maxLength(2000),
  ),
  reason: words(200, 1),
});

/** A reading that was read with another gauge than it says. */
const OtherGaugeSchema = v.object({
  what: v.literal('reading-gauge'),
  readingId: CaptureIdSchema,
  gaugeId: IdSchema,
  reason: words(200, 1),
});

export const RecordContentSchema = v.variant('what', [
  DrainedSchema,
  DebrisSchema,
  MatchSchema,
  NotMeasuredSchema,
  MovedOnSchema,
  StepDoneSchema,
  CountSchema,
  LabSchema,
  LabSentSchema,
  PictureMarkedSchema,
  PictureScaledSchema,
  PictureSizedSchema,
  PictureMeasuredSchema,
  PatternMovedSchema,
  OrderSchema,
  CautionSeenSchema,
  GivenUpSchema,
  MovedReadingsSchema,
  OtherGaugeSchema,
]);
export type RecordContent = v.InferOutput<typeof RecordContentSchema>;
export type RecordOf<What extends RecordContent['what']> = Extract<RecordContent, { what: What }>;

export const BenchRecordCaptureSchema = v.object({
  id: CaptureIdSchema,
  jobId: IdSchema,
  authorId: IdSchema,
  deviceTime: InstantSchema,
  content: RecordContentSchema,
});
