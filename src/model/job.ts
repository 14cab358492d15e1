import * as v from 'valibot';
import { ConclusionSchema } from './conclusion';
import { FindingContentSchema, GradeSchema, StoryRoleSchema } from './damage';
import { DaySchema, InstantSchema } from './day';
import { CaptureIdSchema, DigestSchema, IdSchema, VersionSchema, words } from './ids';
import { NOTHING_NOTED, ReceivedSchema, SymptomSchema } from './symptoms';
import { TOO_CLOSE_POLICIES } from './tooClose';
import { UnitSchema } from './units';
import { UnitFamilySchema } from './unitType';

/** The nine stations in the order in which the shop works. They guide, they never lock. */
export const STATIONS = [
  { id: 'book-in', name: 'Book in' },
  { id: 'drain', name: 'Drain' },
  { id: 'baseline', name: 'Baseline' },
  { id: 'strip', name: 'Strip' },
  { id: 'grade', name: 'Grade' },
  { id: 'cause', name: 'Cause' },
  { id: 'decide', name: 'Decide' },
  { id: 'rebuild', name: 'Rebuild' },
  { id: 'hand-over', name: 'Hand over' },
] as const;
export type StationId = (typeof STATIONS)[number]['id'];

export const PegSchema = v.pipe(
  v.number('a peg number is a whole number'),
  v.integer('a peg number is a whole number'),
  v.minValue(1),
  v.maxValue(99999),
);

/** What the counter asks. `unitTypeId` left out means: not described yet. */
export const BookInSchema = v.object({
  peg: PegSchema,
  customer: words(80, 1),
  customerContact: words(160),
  machine: words(80, 1),
  distanceKm: v.optional(v.pipe(v.number(), v.minValue(0), v.maxValue(9_999_999))),
  unitTypeId: v.optional(IdSchema),
  unitTitle: words(80, 1),
  unitFamily: UnitFamilySchema,
  serial: words(40),
  tag: words(40),
  complaint: words(1200, 1),
  symptoms: v.pipe(v.array(SymptomSchema), v.maxLength(20)),
  received: v.optional(ReceivedSchema, NOTHING_NOTED),
  oilClaimed: words(120),
  history: words(600),
  dueOn: DaySchema,
  /** The job of this house that this unit was before. */
  comebackOf: v.optional(IdSchema),
});
export type BookIn = v.InferOutput<typeof BookInSchema>;

/** What may be changed after booking in; the unit type is changed on its own road. */
export const JobEditSchema = v.object({
  version: VersionSchema,
  customer: words(80, 1),
  customerContact: words(160),
  machine: words(80, 1),
  serial: words(40),
  tag: words(40),
  complaint: words(1200, 1),
  symptoms: v.optional(v.pipe(v.array(SymptomSchema), v.maxLength(20))),
  received: v.optional(ReceivedSchema),
  oilClaimed: words(120),
  history: words(600),
  dueOn: DaySchema,
  waitsFor: words(80),
  /** Empty: the shop's own rule. */
  tooClosePolicy: v.optional(v.picklist(['', ...TOO_CLOSE_POLICIES.map(({ id }) => id)]), ''),
});
export type JobEdit = v.InferOutput<typeof JobEditSchema>;

export const captureFields = {
  id: CaptureIdSchema,
  jobId: IdSchema,
  authorId: IdSchema,
  deviceTime: InstantSchema,
};

/** A reading as it was taken. The server works out the value in the base unit itself. */
export const ReadingCaptureSchema = v.object({
  ...captureFields,
  positionId: IdSchema,
  checkId: IdSchema,
  place: words(30),
  raw: v.pipe(
    v.string(),
    v.trim(),
    v.minLength(1, 'no figures yet'),
    v.maxLength(20, 'at most 20 characters'),
  ),
  unit: UnitSchema,
  gaugeId: IdSchema,
  temperatureC: v.optional(v.pipe(v.number(), v.finite(), v.minValue(-40), v.maxValue(200))),
  /** How the part was held; left out where nobody said it. */
  held: v.optional(words(60, 1)),
});
export type ReadingCapture = v.InferOutput<typeof ReadingCaptureSchema>;

export const FindingCaptureSchema = v.object({
  ...captureFields,
  positionId: IdSchema,
  ...FindingContentSchema.entries,
});
export type FindingCapture = v.InferOutput<typeof FindingCaptureSchema>;

export const PhotographCaptureSchema = v.object({
  ...captureFields,
  positionId: v.optional(IdSchema),
  /** Where in the work it was taken, and at which step of the strip. */
  station: v.optional(v.picklist(STATIONS.map(({ id }) => id))),
  stepId: v.optional(IdSchema),
  fileName: words(160),
  bytes: v.pipe(v.number(), v.integer(), v.minValue(1)),
  digest: DigestSchema,
});

/** A noise as a WAV file; what is known of it is told beside it. */
export const RecordingCaptureSchema = v.object({
  ...captureFields,
  station: v.optional(v.picklist(STATIONS.map(({ id }) => id))),
  fileName: words(160),
  bytes: v.pipe(v.number(), v.integer(), v.minValue(1)),
  digest: DigestSchema,
});

export const CAPTURE_KINDS = ['reading', 'finding', 'photograph', 'recording', 'record'] as const;
export const CaptureKindSchema = v.picklist(CAPTURE_KINDS);
/** Everything that is stored under a mark made on a device. */
export type StoredKind = CaptureKind | JudgedKind;
/** What people judge: of each there is one that holds, the last; a version that lost against another is kept beside it. */
export type JudgedKind = 'grade' | 'decision' | 'cause' | 'unit-decision' | 'identity' | 'acceptance';
export type CaptureKind = v.InferOutput<typeof CaptureKindSchema>;

export const StrikeSchema = v.object({
  kind: CaptureKindSchema,
  captureId: CaptureIdSchema,
  reason: words(200, 1),
  /** Taken back within ten seconds: folded away as a slip. */
  slip: v.optional(v.boolean(), false),
});

export const GradeEntrySchema = v.object({
  positionId: IdSchema,
  version: VersionSchema,
  grade: GradeSchema,
  reason: words(300),
});

/** What a judgement was made on: the ids of the captures that were looked at. */
const evidence = v.optional(v.pipe(v.array(CaptureIdSchema), v.maxLength(2000)), []);

/** A grade as it was put down at the bench: with what the rules proposed there, and which rules. */
export const GradeCaptureSchema = v.object({
  ...captureFields,
  ...GradeEntrySchema.entries,
  proposed: v.nullable(GradeSchema),
  rulesRevision: v.pipe(v.number(), v.integer(), v.minValue(0)),
  evidence,
});

export const SURENESS = ['certain', 'likely', 'possible', 'unknown'] as const;
export const SurenessSchema = v.picklist(SURENESS);
export type Sureness = v.InferOutput<typeof SurenessSchema>;
export const SURENESS_WORDS: Record<Sureness, string> = {
  certain: 'The evidence leaves no reasonable doubt',
  likely: 'Likely, other causes are not ruled out',
  possible: 'Possible, one of several',
  unknown: 'Not known',
};

export const CauseNoteSchema = v.object({
  version: VersionSchema,
  words: words(1200, 1),
  plainWords: words(1200, 1),
  sureness: SurenessSchema,
  firstFailure: v.optional(IdSchema),
  storyRole: v.optional(StoryRoleSchema),
  conclusion: v.optional(ConclusionSchema),
});
/** A cause as it was noted at the bench. */
export const CauseCaptureSchema = v.object({ ...captureFields, ...CauseNoteSchema.entries });

export const PART_DECISIONS = [
  { id: 'reuse', name: 'Reuse' },
  { id: 'clean-reuse', name: 'Clean and reuse' },
  { id: 'turn-over', name: 'Turn over' },
  { id: 'rework', name: 'Rework' },
  { id: 'replace', name: 'Replace' },
  { id: 'replace-with-mate', name: 'Replace with mate' },
  { id: 'replace-one-use', name: 'Replace, one-use' },
  { id: 'ask-customer', name: 'Ask customer' },
  { id: 'from-donor', name: 'From donor' },
  { id: 'not-decided', name: 'Not decided' },
] as const;
export const PartDecisionIdSchema = v.picklist(PART_DECISIONS.map((decision) => decision.id));
export type PartDecisionId = v.InferOutput<typeof PartDecisionIdSchema>;

export const PartDecisionSchema = v.object({
  positionId: IdSchema,
  version: VersionSchema,
  decision: PartDecisionIdSchema,
  reason: words(300),
  /** Who takes the risk, where a piece is kept that must go. */
  riskBy: v.optional(words(60), ''),
});

/** A decision about a part as it was made at the bench, beside what the rules proposed there. */
export const DecisionCaptureSchema = v.object({
  ...captureFields,
  ...PartDecisionSchema.entries,
  proposed: PartDecisionIdSchema,
  evidence,
});

export const UNIT_DECISIONS = [
  { id: 'repair', name: 'Repair as found' },
  { id: 'repair-preventive', name: 'Repair with preventive parts' },
  { id: 'exchange', name: 'Exchange or used unit' },
  { id: 'best-of-several', name: 'Build one good unit from several' },
  { id: 'scrap', name: 'Scrap' },
] as const;
export const UnitDecisionIdSchema = v.picklist(UNIT_DECISIONS.map((decision) => decision.id));
export type UnitDecisionId = v.InferOutput<typeof UnitDecisionIdSchema>;

export const UnitDecisionSchema = v.object({
  version: VersionSchema,
  decision: UnitDecisionIdSchema,
  reason: words(600, 1),
  watch: words(600),
});
/** A decision for the unit as it was made at the bench. */
export const UnitDecisionCaptureSchema = v.object({ ...captureFields, ...UnitDecisionSchema.entries });
