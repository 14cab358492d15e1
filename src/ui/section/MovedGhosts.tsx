import { formatNumber } from '@/core/quantity/format';
import type { Section } from '@/core/section/drawSection';
import { type AskedMove, movedGhosts } from '@/core/section/movedGhost';
import { areaPath } from '@/core/section/svgPath';
import type { UnitType } from '@/model/unitType';
import { paint } from '../kit/paint';

interface MovedGhostsProps {
  readonly section: Section;
  readonly unitType: UnitType;
  readonly moves: readonly AskedMove[];
}

const TAG = { half: 30, point: 14, height: 24 };

/** Where the parts of an advised move come to lie, drawn larger than life, each with its figure on a tag that points the way. */
export function MovedGhosts({ section, unitType, moves }: MovedGhostsProps) {
  return movedGhosts(section, unitType, moves).map(({ position, areas, by: [dx, dy], plate, mm }) => (
    <g key={position} data-ghost={position} pointerEvents="none">
      <g transform={`translate(${dx} ${dy})`} fill="none">
        {areas.map((area, at) => (
          <path key={at} d={areaPath(area)} stroke={paint('blue')} strokeWidth={5} strokeLinejoin="round" />
        ))}
        {areas.map((area, at) => (
          <path key={at} d={areaPath(area)} stroke={paint('brass')} strokeWidth={2} strokeLinejoin="round" />
        ))}
      </g>
      <g transform={`translate(${kept(plate[0], section.width)} ${kept(plate[1], section.height)})`}>
        <path d={tagPath(dx, dy)} fill={paint('blue')} />
        <text
          textAnchor="middle"
          y={5}
          fill={paint('brass')}
          style={{ fontSize: '15px', fontWeight: 650, fontVariantNumeric: 'tabular-nums' }}
        >
          {formatNumber(mm, 2)}
        </text>
      </g>
    </g>
  ));
}

const kept = (at: number, most: number): number =>
  Math.min(most - TAG.half - TAG.point, Math.max(TAG.half + TAG.point, at));

/** A tag with a point on the side to which it goes. */
function tagPath(dx: number, dy: number): string {
  const { half, point, height } = TAG;
  const body = `M${-half} ${-height / 2}H${half}V${height / 2}H${-half}Z`;
  const [sideways, x, y] = [Math.abs(dx) >= Math.abs(dy), Math.sign(dx) * half, (Math.sign(dy) * height) / 2];
  return sideways
    ? `${body}M${x} ${-height / 2}L${x + Math.sign(dx) * point} 0L${x} ${height / 2}Z`
    : `${body}M${-point} ${y}L0 ${y + Math.sign(dy) * point}L${point} ${y}Z`;
}
