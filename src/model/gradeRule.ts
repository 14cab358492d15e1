import * as v from 'valibot';
import { FamilySchema, GradeSchema, SeveritySchema } from './damage';
import { IdSchema, words } from './ids';
import { VerdictWordSchema } from './verdictWord';

/** What must hold of one and the same finding. Shares are 0…1; a bound on an extent that was not given fails. */
const FindingPatternSchema = v.strictObject({
  mode: v.optional(v.array(IdSchema)),
  place: v.optional(v.array(words(40))),
  severity: v.optional(v.array(SeveritySchema)),
  shareUpTo: v.optional(v.number()),
  shareAbove: v.optional(v.number()),
  shareGiven: v.optional(v.boolean()),
  countUpTo: v.optional(v.number()),
  progressive: v.optional(v.boolean()),
  /** Only for findings that no rule of their own covers. */
  otherwise: v.optional(v.boolean()),
});
export type FindingPattern = v.InferOutput<typeof FindingPatternSchema>;

export type Condition =
  | { all: Condition[] }
  | { any: Condition[] }
  | { not: Condition }
  | { finding: FindingPattern }
  | { verdict: v.InferOutput<typeof VerdictWordSchema>[] };

const ConditionSchema: v.GenericSchema<unknown, Condition> = v.union([
  v.strictObject({ all: v.array(v.lazy(() => ConditionSchema)) }),
  v.strictObject({ any: v.array(v.lazy(() => ConditionSchema)) }),
  v.strictObject({ not: v.lazy(() => ConditionSchema) }),
  v.strictObject({ finding: FindingPatternSchema }),
  v.strictObject({ verdict: v.array(VerdictWordSchema) }),
]);

export const GradeRuleSchema = v.object({
  id: IdSchema,
  families: v.optional(v.array(FamilySchema)),
  when: ConditionSchema,
  grade: GradeSchema,
  words: words(160, 1),
  /** By eye alone it stays an open question: something of the part has to be measured. */
  untilMeasured: v.optional(v.boolean()),
});
export type GradeRule = v.InferOutput<typeof GradeRuleSchema>;

export const GradeRulesSchema = v.object({
  schemaVersion: v.literal(1),
  revision: v.number(),
  /** Of the shop's own revisions: the shipped one that they began with. */
  basedOn: v.optional(v.number()),
  rules: v.array(GradeRuleSchema),
});
export type GradeRules = v.InferOutput<typeof GradeRulesSchema>;
