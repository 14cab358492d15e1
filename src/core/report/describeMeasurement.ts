import type { ReportMeasurement } from '@/model/report';
import { UNIT_SYMBOL, type Unit } from '@/model/units';
import type { Check, Limit } from '@/model/unitType';
import type { CheckJudgement } from '../metrology/judgeCheck';
import { formatNumber, formatQuantity } from '../quantity/format';

const KIND_WORDS: Record<Limit['kind'], string> = {
  service: 'service limit',
  'set-up': 'set-up limit',
  new: 'limit for new parts',
};

const PLAIN: Record<ReportMeasurement['verdict'], string> = {
  within: 'Within the limit, the doubt of the gauge allowed for.',
  beyond: 'Beyond the limit, the doubt of the gauge allowed for.',
  'too-close': 'Too close to call: the gauge cannot tell on which side of the limit it lies.',
  'no-limit': 'No limit known. This stays an open question.',
  'not-measured': 'Not measured.',
};

export function describeLimit(limit: Limit | undefined): string {
  if (!limit || (limit.min === undefined && limit.max === undefined)) return 'no limit known';
  const decimals = decimalsOf(limit);
  const show = (value: number) => formatNumber(value, decimals);
  if (limit.min !== undefined && limit.max !== undefined)
    return `${show(limit.min)} to ${show(limit.max)} ${UNIT_SYMBOL[limit.unit]}`;
  return limit.min === undefined
    ? `at most ${formatQuantity(limit.max ?? 0, decimals, limit.unit)}`
    : `at least ${formatQuantity(limit.min, decimals, limit.unit)}`;
}

/** As many decimals as the limit itself carries, at least two for lengths. */
export function decimalsOf(limit: Limit): number {
  const figures = [limit.min, limit.max, limit.aim].filter((figure) => figure !== undefined);
  const most = Math.max(...figures.map((figure) => String(figure).split('.')[1]?.length ?? 0));
  return Math.max(most, decimalsIn(limit.unit));
}

const decimalsIn = (unit: Unit): number =>
  unit === 'in' ? 4 : unit === 'mm' ? 2 : unit === 'ppm' || unit === 'um' ? 0 : 1;

/** Where a limit comes from, so that a field rule never looks like a maker's figure. */
export function describeSource(limit: Limit | undefined): string {
  if (!limit) return '';
  const whose = { maker: '', shop: 'shop’s own, ', field: 'rule of the trade, ' }[limit.source.kind];
  return `${KIND_WORDS[limit.kind]}, ${whose}${limit.source.words}${limit.enteredBy ? `, set by ${limit.enteredBy}` : ''}`;
}

export function describeMeasurement(check: Check, judgement: CheckJudgement): ReportMeasurement {
  const { decisive, limit, unit } = judgement;
  const decimals = (limit ? decimalsOf(limit) : decimalsIn(unit)) + 0;
  const where = decisive ? whichValue(decisive) : '';
  return {
    title: check.title,
    value: decisive
      ? `${where}${formatNumber(decisive.value, decimals + (decisive.n > 1 && decisive.statistic === 'mean' ? 1 : 0))} ± ${formatQuantity(decisive.expandedUncertainty, decimals + 1, unit)}`
      : '–',
    limit: describeLimit(limit),
    source: describeSource(limit),
    verdict: judgement.word,
    plain: [PLAIN[judgement.word], ...judgement.lapsed.map(lapsedWords)].join(' '),
  };
}

function whichValue({ statistic, place }: NonNullable<CheckJudgement['decisive']>): string {
  if (statistic === 'range') return 'difference round the circle: ';
  if (place === '') return '';
  return `${statistic === 'min' ? 'smallest' : 'largest'}, ${place}: `;
}

export const lapsedWords = (gauge: string): string => `The calibration of ${gauge} had run out.`;
