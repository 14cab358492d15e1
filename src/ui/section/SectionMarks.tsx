'use client';

import { memo } from 'react';
import type { DrawnArea, DrawnLine, Section } from '@/core/section/drawSection';
import type { Tone } from '@/core/section/pieces/shapes';
import { OUTLINE, STROKES } from '@/core/section/strokes';
import { areaPath, linePath } from '@/core/section/svgPath';
import { PLATE, type ToothPlate } from '@/core/section/toothPlates';
import type { GradeOrNone } from '@/model/damage';
import { paint } from '../kit/paint';
import { hatchId } from './HatchPatterns';

const FILL: Record<Tone, string> = {
  cavity: 'sectionCavity',
  case: 'sectionCut',
  cut: 'sectionCut',
  blank: 'sectionCut',
  steel: 'sectionSteel',
  land: 'sectionLand',
  roller: 'sectionCut',
  solid: 'ink',
};
interface SectionMarksProps {
  readonly section: Section;
  readonly gradeOf: (id: string) => GradeOrNone;
  readonly selected: string | undefined;
  /** Drawn like the open part: what a step is about. */
  readonly marked?: ReadonlySet<string> | undefined;
  readonly prefix: string;
}

/** Every area and line in painting order; the open part's outline comes last, with a halo. */
export const SectionMarks = memo(function SectionMarks({
  section,
  gradeOf,
  selected,
  marked,
  prefix,
}: SectionMarksProps) {
  return (
    <>
      {section.marks.map((mark, index) =>
        'area' in mark ? (
          <AreaMark key={index} area={mark.area} grade={gradeOf(mark.area.positionId)} prefix={prefix} />
        ) : (
          <LineMark key={index} line={mark.line} grade={gradeOf(mark.line.positionId)} />
        ),
      )}
      {section.centreLines.map((points, index) => (
        <path
          key={`axis-${index}`}
          d={linePath(points)}
          fill="none"
          stroke={paint('ink')}
          strokeWidth={STROKES.centre.width}
          strokeDasharray={STROKES.centre.dash}
        />
      ))}
      {section.marks.map((mark, index) =>
        'area' in mark &&
        (mark.area.positionId === selected || marked?.has(mark.area.positionId)) &&
        mark.area.tone !== 'land' &&
        mark.area.tone !== 'cavity' ? (
          <g key={`open-${index}`}>
            <path
              d={areaPath(mark.area, true)}
              fillRule="evenodd"
              fill={paint('brass')}
              fillOpacity={mark.area.tone === 'solid' ? 1 : 0.3}
              stroke="none"
            />
            <path
              d={areaPath(mark.area)}
              fill="none"
              stroke={paint('paper')}
              strokeWidth={5}
              opacity={0.75}
              vectorEffect="non-scaling-stroke"
            />
            <path
              d={areaPath(mark.area)}
              fill="none"
              stroke={paint('metal')}
              strokeWidth={2.6}
              strokeLinejoin="round"
              vectorEffect="non-scaling-stroke"
            />
          </g>
        ) : null,
      )}
      {section.plates.map((plate) => (
        <Plate key={plate.positionId} plate={plate} bad={(gradeOf(plate.positionId) ?? 0) >= 4} />
      ))}
    </>
  );
});

/**
 * Cut metal is hatched once somebody has looked at it; before that it is a dashed outline. The castings, which
 * hold the drawing together, keep a faint hatching under their dashes. Grades 4 and 5 turn red.
 */
function AreaMark({
  area,
  grade,
  prefix,
}: {
  readonly area: DrawnArea;
  readonly grade: GradeOrNone;
  readonly prefix: string;
}) {
  const bad = grade !== null && grade >= 4;
  const unseen = grade === null;
  const d = areaPath(area);
  const dashed = unseen && area.tone !== 'land' && area.tone !== 'cavity';
  return (
    <g data-grade={grade ?? 'none'}>
      <path
        d={d}
        fillRule="evenodd"
        fill={paint(
          unseen && area.tone === 'solid'
            ? 'sectionCut'
            : bad && area.tone === 'solid'
              ? 'oxide'
              : FILL[area.tone],
        )}
        stroke={paint(bad ? 'oxide' : 'ink')}
        strokeWidth={unseen ? Math.min(OUTLINE[area.tone], 1.3) : OUTLINE[area.tone]}
        strokeDasharray={dashed ? '4 3' : undefined}
        strokeLinejoin="round"
        vectorEffect="non-scaling-stroke"
        opacity={area.tone === 'land' && unseen ? 0.6 : 1}
      />
      {area.hatch && area.tone !== 'solid' && (!unseen || area.tone === 'case') && (
        <path
          d={d}
          fillRule="evenodd"
          fill={`url(#${hatchId(prefix, area.hatch.angle, area.hatch.spacing, bad)})`}
          opacity={unseen ? 0.4 : 1}
        />
      )}
    </g>
  );
}

function LineMark({ line, grade }: { readonly line: DrawnLine; readonly grade: GradeOrNone }) {
  const { width, dash, opacity } = STROKES[line.kind];
  const bad = grade !== null && grade >= 4;
  const ends = line.kind === 'broken' ? [line.points[0]!, line.points.at(-1)!] : [];
  return (
    <>
      {ends.map(([x, y]) => (
        <circle key={x} cx={x} cy={y} r={3} fill={paint('ink')} />
      ))}
      <path
        d={linePath(line.points)}
        fill="none"
        stroke={paint(bad ? 'oxide' : 'ink')}
        strokeWidth={width}
        strokeDasharray={dash}
        opacity={opacity}
        vectorEffect="non-scaling-stroke"
      />
    </>
  );
}

/** Tooth counts on the gears, on small plates. */
export function Plate({ plate, bad }: { readonly plate: ToothPlate; readonly bad: boolean }) {
  const [x, y] = plate.at;
  return (
    <g pointerEvents="none">
      <rect
        x={x - PLATE.width / 2}
        y={y - PLATE.height / 2}
        width={PLATE.width}
        height={PLATE.height}
        rx={2}
        fill={paint('paper')}
        stroke={paint(bad ? 'oxide' : 'ink')}
        strokeWidth={1}
      />
      <text
        x={x}
        y={y + 4.8}
        textAnchor="middle"
        fill={paint(bad ? 'oxide' : 'ink')}
        style={{ fontSize: '13px', fontWeight: 650, fontStretch: '87.5%' }}
      >
        {plate.text}
      </text>
    </g>
  );
}
