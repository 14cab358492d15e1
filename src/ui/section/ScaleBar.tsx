import type { Section } from '@/core/section/drawSection';
import { paint } from '../kit/paint';

/** A ruled bar of true length, in the corner where nothing is drawn. */
export function ScaleBar({ section }: { readonly section: Section }) {
  const length = section.scale > 2.4 ? 50 : 100;
  const step = length / 10;
  const x = 16;
  const y = section.height - 4;
  return (
    <g>
      <line x1={x} x2={x + length * section.scale} y1={y} y2={y} stroke={paint('ink')} strokeWidth={1.2} />
      {Array.from({ length: 11 }, (_, index) => (
        <line
          key={index}
          x1={x + index * step * section.scale}
          x2={x + index * step * section.scale}
          y1={y - (index % 5 === 0 ? 8 : 4)}
          y2={y}
          stroke={paint('ink')}
          strokeWidth={1}
        />
      ))}
      <text
        x={x + length * section.scale + 8}
        y={y}
        fill={paint('ink')}
        style={{ fontSize: '13px', fontStretch: '87.5%' }}
      >
        {length} mm
      </text>
    </g>
  );
}
