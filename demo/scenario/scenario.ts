import * as v from 'valibot';
import { FamilySchema, FindingContentSchema, GradeSchema } from '@/model/damage';
import { STATIONS, SurenessSchema, UnitDecisionIdSchema } from '@/model/job';
import { IdentityCountsSchema } from '@/model/measuring';
import { RoleSchema } from '@/model/people';
import { MarkSchema } from '@/model/pictureRecord';
import { ToldOfRecordingSchema } from '@/model/recording';
import { RecordContentSchema } from '@/model/recordKinds';
import { LooseSymptomSchema, NOTHING_NOTED, ReceivedSchema } from '@/model/symptoms';
import { UnitSchema } from '@/model/units';
import { UnitFamilySchema } from '@/model/unitType';
import jobs from './jobs.json';
import secondLooks from './second-looks.json';
import shop from './shop.json';
import studies from './studies.json';

/* The invented shop as data. Days count from the day of seeding, so that the demonstration never grows old. */

const { mode, place, severity, ...extent } = FindingContentSchema.entries;
const text = v.optional(v.string(), '');

const JobSchema = v.object({
  peg: v.number(),
  /** A described unit type, or none: not described yet. */
  type: v.optional(v.string()),
  family: v.optional(UnitFamilySchema, 'other'),
  unitTitle: v.string(),
  customer: v.string(),
  contact: v.string(),
  machine: v.string(),
  distanceKm: v.optional(v.number()),
  serial: v.string(),
  tag: v.string(),
  complaint: v.string(),
  symptoms: v.array(LooseSymptomSchema),
  received: v.optional(ReceivedSchema, NOTHING_NOTED),
  oil: v.string(),
  history: v.string(),
  bookedDaysAgo: v.number(),
  dueInDays: v.number(),
  waitsFor: v.string(),
  /** What it waits for, whose turn it is, at which station. */
  hold: v.optional(
    v.object({ reason: text, whoActs: text, station: v.picklist(STATIONS.map(({ id }) => id)) }),
  ),
  tooClosePolicy: v.optional(v.picklist(['', 'hold', 'accept', 'beyond']), ''),
  /** For a unit that nobody has described: parts as they came off. */
  parts: v.optional(v.array(v.strictTuple([v.string(), FamilySchema])), []),
  /** position, mode, place, severity, extent */
  findings: v.array(v.strictTuple([v.string(), mode, place, severity, v.object(extent)])),
  /** position, check, place, figures as they were read, gauge, temperature of the part where it was noted */
  readings: v.array(
    v.union([
      v.strictTuple([v.string(), v.string(), v.string(), v.array(v.string()), v.string()]),
      v.strictTuple([v.string(), v.string(), v.string(), v.array(v.string()), v.string(), v.number()]),
    ]),
  ),
  /** what the bench recorded: oil, debris, steps, counts */
  records: v.optional(v.array(RecordContentSchema), []),
  /** How far it is on its way back, once it was stripped. */
  rebuilt: v.optional(v.array(RecordContentSchema), []),
  /** piece, where, colour, and the part that accounts for it, if any does yet */
  debris: v.optional(
    v.array(
      v.strictTuple([
        v.string(),
        v.string(),
        v.picklist(['grey', 'yellow', 'black']),
        v.nullable(v.string()),
      ]),
    ),
    [],
  ),
  /** Every step is done, those too of which nothing was put down. */
  stripped: v.optional(v.boolean(), false),
  /** pair, what was counted */
  identities: v.optional(v.array(v.strictTuple([v.string(), IdentityCountsSchema])), []),
  /** position (null: in the tray), file */
  photographs: v.array(v.strictTuple([v.nullable(v.string()), v.string()])),
  /** Recordings of the noise: file, what is told of it, and whether somebody kept what is heard. */
  recordings: v.optional(
    v.array(
      v.object({ file: v.string(), told: ToldOfRecordingSchema, isHeard: v.optional(v.boolean(), false) }),
    ),
    [],
  ),
  /** Painted flanks that are read: file, flank. */
  patterns: v.optional(v.array(v.strictTuple([v.string(), v.picklist(['drive', 'coast'])])), []),
  /** Photographs with a scale card in them. */
  scaled: v.optional(v.array(v.string()), []),
  /** What is drawn on photographs, in shares of the picture. */
  marked: v.optional(v.array(v.object({ file: v.string(), marks: v.array(v.omit(MarkSchema, ['id'])) })), []),
  /** position, grade (left out: as proposed), reason */
  grades: v.array(
    v.union([v.strictTuple([v.string()]), v.strictTuple([v.string(), GradeSchema, v.string()])]),
  ),
  /** positions that are decided as proposed */
  decisions: v.array(v.strictTuple([v.string()])),
  cause: v.optional(
    v.object({ words: v.string(), plain: v.string(), sureness: SurenessSchema, firstFailure: v.string() }),
  ),
  /** How far its parts are: suppliers are asked, or the soonest plan was ordered and a first line came in. */
  prices: v.optional(v.picklist(['asked', 'ordered'])),
  /** Sound parts that went on the shelf: position, price in the smallest unit. */
  shelf: v.optional(v.array(v.strictTuple([v.string(), v.number()])), []),
  unitDecision: v.optional(
    v.object({ decision: UnitDecisionIdSchema, reason: v.string(), watch: v.string() }),
  ),
  /** What the owner is offered: way, its name, price without tax in the smallest unit, ready in so many days, months of warranty. */
  offer: v.optional(
    v.object({
      slips: v.array(v.strictTuple([UnitDecisionIdSchema, v.string(), v.number(), v.number(), v.number()])),
      /** name, note, price without tax, ways that hold it already */
      lines: v.array(v.strictTuple([v.string(), v.string(), v.number(), v.array(UnitDecisionIdSchema)])),
      ifNothing: v.string(),
    }),
  ),
  /** Reports that are issued beside the customer's. */
  papers: v.optional(v.array(v.picklist(['colleague', 'parts'])), []),
});
export type DemoJob = v.InferOutput<typeof JobSchema>;

const ShopSchema = v.object({
  shop: v.object({ name: v.string(), place: v.string(), contact: v.string() }),
  people: v.array(v.object({ key: v.string(), name: v.string(), role: RoleSchema, pin: v.string() })),
  gauges: v.array(
    v.object({
      id: v.string(),
      name: v.string(),
      kind: v.string(),
      unit: UnitSchema,
      resolution: v.number(),
      maxPermissibleError: v.number(),
      repeatability: v.nullable(v.number()),
      calibratedInDays: v.number(),
    }),
  ),
  /** Measured shims on hand: type, stack's letter, and each piece’s thickness. */
  shims: v.array(v.strictTuple([v.string(), v.string(), v.array(v.number())])),
});

const StudySchema = v.object({
  title: v.string(),
  gaugeId: v.string(),
  parts: v.number(),
  trials: v.number(),
  /** keys of people */
  appraisers: v.array(v.string()),
  tolerance: v.optional(v.number()),
  toleranceWords: v.string(),
  plannedDaysAgo: v.number(),
  /** by person, then trial, then part; trials that are missing have not been read */
  readings: v.record(v.string(), v.array(v.array(v.string()))),
});
export type DemoStudy = v.InferOutput<typeof StudySchema>;

const SecondLooksSchema = v.object({
  /** keys of people */
  by: v.string(),
  learner: v.string(),
  /** How far each second grade lies from the first. */
  offs: v.array(v.number()),
  /** With which words the first of those that differ were settled. */
  notes: v.array(v.string()),
  /** How far the learner's answers lie from the shop's. */
  learnt: v.array(v.number()),
});

export const demoSecondLooks = v.parse(SecondLooksSchema, secondLooks);
export const demoStudies = v.parse(v.array(StudySchema), studies);
export const demoShop = v.parse(ShopSchema, shop);
export const demoJobs = v.parse(v.array(JobSchema), jobs);
