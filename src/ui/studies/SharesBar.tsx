'use client';

import { scaleLinear } from 'd3-scale';
import type { GaugeStudy } from '@/core/gauge-study/gaugeStudy';
import { paint } from '../kit/paint';

const WIDE = 640;
const TALL = 76;
const BAR = { y: 20, height: 26 };

/** What varies, as shares of the whole variance: the gauge, the people, the parts. Variances add up, deviations don't. */
export function SharesBar({ result }: { readonly result: GaugeStudy }) {
  const parts = [
    { name: 'gauge', variance: result.repeatability ** 2, fill: paint('metal') },
    { name: 'people', variance: result.reproducibility ** 2, fill: paint('sectionSteel') },
    { name: 'parts', variance: result.partVariation ** 2, fill: paint('band') },
  ];
  const total = parts.reduce((sum, { variance }) => sum + variance, 0);
  if (total === 0) return null;
  const x = scaleLinear([0, total], [1, WIDE - 1]);
  const shares = parts.map((part, index) => ({
    ...part,
    from: parts.slice(0, index).reduce((sum, { variance }) => sum + variance, 0),
    percent: Math.round((part.variance / total) * 100),
  }));
  const title = `Of all variance: ${shares.map(({ name, percent }) => `${name} ${percent} %`).join(', ')}`;
  return (
    <figure style={{ margin: '12px 0' }}>
      <svg
        viewBox={`0 0 ${WIDE} ${TALL}`}
        width="100%"
        style={{ maxWidth: WIDE }}
        role="img"
        aria-label={title}
      >
        {shares.map(({ name, variance, from, fill }) => (
          <rect
            key={name}
            x={x(from)}
            y={BAR.y}
            width={Math.max(0, x(from + variance) - x(from))}
            height={BAR.height}
            fill={fill}
            stroke={paint('ink')}
            strokeWidth={1.5}
          />
        ))}
        {[0, 25, 50, 75, 100].map((percent) => (
          <text
            key={percent}
            x={Math.min(WIDE - 20, Math.max(8, x((total * percent) / 100)))}
            y={TALL - 8}
            textAnchor="middle"
            fill={paint('ink')}
            style={{ fontSize: '13px' }}
          >
            {percent}
          </text>
        ))}
      </svg>
      <figcaption style={{ fontSize: 13 }}>{title}.</figcaption>
    </figure>
  );
}
