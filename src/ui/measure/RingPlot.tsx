'use client';

import { scaleLinear } from 'd3-scale';
import { curveLinearClosed, lineRadial } from 'd3-shape';
import { harmonicsAt } from '@/core/metrology/rotationSeries';
import type { CheckSeries } from '@/core/metrology/seriesOfCheck';
import type { Limit } from '@/model/checks';
import { paint } from '../kit/paint';

interface PlotProps {
  readonly series: CheckSeries;
  readonly limit: Limit | undefined;
  readonly count: number;
  /** How far round the places are spread, degrees. */
  readonly over?: number;
  readonly nextIndex: number | undefined;
  readonly title: string;
  readonly format: (value: number) => string;
}

const SIZE = 440;
const MIDDLE = SIZE / 2;
const INNER = 46;
const OUTER = 168;
const RIM = 182;

const radians = (degrees: number) => (degrees * Math.PI) / 180;
/** Tooth 1 stands at the top; the circle runs clockwise, as one turns the part. */
const onCircle = (angleDeg: number, radius: number): readonly [number, number] => [
  MIDDLE + radius * Math.sin(radians(angleDeg)),
  MIDDLE - radius * Math.cos(radians(angleDeg)),
];

export function spanOf({ points }: CheckSeries, limit: Limit | undefined): [number, number] {
  const marks = [...points.map(({ value }) => value), limit?.min, limit?.max, limit?.aim].filter(
    (mark) => mark !== undefined,
  );
  const [low, high] = marks.length > 0 ? [Math.min(...marks), Math.max(...marks)] : [0, 1];
  const margin = Math.max((high - low) * 0.3, 1e-6);
  return [low - margin, high + margin];
}

/** A series as it lies round the part: the band as a ring, readings on the fitted curve, what stands alone as an open diamond. */
export function RingPlot({ series, limit, count, over = 360, nextIndex, title, format }: PlotProps) {
  const radius = scaleLinear(spanOf(series, limit), [INNER, OUTER]);
  const { analysis, points } = series;
  const curve = lineRadial<number>()
    .angle((angle) => radians(angle))
    .radius((angle) => radius(analysis!.mean + harmonicsAt(analysis!.harmonics, angle)))
    .curve(curveLinearClosed);
  const every = count > 24 ? 5 : 1;
  return (
    <svg
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      width="100%"
      style={{ maxWidth: SIZE }}
      role="img"
      aria-label={title}
      data-testid="ring-plot"
    >
      {limit?.min !== undefined && limit.max !== undefined && (
        <path d={annulus(radius(limit.min), radius(limit.max))} fill={paint('band')} fillRule="evenodd" />
      )}
      {[limit?.min, limit?.max].map((stop, index) =>
        stop === undefined ? null : (
          <g key={index}>
            <circle
              cx={MIDDLE}
              cy={MIDDLE}
              r={radius(stop)}
              fill="none"
              stroke={paint('ink')}
              strokeWidth={2}
            />
            <text
              x={MIDDLE - radius(stop) * 0.72}
              y={MIDDLE + radius(stop) * 0.72}
              fill={paint('ink')}
              stroke={paint('paper')}
              strokeWidth={5}
              paintOrder="stroke"
              textAnchor="middle"
              style={{ fontSize: '13px', fontWeight: 600 }}
            >
              {format(stop)}
            </text>
          </g>
        ),
      )}
      {limit?.aim !== undefined && (
        <circle
          cx={MIDDLE}
          cy={MIDDLE}
          r={radius(limit.aim)}
          fill="none"
          stroke={paint('ink')}
          strokeWidth={1}
          strokeDasharray="10 3 2 3"
        />
      )}
      {Array.from({ length: count }, (_, index) => {
        const [x1, y1] = onCircle((index * over) / count, RIM);
        const [x2, y2] = onCircle((index * over) / count, RIM + 8);
        const [tx, ty] = onCircle((index * over) / count, RIM + 20);
        const numbered = index === 0 || (index + 1) % every === 0;
        return (
          <g key={index}>
            <line x1={x1} y1={y1} x2={x2} y2={y2} stroke={paint('ink')} strokeWidth={numbered ? 1.5 : 0.8} />
            {numbered && (
              <text x={tx} y={ty + 5} textAnchor="middle" fill={paint('ink')} style={{ fontSize: '13px' }}>
                {index + 1}
              </text>
            )}
          </g>
        );
      })}
      {analysis && (
        <path
          d={curve(Array.from({ length: 180 }, (_, index) => index * 2)) ?? ''}
          transform={`translate(${MIDDLE} ${MIDDLE})`}
          fill="none"
          stroke={paint('metal')}
          strokeWidth={1.4}
        />
      )}
      {points.map(({ place, angleDeg, value }) => {
        const [x, y] = onCircle(angleDeg, radius(value));
        return analysis?.localPlaces.includes(place) ? (
          <path
            key={place}
            data-local={place}
            d={`M${x} ${y - 8}l8 8l-8 8l-8 -8Z`}
            fill={paint('paper')}
            stroke={paint('ink')}
            strokeWidth={2}
          />
        ) : (
          <circle key={place} cx={x} cy={y} r={4} fill={paint('metal')} />
        );
      })}
      {nextIndex !== undefined && <NextMark index={nextIndex} angleDeg={(nextIndex * over) / count} />}
    </svg>
  );
}

/** Where the plunger goes next: a brass numeral on a radius. */
function NextMark({ index, angleDeg }: { readonly index: number; readonly angleDeg: number }) {
  const [x, y] = onCircle(angleDeg, RIM - 4);
  return (
    <g>
      <line x1={MIDDLE} y1={MIDDLE} x2={x} y2={y} stroke={paint('metal')} strokeWidth={1.4} />
      <circle cx={MIDDLE} cy={MIDDLE} r={3} fill={paint('metal')} />
      <circle cx={x} cy={y} r={15} fill={paint('blue')} />
      <text
        x={x}
        y={y + 5}
        textAnchor="middle"
        fill={paint('brass')}
        style={{ fontSize: '15px', fontWeight: 650 }}
      >
        {index + 1}
      </text>
    </g>
  );
}

const annulus = (inner: number, outer: number): string =>
  [inner, outer]
    .map((r) => `M${MIDDLE - r} ${MIDDLE}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`)
    .join('');

const WIDE = 660;
const TALL = 260;

/** The same series laid out along the circle. */
export function UnrolledPlot({
  series,
  limit,
  count,
  over = 360,
  title,
  format,
}: Omit<PlotProps, 'nextIndex'>) {
  const x = scaleLinear([0, over], [44, WIDE - 10]);
  const y = scaleLinear(spanOf(series, limit), [TALL - 30, 10]);
  const { analysis, points } = series;
  const fitted = analysis
    ? Array.from(
        { length: 181 },
        (_, index) =>
          `${x((index * over) / 180)},${y(analysis.mean + harmonicsAt(analysis.harmonics, (index * over) / 180))}`,
      ).join(' ')
    : '';
  return (
    <svg viewBox={`0 0 ${WIDE} ${TALL}`} width="100%" role="img" aria-label={title}>
      {limit?.min !== undefined && limit.max !== undefined && (
        <rect
          x={44}
          width={WIDE - 54}
          y={y(limit.max)}
          height={y(limit.min) - y(limit.max)}
          fill={paint('band')}
        />
      )}
      {[limit?.min, limit?.max].map((stop, index) =>
        stop === undefined ? null : (
          <g key={index}>
            <line x1={44} x2={WIDE - 10} y1={y(stop)} y2={y(stop)} stroke={paint('ink')} strokeWidth={2} />
            <text x={38} y={y(stop) + 5} textAnchor="end" fill={paint('ink')} style={{ fontSize: '13px' }}>
              {format(stop)}
            </text>
          </g>
        ),
      )}
      {Array.from({ length: count }, (_, index) =>
        index === 0 || (index + 1) % 5 === 0 ? index : undefined,
      ).map((index) =>
        index === undefined ? null : (
          <text
            key={index}
            x={x((index * over) / count)}
            y={TALL - 8}
            textAnchor="middle"
            fill={paint('ink')}
            style={{ fontSize: '13px' }}
          >
            {index + 1}
          </text>
        ),
      )}
      {analysis?.harmonics.map((harmonic) => (
        <polyline
          key={harmonic.order}
          data-order={harmonic.order}
          points={Array.from(
            { length: 121 },
            (_, index) =>
              `${x((index * over) / 120)},${y(analysis.mean + harmonicsAt([harmonic], (index * over) / 120))}`,
          ).join(' ')}
          fill="none"
          stroke={paint('second')}
          strokeWidth={0.9}
          strokeDasharray={harmonic.order === 1 ? '8 3' : harmonic.order === 2 ? '3 3' : '1 3'}
        />
      ))}
      {fitted && <polyline points={fitted} fill="none" stroke={paint('metal')} strokeWidth={1.4} />}
      {points.map(({ place, angleDeg, value }) =>
        analysis?.localPlaces.includes(place) ? (
          <path
            key={place}
            d={`M${x(angleDeg)} ${y(value) - 8}l8 8l-8 8l-8 -8Z`}
            fill={paint('paper')}
            stroke={paint('ink')}
            strokeWidth={2}
          />
        ) : (
          <circle key={place} cx={x(angleDeg)} cy={y(value)} r={4} fill={paint('metal')} />
        ),
      )}
    </svg>
  );
}
