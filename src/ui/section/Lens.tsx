import { useId } from 'react';
import type { Section } from '@/core/section/drawSection';
import { paint } from '../kit/paint';

const RADIUS = 76;
const TIMES = 3;

/** A part too small to see gets a glass at three to one, in the corner that is farthest from it. */
export function Lens({
  section,
  positionId,
  source,
}: {
  readonly section: Section;
  readonly positionId: string;
  readonly source: string;
}) {
  const clip = useId().replace(/:/g, '');
  const [ax, ay] = section.anchors.get(positionId)!;
  const cx = ax > section.width / 2 ? RADIUS + 12 : section.width - RADIUS - 12;
  const cy = section.height - RADIUS - 34;
  return (
    <g pointerEvents="none">
      <clipPath id={clip}>
        <circle cx={cx} cy={cy} r={RADIUS} />
      </clipPath>
      <circle cx={ax} cy={ay} r={RADIUS / TIMES} fill="none" stroke={paint('ink')} strokeWidth={1.6} />
      <circle cx={cx} cy={cy} r={RADIUS} fill={paint('paper')} />
      <g clipPath={`url(#${clip})`}>
        <use
          href={`#${source}`}
          transform={`translate(${cx - ax * TIMES} ${cy - ay * TIMES}) scale(${TIMES})`}
        />
      </g>
      <circle cx={cx} cy={cy} r={RADIUS} fill="none" stroke={paint('ink')} strokeWidth={2.4} />
      <text
        x={cx}
        y={cy + RADIUS + 18}
        textAnchor="middle"
        fill={paint('ink')}
        style={{ fontSize: '13px', fontWeight: 650 }}
      >
        {TIMES} : 1
      </text>
    </g>
  );
}
