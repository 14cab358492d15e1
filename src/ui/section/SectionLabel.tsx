'use client';

import { badgePlace, GLYPH_WIDTH, type PlacedLabel } from '@/core/section/labels/labels';
import type { GradeOrNone } from '@/model/damage';
import { gradePath, TOOTH_FLANKS, WHOLE_TOOTH } from '@/model/gradeShape';
import { paint } from '../kit/paint';

/** A label with its leader: the grade's shape with the ghost of the lost metal, the name, and the words. */
export function SectionLabel({
  label,
  grade,
  selected,
}: {
  readonly label: PlacedLabel;
  /** Left out for a type, which nobody has graded. */
  readonly grade: GradeOrNone | undefined;
  readonly selected: boolean;
}) {
  const bad = (grade ?? 0) >= 4;
  const colour = bad ? 'oxide' : 'ink';
  const [ax, ay] = label.leader.at(-1)!;
  const textAt = label.x + (grade === undefined ? 4 : GLYPH_WIDTH);
  const points = label.leader.map(([x, y]) => `${x},${y}`).join(' ');
  return (
    <g pointerEvents="none">
      <polyline points={points} fill="none" stroke={paint('paper')} strokeWidth={3.4} />
      <polyline points={points} fill="none" stroke={paint(colour)} strokeWidth={1} />
      <circle
        data-dot={label.positionId}
        cx={ax}
        cy={ay}
        r={3}
        fill={paint('paper')}
        stroke={paint(colour)}
        strokeWidth={1.5}
      />
      {label.badge && <Badge letter={label.badge} at={badgePlace(label)} />}
      {selected && (
        <rect
          x={label.x - 6}
          y={label.y - 3}
          width={label.width + 10}
          height={label.height + 4}
          fill={paint('blue')}
          stroke={paint('brass')}
          strokeWidth={1}
        />
      )}
      {grade !== undefined && <Glyph label={label} grade={grade} selected={selected} />}
      <g data-label={label.title}>
        <text
          x={textAt}
          y={label.y + 15}
          fill={paint(selected ? 'brass' : colour)}
          style={{ fontSize: '15px', fontWeight: 650, fontStretch: '87.5%' }}
        >
          {label.title}
        </text>
        <text
          x={textAt}
          y={label.y + 32}
          fill={paint(selected ? 'onBlue' : bad ? 'oxide' : 'second')}
          style={{ fontSize: '13px', fontStretch: '87.5%' }}
        >
          {label.words}
        </text>
      </g>
    </g>
  );
}

function Glyph({
  label,
  grade,
  selected,
}: {
  readonly label: PlacedLabel;
  readonly grade: GradeOrNone;
  readonly selected: boolean;
}) {
  const bad = (grade ?? 0) >= 4;
  return (
    <g transform={`translate(${label.x} ${label.y + 5}) scale(${22 / 24})`}>
      {grade !== 0 && (
        <path
          d={grade === null ? WHOLE_TOOTH : TOOTH_FLANKS}
          fill="none"
          stroke={paint(selected ? 'onBlue' : bad ? 'oxide' : 'ink')}
          strokeWidth={grade === null ? 1.4 : 0.8}
          strokeDasharray={grade === null ? '4 3' : '2 2'}
        />
      )}
      {grade !== null && (
        <path
          d={gradePath(grade)}
          fill={paint(selected ? (bad ? 'oxideOnBlue' : 'onBlue') : bad ? 'oxide' : 'metal')}
        />
      )}
    </g>
  );
}

function Badge({ letter, at: [x, y] }: { readonly letter: string; readonly at: readonly [number, number] }) {
  return (
    <g>
      <circle cx={x} cy={y} r={9.5} fill={paint('paper')} stroke={paint('ink')} strokeWidth={1.4} />
      <text
        x={x}
        y={y + 4.8}
        textAnchor="middle"
        fill={paint('ink')}
        style={{ fontSize: '13px', fontWeight: 650 }}
      >
        {letter}
      </text>
    </g>
  );
}
