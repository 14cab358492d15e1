'use client';

import { scaleLinear } from 'd3-scale';
import type { CheckJudgement } from '@/core/metrology/judgeCheck';
import { describeLimit } from '@/core/report/describeMeasurement';
import { useFigures, useReadsIn } from './figures';
import { paint } from './paint';

export const VERDICT_WORDS: Record<CheckJudgement['word'], string> = {
  within: 'Within',
  beyond: 'Beyond the limit',
  'too-close': 'Too close to call',
  'no-limit': 'No limit known',
  'not-measured': 'Not measured',
};

const WIDTH = 480;
const BASE = 44;

/** The limit band between its stops, the aim below, the reading above, its doubt as a bar: hollow where it leaves the band. */
export function VerdictRuler({
  judgement,
  decimals,
  small = false,
}: {
  readonly judgement: CheckJudgement;
  readonly decimals: number;
  /** A line of a list: the same ruler without the figures at its stops. */
  readonly small?: boolean;
}) {
  const { decisive, limit, unit, word } = judgement;
  const readsIn = useReadsIn();
  const figures = useFigures(unit, decimals, decisive?.value);
  if (!decisive) return null;
  const { value, expandedUncertainty: doubt } = decisive;
  const marks = [value - doubt, value + doubt, limit?.min, limit?.max, limit?.aim].filter(
    (mark) => mark !== undefined,
  );
  const low = Math.min(...marks);
  const high = Math.max(...marks);
  const margin = Math.max((high - low) * 0.18, doubt, 1e-6);
  const x = scaleLinear([low - margin, high + margin], [10, WIDTH - 10]);
  const bandLow = limit?.min === undefined ? 0 : x(limit.min);
  const bandHigh = limit?.max === undefined ? WIDTH : x(limit.max);
  const colour = word === 'beyond' ? 'oxide' : 'metal';
  const known = word !== 'no-limit';
  const barLow = x(value - doubt);
  const barHigh = x(value + doubt);
  const filledLow = Math.max(barLow, bandLow);
  const filledHigh = Math.min(barHigh, bandHigh);
  const label = `${VERDICT_WORDS[word]}: ${figures.quantity(value)} ± ${figures.doubt(doubt)}; limit ${describeLimit(limit, readsIn)}`;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${small ? 54 : 74}`}
      preserveAspectRatio={small ? 'none' : undefined}
      height={small ? 26 : undefined}
      width="100%"
      style={{ maxWidth: WIDTH }}
      role="img"
      aria-label={label}
      data-verdict={word}
    >
      {known && (
        <rect
          x={bandLow}
          y={14}
          width={Math.max(0, bandHigh - bandLow)}
          height={BASE - 14}
          fill={paint('band')}
        />
      )}
      <line x1={0} x2={WIDTH} y1={BASE} y2={BASE} stroke={paint('ink')} strokeWidth={1.5} />
      {x.ticks(9).map((tick) => (
        <line
          key={tick}
          x1={x(tick)}
          x2={x(tick)}
          y1={BASE}
          y2={BASE + 6}
          stroke={paint('ink')}
          strokeWidth={1}
        />
      ))}
      {[limit?.min, limit?.max].map((stop, index) =>
        stop === undefined ? null : (
          <g key={index}>
            <line x1={x(stop)} x2={x(stop)} y1={8} y2={BASE + 8} stroke={paint('ink')} strokeWidth={2.5} />
            {!small && (
              <text
                x={x(stop)}
                y={BASE + 25}
                textAnchor="middle"
                fill={paint('ink')}
                style={{ fontSize: '14px' }}
              >
                {figures.number(stop)}
              </text>
            )}
          </g>
        ),
      )}
      {limit?.aim !== undefined && <path d={`M${x(limit.aim)} ${BASE + 2}l-6 11h12z`} fill={paint('ink')} />}
      <rect
        x={barLow}
        y={22}
        width={Math.max(2, barHigh - barLow)}
        height={14}
        fill="none"
        stroke={paint(colour)}
        strokeWidth={1.5}
      />
      {known && filledHigh > filledLow && (
        <rect x={filledLow} y={22} width={filledHigh - filledLow} height={14} fill={paint(colour)} />
      )}
      <line x1={x(value)} x2={x(value)} y1={8} y2={40} stroke={paint(colour)} strokeWidth={2} />
      <path d={`M${x(value)} 12l-6 -10h12z`} fill={paint(colour)} />
    </svg>
  );
}
