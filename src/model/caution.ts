import * as v from 'valibot';
import { FamilySchema } from './damage';
import { IdSchema, words } from './ids';
import { STATIONS } from './job';

/** What is minded before it hurts; a grave one is asked to be read, once for a job. */
const CautionSchema = v.object({
  id: IdSchema,
  title: words(80, 1),
  words: words(300, 1),
  applies: v.object({
    families: v.optional(v.array(FamilySchema)),
    stations: v.optional(v.array(v.picklist(STATIONS.map(({ id }) => id)))),
    report: v.optional(v.boolean()),
  }),
  grave: v.boolean(),
});
export type Caution = v.InferOutput<typeof CautionSchema>;

export const CautionsSchema = v.object({
  schemaVersion: v.literal(1),
  revision: v.number(),
  cautions: v.array(CautionSchema),
});
