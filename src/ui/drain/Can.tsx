'use client';

import { useRef } from 'react';
import { formatNumber } from '@/core/quantity/format';
import { figureOf } from '../kit/figureOf';
import { paint } from '../kit/paint';
import { litresWords, type OilSheet } from './useOil';

/** Samples of the material, as in a photograph: never a signal, always with their word. */
export const OIL_PAINT: Readonly<Record<NonNullable<OilSheet['colour']>, string>> = {
  clear: '#E9DFBF',
  amber: '#B8741F',
  brown: '#5F3E1D',
  black: '#221B16',
  grey: '#8C8F8B',
  milky: '#CDBFA6',
};

const [WIDTH, HEIGHT, INSIDE, LEFT, TOP, DEPTH] = [300, 336, 152, 42, 20, 296] as const;
const FLOOR = TOP + DEPTH;
/** Litres that a can holds where nobody knows how much belongs in the unit. */
const UNKNOWN = 4;

interface CanProps {
  readonly sheet: OilSheet;
  /** Litres that belong in it. */
  readonly belongs: number | undefined;
  /** Whether what is missing may be called short. */
  readonly tellsLevel: boolean;
  /** Left out for who may not change it. */
  readonly onLitres?: ((litres: string) => void) | undefined;
  /** By so many steps of a tenth. */
  readonly onMore?: ((steps: number) => void) | undefined;
}

/** The can cut open like the unit: its level is what is said of the oil, and what is missing an outline with its figure. */
export function Can({ sheet, belongs, tellsLevel, onLitres, onMore }: CanProps) {
  const drawing = useRef<SVGSVGElement>(null);
  const litres = figureOf(sheet.litres);
  const known = litres !== undefined && litres >= 0 ? litres : undefined;
  const most = 1.12 * Math.max(belongs ?? UNKNOWN, known ?? 0);
  const y = (of: number) => FLOOR - (DEPTH * of) / most;
  const at = (clientY: number) => {
    const box = drawing.current!.getBoundingClientRect();
    const inside = ((clientY - box.top) * HEIGHT) / box.height;
    const share = Math.min(1, Math.max(0, (FLOOR - inside) / DEPTH));
    return litresWords(Math.round(share * most * 10) / 10);
  };
  const short = belongs !== undefined && known !== undefined && known < belongs ? belongs - known : 0;
  const step = stepFor(most);
  return (
    <svg
      ref={drawing}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width="100%"
      style={{ maxWidth: WIDTH, touchAction: 'none', display: 'block' }}
      role={onLitres ? 'slider' : 'img'}
      tabIndex={onLitres ? 0 : undefined}
      aria-label={`The can: ${known === undefined ? 'nobody measured' : `${formatNumber(known, 2)} litres`}${belongs === undefined ? '' : ` of ${formatNumber(belongs, 1)}`}`}
      {...(onLitres
        ? { 'aria-valuemin': 0, 'aria-valuemax': Math.round(most * 10) / 10, 'aria-valuenow': known ?? 0 }
        : {})}
      onPointerDown={(event) => {
        if (!onLitres) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        onLitres(at(event.clientY));
      }}
      onPointerMove={(event) => {
        if (onLitres && event.buttons > 0) onLitres(at(event.clientY));
      }}
      onKeyDown={(event) => {
        const way = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key];
        if (!way || !onMore) return;
        event.preventDefault();
        onMore(way);
      }}
    >
      <defs>
        <pattern
          id="can-wall"
          width={4}
          height={4}
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <line x1={0} x2={0} y1={0} y2={4} stroke={paint('ink')} strokeWidth={1.1} />
        </pattern>
      </defs>
      <path
        d={`M${LEFT - 7} ${TOP - 8}V${FLOOR + 7}H${LEFT + INSIDE + 7}V${TOP - 8}H${LEFT + INSIDE}V${FLOOR}H${LEFT}V${TOP - 8}Z`}
        fill="url(#can-wall)"
        stroke={paint('ink')}
        strokeWidth={2}
      />
      <path
        d={`M${LEFT - 7} ${TOP + 70}H${LEFT - 26}V${TOP + 200}H${LEFT - 7}`}
        fill="none"
        stroke={paint('ink')}
        strokeWidth={2}
      />
      <rect x={LEFT + 1} y={TOP} width={INSIDE - 2} height={DEPTH - 1} fill={paint('band')} />
      {known !== undefined && (
        <>
          <rect
            x={LEFT + 1}
            y={y(known)}
            width={INSIDE - 2}
            height={FLOOR - y(known) - 1}
            fill={sheet.colour ? OIL_PAINT[sheet.colour] : paint('rule')}
          />
          <Glitter glitter={sheet.glitter} top={y(known)} />
          <line
            x1={LEFT}
            x2={LEFT + INSIDE}
            y1={y(known)}
            y2={y(known)}
            stroke={paint('ink')}
            strokeWidth={2.5}
          />
        </>
      )}
      {Array.from({ length: Math.floor(most / step) }, (_, nth) => (nth + 1) * step).map((mark) => (
        <g key={mark}>
          <line
            x1={LEFT + INSIDE - 16}
            x2={LEFT + INSIDE}
            y1={y(mark)}
            y2={y(mark)}
            stroke={paint(known !== undefined && mark < known ? 'paper' : 'ink')}
            strokeWidth={1.5}
          />
          <text
            x={LEFT + INSIDE - 20}
            y={y(mark) + 5}
            textAnchor="end"
            fill={paint(known !== undefined && mark < known && isDark(sheet.colour) ? 'paper' : 'ink')}
            style={{ fontSize: '13px', fontWeight: 600 }}
          >
            {formatNumber(mark, step < 1 ? 1 : 0)}
          </text>
        </g>
      ))}
      {belongs !== undefined && (
        <>
          <line
            x1={LEFT + INSIDE + 7}
            x2={WIDTH - 2}
            y1={y(belongs)}
            y2={y(belongs)}
            stroke={paint('ink')}
            strokeWidth={1}
          />
          <text
            x={WIDTH - 4}
            y={y(belongs) - 6}
            textAnchor="end"
            fill={paint('ink')}
            style={{ fontSize: '15px', fontWeight: 650 }}
          >
            {formatNumber(belongs, 1)} full
          </text>
        </>
      )}
      {short > 0.05 && (
        <>
          <rect
            x={LEFT + 6}
            y={y(belongs!)}
            width={INSIDE - 46}
            height={y(known!) - y(belongs!) - 3}
            fill="none"
            stroke={paint('ink')}
            strokeWidth={2}
            strokeDasharray="5 4"
          />
          {y(known!) - y(belongs!) > 40 && (
            <text x={LEFT + 50} y={(y(known!) + y(belongs!)) / 2} textAnchor="middle" fill={paint('ink')}>
              <tspan style={{ fontSize: '20px', fontWeight: 650 }}>{formatNumber(short, 1)}</tspan>
              <tspan x={LEFT + 50} dy={17} style={{ fontSize: '13px' }}>
                {tellsLevel ? 'short' : 'not here'}
              </tspan>
            </text>
          )}
        </>
      )}
      {known !== undefined && (
        <g
          transform={`translate(${LEFT + INSIDE + 8} ${Math.min(FLOOR - 10, Math.max(TOP + 12, y(known)))})`}
        >
          <path d="M0 0L14 -22H96V22H14Z" fill={paint('blue')} />
          <text
            x={55}
            y={6}
            textAnchor="middle"
            fill={paint('brass')}
            style={{ fontSize: '20px', fontWeight: 650 }}
          >
            {formatNumber(known, known * 10 === Math.round(known * 10) ? 1 : 2)}
            <tspan style={{ fontSize: '13px', fontWeight: 400 }}> l</tspan>
          </text>
        </g>
      )}
    </svg>
  );
}

const stepFor = (most: number): number => (most > 8 ? 2 : most > 3.5 ? 1 : 0.5);
const isDark = (colour: OilSheet['colour']): boolean =>
  colour !== undefined && colour !== 'clear' && colour !== 'milky';

/** Specks in the oil; where they lie says nothing, only that they were seen. */
function Glitter({ glitter, top }: { readonly glitter: OilSheet['glitter']; readonly top: number }) {
  if (glitter === undefined || glitter === 'none') return null;
  const colours = [
    ...(glitter.includes('grey') ? ['#D7DCDD'] : []),
    ...(glitter.includes('yellow') ? ['#E2B04A'] : []),
  ];
  const room = FLOOR - top - 14;
  if (room < 12) return null;
  return Array.from({ length: 44 }, (_, nth) => {
    const [x, y] = [LEFT + 8 + ((nth * 37) % (INSIDE - 18)), top + 8 + ((nth * 53) % room)];
    return (
      <line
        key={nth}
        x1={x}
        x2={x + 3}
        y1={y}
        y2={y + ((nth % 3) - 1) * 2}
        stroke={colours[nth % colours.length]}
        strokeWidth={1.4}
      />
    );
  });
}
