import { formatNumber } from '@/core/quantity/format';

interface MoveSketchProps {
  readonly depthMove: number;
  readonly backlashMove: number;
}

/** The smallest move that is worth an arrow, mm. */
const TELLS = 0.005;

/** Pinion and ring from the side, with an arrow for each move and its size beside it: which way to go, at one look. */
export function MoveSketch({ depthMove, backlashMove }: MoveSketchProps) {
  const depth = Math.abs(depthMove) < TELLS ? undefined : depthMove;
  const backlash = Math.abs(backlashMove) < TELLS ? undefined : backlashMove;
  return (
    <svg
      width={450}
      height={150}
      viewBox="0 0 450 150"
      style={{ maxWidth: '100%' }}
      role="img"
      aria-label={`${depth === undefined ? 'The pinion stays' : `The pinion moves ${formatNumber(Math.abs(depth), 2)} mm ${depth > 0 ? 'toward the ring' : 'away from the ring'}`}; ${backlash === undefined ? 'the backlash stays' : `the ring moves for ${formatNumber(Math.abs(backlash), 2)} mm ${backlash > 0 ? 'more' : 'less'} backlash`}`}
      fill="none"
      stroke="currentColor"
      strokeWidth={1.6}
    >
      {/* The ring cut across, its axis upright, its teeth above; the pinion comes in from the left over its rim. */}
      <path d="M105 101L165 89V124H105Z M355 101L295 89V124H355Z M165 112H295 M165 124H295" />
      <path d="M230 30V146" strokeDasharray="12 4 3 4" strokeWidth={1} />
      <path d="M105 51V97L165 85V63Z M105 66H24V82H105" />
      <path d="M8 74H196" strokeDasharray="12 4 3 4" strokeWidth={1} />
      <text x={24} y={100} fontSize={13} fill="currentColor" stroke="none">
        pinion
      </text>
      <text x={300} y={80} fontSize={13} fill="currentColor" stroke="none">
        ring
      </text>
      {depth !== undefined && (
        <>
          <path d={arrowAlong(depth > 0 ? 1 : -1)} strokeWidth={3} transform="translate(64 44)" />
          <text x={24} y={28} fontSize={15} fontWeight={650} fill="currentColor" stroke="none">
            {formatNumber(Math.abs(depth), 2)} mm
          </text>
        </>
      )}
      {backlash !== undefined && (
        <>
          <path
            d={arrowAlong(backlash > 0 ? 1 : -1)}
            strokeWidth={3}
            transform="translate(378 108) rotate(90)"
          />
          <text x={300} y={26} fontSize={15} fontWeight={650} fill="currentColor" stroke="none">
            {`backlash ${backlash > 0 ? '+' : '−'}${formatNumber(Math.abs(backlash), 2)} mm`}
          </text>
        </>
      )}
    </svg>
  );
}

const arrowAlong = (way: 1 | -1): string =>
  `M${-24 * way} 0H${24 * way}M${14 * way} -7L${24 * way} 0L${14 * way} 7`;
