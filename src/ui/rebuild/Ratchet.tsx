import { scaleLinear } from 'd3-scale';
import { formatNumber } from '@/core/quantity/format';
import { paint } from '../kit/paint';

const [WIDTH, TEETH, PITCH] = [328, 24, 13] as const;

/** A crush sleeve under the ruler: teeth that were run over are filled, the stop stands at the band’s end, and there is no way back. */
export function Ratchet({ now, max }: { readonly now: number; readonly max: number }) {
  const x = scaleLinear([0, max * 1.06], [8, WIDTH - 8]);
  const at = x(Math.min(now, max * 1.06));
  return (
    <svg
      viewBox={`0 0 ${WIDTH} 30`}
      width="100%"
      style={{ maxWidth: WIDTH }}
      role="img"
      aria-label={`Crush sleeve: only tighter, at ${formatNumber(now, 1)} of ${formatNumber(max, 1)} N·m, then a new one`}
    >
      {Array.from({ length: TEETH }, (_, tooth) => {
        const left = 8 + tooth * PITCH;
        return (
          <path
            key={left}
            d={`M${left} 14L${left + PITCH} 4V14Z`}
            fill={left + PITCH <= at ? paint('ink') : 'none'}
            stroke={paint('ink')}
            strokeWidth={1.2}
          />
        );
      })}
      <line x1={x(max)} x2={x(max)} y1={0} y2={18} stroke={paint('ink')} strokeWidth={2.5} />
      <path d={`M${at} 15l-5 9h10Z`} fill={paint('ink')} />
      <text x={8} y={28} fill={paint('second')} style={{ fontSize: '13px' }}>
        only tighter
      </text>
      <text x={WIDTH} y={28} textAnchor="end" fill={paint('second')} style={{ fontSize: '13px' }}>
        then a new one
      </text>
    </svg>
  );
}
