import { mean, sum } from 'd3-array';
import * as v from 'valibot';
import { BadInput } from '../badInput';
import { AnyUnitSchema, finite, positive } from '../fields';
import { fisherTail } from '../metrology/distributions';

export const GaugeStudyInputSchema = v.object({
  unit: AnyUnitSchema,
  /** readings[appraiser][trial][part] */
  readings: v.pipe(
    v.array(
      v.pipe(
        v.array(v.pipe(v.array(finite), v.minLength(2, 'at least two parts'))),
        v.minLength(2, 'at least two trials'),
      ),
    ),
    v.minLength(2, 'at least two appraisers'),
  ),
  tolerance: v.optional(positive),
});
export type GaugeStudyInput = v.InferOutput<typeof GaugeStudyInputSchema>;

export const GaugeStudyOutputSchema = v.object({
  repeatability: v.number(),
  reproducibility: v.number(),
  partVariation: v.number(),
  gaugeVariation: v.number(),
  totalVariation: v.number(),
  percentOfTotal: v.number(),
  percentOfTolerance: v.optional(v.number()),
  distinctCategories: v.number(),
  interactionPooled: v.boolean(),
  anova: v.array(
    v.object({
      source: v.string(),
      ss: v.number(),
      df: v.number(),
      ms: v.number(),
      f: v.optional(v.number()),
      p: v.optional(v.number()),
    }),
  ),
});
export type GaugeStudy = v.InferOutput<typeof GaugeStudyOutputSchema>;

/** An interaction that is this likely to be chance is pooled with the repeatability. */
const POOL_ABOVE = 0.25;

/**
 * How much of what varies is the gauge and the people, by a crossed study: parts × people × repeats, two-way
 * analysis of variance with random effects.
 *
 * Answers standard deviations in `unit`: repeatability (the gauge itself), reproducibility (people, with the
 * interaction of people and parts where it is kept), part variation, and their root sums. `percentOfTolerance` is six
 * gauge deviations against the tolerance's width; `distinctCategories` = ⌊1.41·PV/GRR⌋, at least 1. The interaction is
 * pooled when its p exceeds 0.25. A variance that comes out negative counts as 0.
 *
 * @throws BadInput when some appraiser or trial has another number of readings
 */
export function gaugeStudy({ readings, tolerance }: GaugeStudyInput): GaugeStudy {
  const [people, trials, parts] = shapeOf(readings);
  const all = readings.flat(2);
  const grand = mean(all) ?? 0;
  const cell = (person: number, part: number) => mean(readings[person]!, (trial) => trial[part]!) ?? 0;
  const personMeans = readings.map((own) => mean(own.flat()) ?? 0);
  const partMeans = Array.from(
    { length: parts },
    (_, part) => mean(readings.flat(), (trial) => trial[part]!) ?? 0,
  );
  const squares = (values: readonly number[], centre: number) =>
    sum(values, (value) => (value - centre) ** 2);

  const total = squares(all, grand);
  const ofParts = people * trials * squares(partMeans, grand);
  const ofPeople = parts * trials * squares(personMeans, grand);
  const cells = readings.flatMap((_, person) => partMeans.map((__, part) => cell(person, part)));
  const ofInteraction = Math.max(0, trials * squares(cells, grand) - ofParts - ofPeople);
  const ofRepeats = Math.max(0, total - ofParts - ofPeople - ofInteraction);

  const freedom = {
    parts: parts - 1,
    people: people - 1,
    interaction: (parts - 1) * (people - 1),
    repeats: parts * people * (trials - 1),
  };
  const interaction = row('appraiser × part', ofInteraction, freedom.interaction);
  const repeats = row('repeatability', ofRepeats, freedom.repeats);
  const tested = { ...interaction, ...against(interaction, repeats) };
  const interactionPooled = (tested.p ?? 1) > POOL_ABOVE;
  const error = interactionPooled
    ? row('error', ofInteraction + ofRepeats, freedom.interaction + freedom.repeats)
    : repeats;
  const yardstick = interactionPooled ? error : interaction;
  const partRow = row('part', ofParts, freedom.parts);
  const peopleRow = row('appraiser', ofPeople, freedom.people);

  const variance = (larger: number, smaller: number, count: number) =>
    Math.max(0, (larger - smaller) / count);
  const ofGauge = error.ms;
  const ofInteractionAlone = interactionPooled ? 0 : variance(interaction.ms, error.ms, trials);
  const reproducibility = Math.sqrt(
    variance(peopleRow.ms, yardstick.ms, parts * trials) + ofInteractionAlone,
  );
  const partVariation = Math.sqrt(variance(partRow.ms, yardstick.ms, people * trials));
  const gaugeVariation = Math.hypot(Math.sqrt(ofGauge), reproducibility);
  const totalVariation = Math.hypot(gaugeVariation, partVariation);
  return {
    repeatability: Math.sqrt(ofGauge),
    reproducibility,
    partVariation,
    gaugeVariation,
    totalVariation,
    percentOfTotal: totalVariation === 0 ? 0 : (100 * gaugeVariation) / totalVariation,
    ...(tolerance === undefined ? {} : { percentOfTolerance: (600 * gaugeVariation) / tolerance }),
    distinctCategories: categories(partVariation, gaugeVariation),
    interactionPooled,
    anova: [
      { ...partRow, ...against(partRow, yardstick) },
      { ...peopleRow, ...against(peopleRow, yardstick) },
      tested,
      repeats,
      row('total', total, all.length - 1),
    ],
  };
}

function shapeOf(readings: GaugeStudyInput['readings']): [number, number, number] {
  const trials = readings[0]!.length;
  const parts = readings[0]![0]!.length;
  readings.forEach((own, person) => {
    if (own.length !== trials)
      throw new BadInput(`readings.${person}`, `${own.length} trials, the first appraiser has ${trials}`);
    own.forEach((trial, index) => {
      if (trial.length !== parts)
        throw new BadInput(
          `readings.${person}.${index}`,
          `${trial.length} parts, the first trial has ${parts}`,
        );
    });
  });
  return [readings.length, trials, parts];
}

interface AnovaRow {
  readonly source: string;
  readonly ss: number;
  readonly df: number;
  readonly ms: number;
}

const row = (source: string, ss: number, df: number): AnovaRow => ({ source, ss, df, ms: ss / df });

/** The F ratio against another mean square, and how likely one so large is by chance; nothing when that one is nil. */
function against(tested: AnovaRow, yardstick: AnovaRow): { f?: number; p?: number } {
  if (yardstick.ms <= 0) return {};
  const f = tested.ms / yardstick.ms;
  return { f, p: fisherTail(f, tested.df, yardstick.df) };
}

/** A gauge without any variation of its own tells as many groups apart as can be counted. */
const categories = (partVariation: number, gaugeVariation: number): number =>
  gaugeVariation === 0
    ? partVariation === 0
      ? 1
      : Number.MAX_SAFE_INTEGER
    : Math.max(1, Math.floor((1.41 * partVariation) / gaugeVariation));
