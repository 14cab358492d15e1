import * as v from 'valibot';
import { type Family, FamilySchema } from '@/model/damage';
import { IdSchema, words } from '@/model/ids';
import { STATIONS, type StationId } from '@/model/job';
import data from './cautions.json';

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

const { cautions } = v.parse(
  v.object({ schemaVersion: v.literal(1), revision: v.number(), cautions: v.array(CautionSchema) }),
  data,
);

export const cautionsForFamily = (family: Family): Caution[] =>
  cautions.filter((caution) => caution.applies.families?.includes(family));
/** What is minded at a station, whatever part is in hand. */
export const cautionsForStation = (station: StationId): Caution[] =>
  cautions.filter((caution) => caution.applies.stations?.includes(station));
export const cautionById = (id: string): Caution | undefined => cautions.find((caution) => caution.id === id);
export const cautionsForReport = (): Caution[] => cautions.filter((caution) => caution.applies.report);
