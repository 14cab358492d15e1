import * as v from 'valibot';
import { CheckSchema } from './checks';
import { CaptureIdSchema, IdSchema, VersionSchema, words } from './ids';
import { captureFields } from './job';
import { TooClosePolicySchema } from './tooClose';
import { ReadsInSchema, UnitSchema } from './units';

/** Who took the risk of a reading that is too close to call. */
export interface Acceptance {
  readonly positionId: string;
  readonly checkId: string;
  /** Ids of the readings that were seen; with other readings it no longer holds. */
  readonly readings: readonly string[];
  readonly reason: string;
  readonly by: string;
  readonly at: string;
}

/** An acceptance as it was given at the bench, for the readings that were seen there. */
export const AcceptanceCaptureSchema = v.object({
  ...captureFields,
  positionId: IdSchema,
  checkId: IdSchema,
  /** Ids of the readings that were seen; devices of the version before say how many there were, and the last. */
  readings: v.union([v.pipe(v.array(CaptureIdSchema), v.minLength(1), v.maxLength(2000)), words(80, 1)]),
  reason: words(200, 1),
});

/** A new revision of a unit type's checks and limits. */
export const SheetRevisionSchema = v.object({
  unitTypeId: IdSchema,
  basedOnRevision: v.pipe(v.number(), v.integer(), v.minValue(1)),
  note: words(200, 1),
  checks: v.pipe(v.array(CheckSchema), v.maxLength(2000)),
});

export const AdoptSheetSchema = v.object({
  jobId: IdSchema,
  version: v.pipe(v.number(), v.integer(), v.minValue(0)),
  revision: v.pipe(v.number(), v.integer(), v.minValue(1)),
});

const count = v.pipe(
  v.number('a whole number is needed'),
  v.integer('a whole number is needed'),
  v.minValue(3, 'at least 3'),
  v.maxValue(400, 'at most 400'),
);

/** Teeth and splines as counted by hand. */
export const IdentityCountsSchema = v.object({
  pinionTeeth: count,
  ringTeeth: count,
  marked: v.optional(words(40), ''),
  /** The number of the set as it stands on each gear. */
  pinionSet: v.optional(words(40)),
  ringSet: v.optional(words(40)),
  /** Ratio on the tag, where the tag carries one. */
  tagRatio: v.optional(
    v.pipe(v.number(), v.gtValue(0, 'must be greater than 0'), v.maxValue(100, 'at most 100')),
  ),
  splinesCounted: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(500))),
  splinesMate: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(500))),
});
export type IdentityCounts = v.InferOutput<typeof IdentityCountsSchema>;

/** What was counted, as it comes from the bench. */
export const IdentityCaptureSchema = v.object({
  ...captureFields,
  pairId: IdSchema,
  version: VersionSchema,
  counts: IdentityCountsSchema,
});

export interface IdentityEntry extends IdentityCounts {
  readonly pairId: string;
  readonly version: number;
  readonly by: string;
  readonly at: string;
}

export const GaugeStudyPlanSchema = v.object({
  title: words(80, 1),
  gaugeId: IdSchema,
  parts: v.pipe(
    v.number('a whole number is needed'),
    v.integer('a whole number is needed'),
    v.minValue(2, 'at least two parts'),
    v.maxValue(20, 'at most 20 parts'),
  ),
  trials: v.pipe(
    v.number('a whole number is needed'),
    v.integer('a whole number is needed'),
    v.minValue(2, 'everybody reads each part at least twice'),
    v.maxValue(5, 'at most five times'),
  ),
  appraisers: v.pipe(
    v.array(IdSchema),
    v.minLength(2, 'at least two people'),
    v.maxLength(6, 'at most six people'),
  ),
  /** Width of the limit that the gauge is to decide, in the gauge's unit. */
  tolerance: v.optional(
    v.pipe(v.number('a number is needed'), v.finite(), v.gtValue(0, 'must be greater than 0')),
  ),
  toleranceWords: v.optional(words(80), ''),
});
export type GaugeStudyPlan = v.InferOutput<typeof GaugeStudyPlanSchema>;

export const GaugeStudyReadingSchema = v.object({
  studyId: IdSchema,
  trial: v.pipe(v.number(), v.integer(), v.minValue(0)),
  part: v.pipe(v.number(), v.integer(), v.minValue(0)),
  raw: v.pipe(
    v.string(),
    v.trim(),
    v.minLength(1, 'no figures yet'),
    v.maxLength(20, 'at most 20 characters'),
  ),
  unit: UnitSchema,
});

export const ReadsInChoiceSchema = v.object({ readsIn: ReadsInSchema });
export const TooCloseChoiceSchema = v.object({ policy: TooClosePolicySchema });
