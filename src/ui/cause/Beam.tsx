'use client';

import { useRef } from 'react';
import type { RankedCause } from '@/core/causes/diagnose';
import { paint } from '../kit/paint';
import { useWidth } from '../section/useWidth';
import { beamSize, fitting, logOdds, NAME, namedBlocks, OTHERS, stacked, told } from './beamLayout';

interface BeamProps {
  readonly cause: RankedCause;
  readonly open: boolean;
  readonly nameOf: (finding: string) => string;
  /** Whether a finding is seen, or was looked for and isn't there. */
  readonly isSeen: (finding: string) => boolean;
  readonly onFinding: (finding: string) => void;
}

const OPEN = { tall: 44, block: 20, line: 2.5 };
const CLOSED = { tall: 22, block: 14, line: 1.5 };
/**
 * The evidence for and against one cause, to the same scale under all: from the base rate at the pivot each finding weighs to its side; what
 * they say only together closes the sum. A notch marks even odds.
 */
export function Beam({ cause, open, nameOf, isSeen, onFinding }: BeamProps) {
  const holder = useRef<SVGSVGElement>(null);
  const at = beamSize(useWidth(holder, 620));
  const { wide: room, pivot } = at;
  const size = open ? OPEN : CLOSED;
  const total = logOdds(cause.probability) - logOdds(cause.prior);
  const alone = [...cause.for, ...cause.against].reduce((sum, { weight }) => sum + weight, 0);
  const together = open ? total - alone : total;
  const scale = fitting(cause, together, open, at);
  const [speaks, against] = [told(cause.for), told(cause.against)];
  const right = stacked(open ? speaks : [], together > 0 ? together : 0, scale, at);
  const left = stacked(open ? against : [], together < 0 ? together : 0, scale, at);
  const even = pivot - logOdds(cause.prior) * scale;
  const tip = pivot + total * scale;
  const named = open ? namedBlocks([...left, ...right], at, nameOf, isSeen) : [];
  const foot = named.length > 0 ? NAME.tall : 0;
  const label = `${nameOf(cause.id)}: base rate ${percent(cause.prior)}, now ${percent(cause.probability)}`;
  return (
    <svg ref={holder} width="100%" height={size.tall + foot} aria-label={label} style={{ display: 'block' }}>
      <line
        x1={0}
        x2={room}
        y1={size.tall - 8}
        y2={size.tall - 8}
        stroke={paint('ink')}
        strokeWidth={size.line}
      />
      {[...right, ...left].map(({ finding, x, wide }) =>
        finding === OTHERS ? (
          <rect
            key={`others ${x}`}
            x={x}
            y={size.tall - 8 - size.block + 4}
            width={Math.max(1, wide - 2)}
            height={size.block - 4}
            fill={paint('metal')}
          >
            <title>many others, each of which weighs little</title>
          </rect>
        ) : finding === undefined ? (
          <rect
            key="together"
            x={x}
            y={size.tall - 8 - size.block}
            width={Math.max(1, wide)}
            height={size.block}
            fill={open ? 'none' : paint('metal')}
            stroke={paint('ink')}
            strokeWidth={1.5}
            strokeDasharray={open ? '2 2' : undefined}
          >
            <title>taken together</title>
          </rect>
        ) : (
          <g key={finding}>
            {/* biome-ignore lint/a11y/useSemanticElements: a block of a drawing is pressed like a key */}
            <rect
              role="button"
              tabIndex={0}
              aria-label={`${nameOf(finding)}, ${isSeen(finding) ? 'seen' : 'not there'}`}
              x={x}
              y={size.tall - 8 - size.block}
              width={Math.max(2, wide - 2)}
              height={size.block}
              fill={isSeen(finding) ? paint('metal') : paint('paper')}
              stroke={paint('ink')}
              strokeWidth={1.5}
              style={{ cursor: 'pointer' }}
              onClick={() => onFinding(finding)}
              onKeyDown={(event) => {
                if (event.key === 'Enter') onFinding(finding);
              }}
            >
              <title>{nameOf(finding)}</title>
            </rect>
            {!isSeen(finding) && wide > 8 && (
              <line
                x1={x + 3}
                x2={x + wide - 5}
                y1={size.tall - 11}
                y2={size.tall - 5 - size.block}
                stroke={paint('ink')}
                strokeWidth={1.5}
              />
            )}
          </g>
        ),
      )}
      {named.map(({ finding, x, middle, lines }) => (
        <g key={`name ${finding}`} pointerEvents="none">
          <path
            d={`M${x} ${size.tall - 8}v6L${middle} ${size.tall + 8}v5`}
            fill="none"
            stroke={paint('ink')}
            strokeWidth={1}
          />
          {lines.map((line, index) => (
            <text
              key={line}
              x={middle}
              y={size.tall + 25 + index * 17}
              textAnchor="middle"
              fill={paint('ink')}
              style={{ fontSize: `${NAME.size}px`, fontStretch: '87.5%' }}
            >
              {line}
            </text>
          ))}
        </g>
      ))}
      <path d={`M${pivot} ${size.tall - 8}l-6 8h12z`} fill={paint('ink')} />
      {even > 4 && even < room - 4 && (
        <path
          d={`M${even} ${size.tall - 8}v-6m-4 -4l4 4l4 -4`}
          fill="none"
          stroke={paint('second')}
          strokeWidth={1.5}
        >
          <title>even odds</title>
        </path>
      )}
      {open && (
        <circle
          cx={Math.min(room - 5, Math.max(5, tip))}
          cy={size.tall - 8}
          r={5}
          fill={paint('brass')}
          stroke={paint('ink')}
        />
      )}
    </svg>
  );
}

const percent = (p: number): string => `${Math.round(p * 1000) / 10} %`;
