import { group, max, mean, min } from 'd3-array';
import type { Check } from '@/model/checks';
import type { Unit } from '@/model/units';
import {
  type CheckJudgement,
  type GaugeFacts,
  gaugeFor,
  inUnit,
  judgeCheck,
  scatterAtOnePlace,
  type TakenReading,
} from './judgeCheck';
import { limitInForce, limitsBeside } from './limitInForce';
import { verdict } from './verdict';

/** A reading with the check that it is of. */
export type ReadingOfCheck = TakenReading & { readonly checkId: string };

/** One of the two measurements that a clearance is worked out from, as far as it has been read. */
interface Side {
  readonly largest: number;
  readonly smallest: number;
  readonly gauge: { readonly resolution: number; readonly maxPermissibleError: number };
  /** Of the mean at one place; undefined where neither repeats nor the gauge say it. */
  readonly deviation: number | undefined;
}

/**
 * Judges a check whose figure isn't read but worked out: one measurement less another, as a bore less its journal. Against a largest value
 * the widest place counts and against a smallest value the narrowest; the doubts of both are added as variances (GUM).
 * Nothing is judged before both have been read whole, each at all its places.
 */
export function judgeWorkedOut(
  check: Check,
  checks: readonly Check[],
  readings: readonly ReadingOfCheck[],
  gauges: readonly GaugeFacts[],
): CheckJudgement {
  const limit = limitInForce(check);
  const unit = limit?.unit ?? check.unit;
  const head = {
    checkId: check.id,
    unit,
    beside: limitsBeside(check),
    lapsed: [],
    ...(limit ? { limit } : {}),
  };
  const sideOf = (id: string | undefined) => {
    const own = checks.find((each) => each.id === id);
    return own && sideRead(own, readings, gauges, unit);
  };
  const [of, less] = [sideOf(check.difference?.of), sideOf(check.difference?.less)];
  if (!of || !less) return { ...head, word: 'not-measured', placesMissing: [] };
  const gauge = {
    resolution: Math.hypot(of.gauge.resolution, less.gauge.resolution),
    maxPermissibleError: Math.hypot(of.gauge.maxPermissibleError, less.gauge.maxPermissibleError),
  };
  const known = of.deviation !== undefined && less.deviation !== undefined;
  const judge = (value: number, limits: { min?: number; max?: number }) => ({
    ...verdict({
      ...{ unit, readings: [value], limits, gauge, confidence: 0.95, statistic: 'mean' },
      ...(known ? { repeatability: Math.hypot(of.deviation!, less.deviation!) } : {}),
    }),
    statistic: 'mean' as const,
    place: '',
  });
  const widest = of.largest - less.smallest;
  const verdicts = [
    ...(limit?.max === undefined ? [] : [judge(widest, { max: limit.max })]),
    ...(limit?.min === undefined ? [] : [judge(of.smallest - less.largest, { min: limit.min })]),
  ];
  const [first = judge(widest, {}), second] = verdicts;
  const worse = second && RANK[second.verdict] > RANK[first.verdict] ? second : first;
  return { ...head, word: worse.verdict, decisive: worse, placesMissing: [] };
}

const RANK = { within: 0, 'no-limit': 1, 'too-close': 2, beyond: 3 };

function sideRead(
  check: Check,
  readings: readonly ReadingOfCheck[],
  gauges: readonly GaugeFacts[],
  unit: Unit,
): Side | undefined {
  const own = readings.filter(({ checkId }) => checkId === check.id);
  if (own.length === 0 || judgeCheck(check, own, gauges).placesMissing.length > 0) return undefined;
  const places = [...group(own, ({ place }) => place).values()];
  const means = places.map((each) => mean(each, (reading) => inUnit(reading, unit)) ?? 0);
  const { gauge, repeatability } = gaugeFor(own, gauges, unit);
  const scatter = scatterAtOnePlace(own, unit) ?? repeatability;
  const repeats = min(places, (each) => each.length) ?? 1;
  return {
    ...{ largest: max(means) ?? 0, smallest: min(means) ?? 0, gauge },
    deviation: scatter === undefined ? undefined : scatter / Math.sqrt(repeats),
  };
}

/** The checks that a worked-out one rests on. */
export const restsOn = ({ difference }: Pick<Check, 'difference'>, checks: readonly Check[]): Check[] =>
  difference ? checks.filter(({ id }) => id === difference.of || id === difference.less) : [];

/** What is wrong with how a check is worked out; undefined where nothing is. */
export function differenceFault(check: Check, checks: readonly Check[]): string | undefined {
  if (!check.difference) return undefined;
  const { of, less } = check.difference;
  const known = restsOn(check, checks);
  if (of === less) return `${check.title} is worked out from one measurement less itself.`;
  if (known.length < 2) return `${check.title} is worked out from a measurement that isn’t there.`;
  if (known.some(({ difference }) => difference))
    return `${check.title} is worked out from one that is worked out itself.`;
  if (check.every || (check.places?.length ?? 0) > 0)
    return `${check.title} is worked out; it has no places of its own.`;
  return undefined;
}
