import type { Check, Limit } from '@/model/checks';
import type { Acceptance } from '@/model/measuring';
import type { RecordOf } from '@/model/recordKinds';
import type { ReportMeasurement } from '@/model/report';
import { type ReadsIn, UNIT_SYMBOL, type Unit } from '@/model/units';
import type { CheckJudgement } from '../metrology/judgeCheck';
import { formatNumber, formatQuantity } from '../quantity/format';
import { decimalsInUnit, unitToRead } from '../quantity/readsIn';
import { convert } from '../quantity/units';

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

/** A limit in words, as the sheet has it, or in the units that a person reads in. */
export function describeLimit(limit: Limit | undefined, readsIn?: ReadsIn): string {
  if (!limit || (limit.min === undefined && limit.max === undefined)) return 'no limit known';
  const unit = readsIn ? unitToRead(limit.unit, readsIn, limit.max ?? limit.min) : limit.unit;
  const decimals = decimalsInUnit(decimalsOf(limit), limit.unit, unit);
  const show = (value: number) => formatNumber(convert(value, limit.unit, unit), decimals);
  const symbol = UNIT_SYMBOL[unit];
  if (limit.min !== undefined && limit.max !== undefined)
    return `${show(limit.min)} to ${show(limit.max)} ${symbol}`;
  return limit.min === undefined
    ? `at most ${show(limit.max ?? 0)} ${symbol}`
    : `at least ${show(limit.min)} ${symbol}`;
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
  return `${KIND_WORDS[limit.kind]}, ${whose}${limit.source.words}${limit.enteredBy ? `, set by ${limit.enteredBy}` : ''}${limit.reason ? `: ${limit.reason}` : ''}`;
}

export function describeMeasurement(
  check: Check,
  judgement: CheckJudgement,
  accepted?: Acceptance,
): ReportMeasurement {
  const { decisive, limit, unit } = judgement;
  const decimals = (limit ? decimalsOf(limit) : decimalsIn(unit)) + 0;
  const where = decisive ? whichValue(decisive) : '';
  return {
    title: check.title,
    value: decisive
      ? `${where}${formatNumber(decisive.value, decimals + (decisive.n > 1 && decisive.statistic === 'mean' ? 1 : 0))} ± ${formatQuantity(decisive.expandedUncertainty, decimals + 1, unit)}`
      : '–',
    limit: describeLimit(limit),
    source: [describeSource(limit), ...judgement.beside.map(besideWords)].join('; '),
    verdict: judgement.word,
    plain: [
      PLAIN[judgement.word],
      ...(accepted ? [`Accepted as printed by ${accepted.by}: ${accepted.reason}.`] : []),
      ...judgement.lapsed.map(lapsedWords),
    ].join(' '),
  };
}

/** A figure that no check asked for: as it was read, and judged by nothing. */
export const describeFigure = ({ measured, raw, unit }: RecordOf<'figure'>): ReportMeasurement => ({
  ...{ title: measured, value: `${raw} ${UNIT_SYMBOL[unit]}`, limit: 'no limit known', source: '' },
  ...{ verdict: 'no-limit', plain: PLAIN['no-limit'] },
});

function whichValue({ statistic, place }: NonNullable<CheckJudgement['decisive']>): string {
  if (statistic === 'range') return 'difference round the circle: ';
  if (statistic === 'tir') return 'total of the curve: ';
  if (place === '') return '';
  return `${statistic === 'min' ? 'smallest' : 'largest'}, ${place}: `;
}

const besideWords = (limit: Limit): string => `beside it ${describeLimit(limit)}, ${describeSource(limit)}`;

export const lapsedWords = (gauge: string): string => `The calibration of ${gauge} had run out.`;
