import * as v from 'valibot';
import { CaptureIdSchema, IdSchema, words } from './ids';

/** The families of parts that damage words, rules and cautions are kept for. */
export const FAMILIES = [
  'gear-teeth',
  'dog-teeth',
  'synchro-ring',
  'hub-sleeve-fork',
  'rolling-bearing',
  'chain-sprocket',
  'bush-washer-pin',
  'shaft-spline',
  'housing',
  'friction',
  'fastener-seal',
  'differential-unit',
] as const;
export const FamilySchema = v.picklist(FAMILIES);
export type Family = v.InferOutput<typeof FamilySchema>;
/** How each is called where no revision of the words is at hand. */
export const FAMILY_NAMES: Readonly<Record<Family, string>> = {
  'gear-teeth': 'Gear teeth',
  'dog-teeth': 'Dog and synchro teeth',
  'synchro-ring': 'Synchro rings',
  'hub-sleeve-fork': 'Hubs, sleeves, forks',
  'rolling-bearing': 'Rolling bearings',
  'chain-sprocket': 'Chains and sprockets',
  'bush-washer-pin': 'Bushes, washers, pins',
  'shaft-spline': 'Shafts and splines',
  housing: 'Housings and carriers',
  friction: 'Friction packs and bands',
  'fastener-seal': 'Fasteners, rings, seals',
  'differential-unit': 'Differential units',
};

export const SEVERITIES = ['light', 'moderate', 'severe'] as const;
export const SeveritySchema = v.picklist(SEVERITIES);
export type Severity = v.InferOutput<typeof SeveritySchema>;

/** Part in the story of the failure, as far as the eye can tell at the bench. */
export const STORY_ROLES = [
  'unknown',
  'first-failure',
  'dragged-along',
  'from-earlier',
  'this-strip',
] as const;
export const StoryRoleSchema = v.picklist(STORY_ROLES);
export type StoryRole = v.InferOutput<typeof StoryRoleSchema>;
export const STORY_WORDS: Record<StoryRole, string> = {
  unknown: 'Not said yet',
  'first-failure': 'Suspected first failure',
  'dragged-along': 'Dragged along',
  'from-earlier': 'From an earlier time',
  'this-strip': 'Made in this strip (tool mark)',
};

/** One damage word: the standard term, the workshop's word beside it, and the questions that it needs. */
export const DamageModeSchema = v.object({
  id: IdSchema,
  term: words(80, 1),
  workshop: words(120, 1),
  /** The shop's own word, beside the term and never in its place. */
  own: v.optional(words(60)),
  plain: words(240, 1),
  places: v.array(words(40, 1)),
  countOf: v.optional(words(30, 1)),
  shareOf: v.optional(words(40, 1)),
  progressive: v.optional(v.boolean()),
  /** A piece with this is never reused, whoever says so; `why` names it. Some may still be reworked where the maker allows it. */
  neverReuse: v.optional(v.object({ why: words(80, 1), reworkMay: v.optional(v.boolean()) })),
});
export type DamageMode = v.InferOutput<typeof DamageModeSchema>;

/** A test by hand: what is done, and what counts as passed. What can't be said stays open. */
export const HandTestSchema = v.object({
  id: IdSchema,
  title: words(60, 1),
  families: v.pipe(v.array(FamilySchema), v.minLength(1)),
  /** Done on every part of its families, and so asked for; the others where there is cause. */
  usual: v.optional(v.boolean()),
  how: words(400, 1),
  pass: words(200, 1),
  passWord: words(40, 1),
  failWord: words(60, 1),
  /** When it can't be said. */
  cannotSay: words(80, 1),
  /** The damage word that a failure is noted as. */
  failMode: v.optional(IdSchema),
  /** What has to be said with the result. */
  needsNote: v.optional(words(60, 1)),
  caution: v.optional(words(120, 1)),
});
export type HandTest = v.InferOutput<typeof HandTestSchema>;

const FamilyWordsSchema = v.object({
  family: FamilySchema,
  name: words(60, 1),
  modes: v.array(DamageModeSchema),
});

/** What was never reused before the words themselves said so: revisions from then are read with it. */
const NEVER_REUSED_BEFORE: Readonly<Record<string, string>> = {
  'root-crack': 'a crack at a root',
  'bending-fatigue-fracture': 'a broken tooth',
  'overload-fracture': 'a broken tooth',
  'subsurface-fatigue': 'a bearing spall',
  'surface-fatigue': 'a bearing spall',
  stretched: 'a stretched bolt',
};

export const DamageWordsSchema = v.pipe(
  v.object({
    schemaVersion: v.literal(1),
    revision: v.number(),
    /** Of the shop's own revisions: the shipped one that they began with. */
    basedOn: v.optional(v.number()),
    families: v.array(FamilyWordsSchema),
    /** Revisions of before had none. */
    handTests: v.optional(v.array(HandTestSchema)),
  }),
  v.transform((document) => {
    const says = document.families.some(({ modes }) => modes.some(({ neverReuse }) => neverReuse));
    if (says) return document;
    const told = (mode: DamageMode): DamageMode => {
      const why = NEVER_REUSED_BEFORE[mode.id];
      return why === undefined ? mode : { ...mode, neverReuse: { why } };
    };
    const families = document.families.map((each) => ({ ...each, modes: each.modes.map(told) }));
    return { ...document, families };
  }),
);

/** What is seen on one part: a mode, a place, an extent, a severity. Shares are 0…1, counts are whole. */
export const FindingContentSchema = v.object({
  mode: IdSchema,
  place: words(40),
  severity: SeveritySchema,
  count: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(500))),
  share: v.optional(v.pipe(v.number(), v.minValue(0), v.maxValue(1))),
  /** Whose share it is: what a photograph told may raise a grade and never lowers the eye's. */
  shareFrom: v.optional(v.picklist(['eye', 'picture'])),
  /** The photograph that shows it. */
  photographId: v.optional(CaptureIdSchema),
  story: v.optional(StoryRoleSchema, 'unknown'),
  note: v.optional(words(400), ''),
});
export type FindingContent = v.InferOutput<typeof FindingContentSchema>;

/** "Looked at, nothing to see": without it an untouched part could pass for a good one. */
export const NOTHING_TO_SEE = 'nothing-to-see';

/** What an earlier repairer left. It proposes no grade: who found it has not judged the part yet. */
export const EARLIER_REPAIR = 'earlier-repair';

export const GRADES = [0, 1, 2, 3, 4, 5] as const;
export const GradeSchema = v.picklist(GRADES);
export type Grade = v.InferOutput<typeof GradeSchema>;
export const GRADE_WORD: Record<Grade, string> = {
  0: 'as new',
  1: 'run in',
  2: 'worn',
  3: 'on the edge',
  4: 'done',
  5: 'broken',
};
export const NOT_LOOKED_AT = 'not looked at';
/** null means: nobody has looked yet. It is an open question and never shown like 0. */
export type GradeOrNone = Grade | null;
