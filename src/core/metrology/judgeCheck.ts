import { deviation, group, mean } from 'd3-array';
import type { JudgedStatistic } from '@/model/checkDefinition';
import type { Check, Limit } from '@/model/checks';
import type { Unit } from '@/model/units';
import type { VerdictWord } from '@/model/verdictWord';
import { baseUnit, convert } from '../quantity/units';
import { lapsedGauges } from './calibration';
import { limitInForce, limitsBeside } from './limitInForce';
import { placesOf } from './places';
import { type CheckSeries, seriesOfCheck } from './seriesOfCheck';
import { verdict } from './verdict';
import type { Statistic, Verdict } from './verdict.schema';

export interface GaugeFacts {
  readonly id: string;
  readonly unit: Unit;
  readonly resolution: number;
  readonly maxPermissibleError: number;
  readonly repeatability: number | null;
  readonly name?: string;
  readonly calibratedUntil?: string;
}
export interface TakenReading {
  readonly place: string;
  /** In the base unit of the quantity. */
  readonly value: number;
  readonly raw: string;
  readonly unit: Unit;
  readonly gaugeId: string;
  /** How the part was held; nothing where nobody said it, which is a holding of its own. */
  readonly held?: string;
  readonly happenedAt?: string;
  readonly deviceTime?: string;
}

export interface CheckJudgement {
  readonly checkId: string;
  readonly unit: Unit;
  /** The limit that was judged against; undefined where none is known. */
  readonly limit?: Limit;
  /** Limits of the same kind that were not judged against: the maker's figure beside the shop's. */
  readonly beside: readonly Limit[];
  readonly word: VerdictWord | 'not-measured';
  /** The decisive verdict of all that were made (the worst one). */
  readonly decisive?: Verdict & { readonly statistic: JudgedStatistic; readonly place: string };
  readonly placesMissing: readonly string[];
  /** For a check that is read round a circle: the series, and its variation judged. */
  readonly series?: CheckSeries;
  readonly variation?: Verdict;
  /** Gauges that took part after their calibration had run out. */
  readonly lapsed: readonly string[];
  /** How the part was held for all of this; empty where nobody said it. */
  readonly held?: string;
  /** Where it was read in more than one holding: each judged alone, of which the worst stands above. */
  readonly holdings?: readonly CheckJudgement[];
}

const SEVERITY: Record<VerdictWord, number> = { within: 0, 'no-limit': 1, 'too-close': 2, beyond: 3 };

/**
 * Judges all readings of one check. Two set-ups are two measurements of two things: readings of different holdings are judged
 * apart, and the worst of those that are read whole stands for the check.
 */
export function judgeCheck(
  check: Check,
  readings: readonly TakenReading[],
  gauges: readonly GaugeFacts[],
  timeZone = 'UTC',
): CheckJudgement {
  const holdings = [...group(readings, ({ held = '' }) => held)].map(
    ([held, own]): CheckJudgement => ({
      ...judgeHolding(check, own, gauges, timeZone),
      ...(held === '' ? {} : { held }),
    }),
  );
  const [only, another] = holdings;
  if (!only) return judgeHolding(check, [], gauges, timeZone);
  if (!another) return only;
  const rank = ({ word }: CheckJudgement) => (word === 'not-measured' ? -1 : SEVERITY[word]);
  const worst = holdings.reduce((far, next) => (rank(next) > rank(far) ? next : far));
  return { ...worst, lapsed: [...new Set(holdings.flatMap(({ lapsed }) => lapsed))], holdings };
}

/** How the part was held, in words that follow a check's title; nothing where it is held in one way that nobody named. */
export const holdingWords = ({ held = '' }: Pick<CheckJudgement, 'held'>, several: boolean): string =>
  held === '' ? (several ? 'holding not said' : '') : held;

/**
 * Judges the readings of one holding. Readings at one place are repeats; readings at different places are not:
 * then the smallest place is judged against min and the largest against max (and a `range` check by its
 * range), each with the scatter pooled from the repeats or, without repeats, the gauge's own repeatability.
 */
function judgeHolding(
  check: Check,
  readings: readonly TakenReading[],
  gauges: readonly GaugeFacts[],
  timeZone: string,
): CheckJudgement {
  const limit = limitInForce(check);
  const unit = limit?.unit ?? check.unit;
  const head = {
    checkId: check.id,
    unit,
    beside: limitsBeside(check),
    lapsed: lapsedGauges(readings, gauges, timeZone),
    ...(limit ? { limit } : {}),
  };
  const places = group(readings, (reading) => reading.place);
  const placesMissing = (check.places ?? ['']).filter((place) => !places.has(place));
  if (readings.length === 0) return { ...head, word: 'not-measured', placesMissing };

  const series = seriesOfCheck(
    check,
    readings.map((reading) => ({ place: reading.place, value: inUnit(reading, unit) })),
    gaugeFor(readings, gauges, unit).gauge.resolution,
  );
  const variation = judgeVariation(limit, unit, series, readings, gauges);
  const verdicts = [
    ...judgeValues(check, limit, unit, places, series, gauges),
    ...(variation ? [{ ...variation, statistic: 'range' as const, place: '' }] : []),
  ];
  const decisive = verdicts.reduce((worst, next) =>
    SEVERITY[next.verdict] > SEVERITY[worst.verdict] ? next : worst,
  );
  // A series with places still missing may be beyond already, but can't be called within; nor can one whose
  // difference round the circle has a limit that nobody has judged yet.
  const unfinished =
    placesMissing.length > 0 ||
    (check.statistic === 'tir' && !series?.analysis) ||
    (check.every !== undefined && limit?.variation !== undefined && !variation);
  const word = decisive.verdict === 'within' && unfinished ? 'not-measured' : decisive.verdict;
  return {
    ...head,
    word,
    decisive,
    placesMissing,
    ...(series ? { series } : {}),
    ...(variation ? { variation } : {}),
  };
}

type Decisive = NonNullable<CheckJudgement['decisive']>;

function judgeValues(
  check: Check,
  limit: Limit | undefined,
  unit: Unit,
  places: ReadonlyMap<string, readonly TakenReading[]>,
  series: CheckSeries | undefined,
  gauges: readonly GaugeFacts[],
): Decisive[] {
  const readings = [...places.values()].flat();
  if (check.statistic === 'tir') return [judgeTir(limit, unit, series, readings, gauges)];
  return placesOf(check).length > 1
    ? judgePlaces(check, limit, unit, places, gauges)
    : [judgeOnePlace(limit, unit, readings, gauges)];
}

/**
 * The total indicator reading of a series: the fitted curve's where local defects can be told from it, since two raw
 * extremes are biased upward by scatter and a nick is no run-out. What stands alone is told beside it.
 */
function judgeTir(
  limit: Limit | undefined,
  unit: Unit,
  series: CheckSeries | undefined,
  readings: readonly TakenReading[],
  gauges: readonly GaugeFacts[],
): Decisive {
  const { gauge, repeatability } = gaugeFor(readings, gauges, unit);
  const scatter = scatterAtOnePlace(readings, unit) ?? repeatability;
  const values = series?.points.map(({ value }) => value) ?? [];
  const analysis = series?.analysis;
  const span = analysis?.localTestable ? analysis.fittedTir : Math.max(...values) - Math.min(...values);
  const { max } = limitsOf(limit);
  const result = verdict({
    unit,
    readings: [0, span],
    limits: max === undefined ? {} : { max },
    gauge,
    confidence: 0.95,
    statistic: 'range',
    ...(scatter === undefined ? {} : { repeatability: scatter }),
  });
  return { ...result, statistic: 'tir', place: '' };
}

/** The figure as it was read, in the unit that is judged in. */
export const inUnit = (reading: TakenReading, unit: Unit) => {
  const own = Number(reading.raw.replace(',', '.').replace(/^[−–]/, '-'));
  return reading.unit === unit && Number.isFinite(own)
    ? own
    : convert(reading.value, baseUnit(reading.unit), unit);
};

/** The coarsest gauge that took part speaks for all of them. */
export function gaugeFor(readings: readonly TakenReading[], gauges: readonly GaugeFacts[], unit: Unit) {
  const used = gauges.filter((gauge) => readings.some((reading) => reading.gaugeId === gauge.id));
  const largest = (pick: (gauge: GaugeFacts) => number) =>
    Math.max(0, ...used.map((gauge) => convert(pick(gauge), gauge.unit, unit)));
  const known = used.length > 0 && used.every((gauge) => gauge.repeatability !== null);
  return {
    gauge: {
      resolution: largest((gauge) => gauge.resolution),
      maxPermissibleError: largest((gauge) => gauge.maxPermissibleError),
    },
    repeatability: known ? largest((gauge) => gauge.repeatability ?? 0) : undefined,
  };
}

function judgeOnePlace(
  limit: Limit | undefined,
  unit: Unit,
  readings: readonly TakenReading[],
  gauges: readonly GaugeFacts[],
): Decisive {
  const { gauge, repeatability } = gaugeFor(readings, gauges, unit);
  const result = verdict({
    unit,
    readings: readings.map((reading) => inUnit(reading, unit)),
    limits: limitsOf(limit),
    gauge,
    confidence: 0.95,
    statistic: 'mean',
    ...(repeatability === undefined ? {} : { repeatability }),
  });
  return { ...result, statistic: 'mean', place: readings[0]?.place ?? '' };
}

/**
 * The difference round the circle against its own limit: the fitted curve's, where local defects can be told from it,
 * since two raw extremes are biased upward by scatter; else the raw one.
 */
function judgeVariation(
  limit: Limit | undefined,
  unit: Unit,
  series: CheckSeries | undefined,
  readings: readonly TakenReading[],
  gauges: readonly GaugeFacts[],
): Verdict | undefined {
  if (limit?.variation === undefined || !series?.analysis) return undefined;
  const { fittedTir, tir, localTestable } = series.analysis;
  const { gauge, repeatability } = gaugeFor(readings, gauges, unit);
  const scatter = scatterAtOnePlace(readings, unit) ?? repeatability;
  return verdict({
    unit,
    readings: [0, localTestable ? fittedTir : tir],
    limits: { max: limit.variation },
    gauge,
    confidence: 0.95,
    statistic: 'range',
    ...(scatter === undefined ? {} : { repeatability: scatter }),
  });
}

function judgePlaces(
  check: Check,
  limit: Limit | undefined,
  unit: Unit,
  places: ReadonlyMap<string, readonly TakenReading[]>,
  gauges: readonly GaugeFacts[],
): Decisive[] {
  const all = [...places.values()].flat();
  const { gauge, repeatability } = gaugeFor(all, gauges, unit);
  const scatter = scatterAtOnePlace(all, unit) ?? repeatability;
  const means = [...places].map(([place, repeats]) => ({
    place,
    value: mean(repeats, (reading) => inUnit(reading, unit)) ?? 0,
  }));
  const judge = (statistic: Statistic, limits: { min?: number; max?: number }): Decisive => {
    const result = verdict({
      unit,
      readings: means.map(({ value }) => value),
      limits,
      gauge,
      confidence: 0.95,
      statistic,
      ...(scatter === undefined ? {} : { repeatability: scatter }),
    });
    return { ...result, statistic, place: means.find(({ value }) => value === result.value)?.place ?? '' };
  };
  const { min, max } = limitsOf(limit);
  if (check.statistic === 'range') return [judge('range', { ...(max === undefined ? {} : { max }) })];
  const verdicts: Decisive[] = [];
  if (min !== undefined) verdicts.push(judge('min', { min }));
  if (max !== undefined) verdicts.push(judge('max', { max }));
  return verdicts.length > 0 ? verdicts : [judge(check.statistic === 'max' ? 'max' : 'min', {})];
}

const limitsOf = (limit: Limit | undefined) => ({
  ...(limit?.min === undefined ? {} : { min: limit.min }),
  ...(limit?.max === undefined ? {} : { max: limit.max }),
});

/** Scatter at one place, pooled over all places that were read more than once. */
export function scatterAtOnePlace(readings: readonly TakenReading[], unit: Unit): number | undefined {
  const places = group(readings, (reading) => reading.place);
  const repeated = [...places.values()]
    .map((repeats) => repeats.map((reading) => inUnit(reading, unit)))
    .filter((values) => values.length > 1);
  const freedom = repeated.reduce((sum, values) => sum + values.length - 1, 0);
  if (freedom === 0) return undefined;
  const squares = repeated.reduce(
    (sum, values) => sum + (values.length - 1) * (deviation(values) ?? 0) ** 2,
    0,
  );
  return Math.sqrt(squares / freedom);
}
