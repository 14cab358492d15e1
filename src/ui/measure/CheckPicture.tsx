'use client';

import type { ReactNode } from 'react';
import type { CheckPicture as Picture } from '@/model/checkDefinition';
import { paint } from '../kit/paint';

const WIDE = 150;
const TALL = 84;

/** Metal cut open. */
const cut = { fill: 'url(#check-hatch)', stroke: paint('ink'), strokeWidth: 1.5 };
/** Metal seen from outside. */
const body = { fill: paint('sectionSteel'), stroke: paint('ink'), strokeWidth: 1.5 };
const thin = { fill: 'none', stroke: paint('ink'), strokeWidth: 1 };
const gauge = { fill: 'none', stroke: paint('metal'), strokeWidth: 2.4 };
const centreLine = (y: number) => (
  <line x1={6} x2={144} y1={y} y2={y} {...thin} strokeDasharray="12 3 2 3" strokeWidth={0.8} />
);

/** A dial whose plunger points from its case to a place. */
function Dial({ x, y, toX, toY }: { x: number; y: number; toX: number; toY: number }) {
  const length = Math.hypot(toX - x, toY - y);
  const [ux, uy] = [(toX - x) / length, (toY - y) / length];
  return (
    <g {...gauge}>
      <circle cx={x} cy={y} r={13} fill={paint('field')} />
      <line x1={x} y1={y} x2={x - uy * 8} y2={y + ux * 8} strokeWidth={1.4} />
      <line x1={x + ux * 13} y1={y + uy * 13} x2={toX} y2={toY} />
    </g>
  );
}

/** Two jaws, left and right of what is measured. */
const Jaws = ({ left, right, y, reach }: { left: number; right: number; y: number; reach: number }) => (
  <g {...gauge}>
    <path d={`M${left} ${y + reach}V${y}H${left - 10}M${right} ${y + reach}V${y}H${right + 10}`} />
    <line x1={left - 10} x2={right + 10} y1={y - 8} y2={y - 8} strokeWidth={5} />
  </g>
);

const SCENES: Record<Picture, ReactNode> = {
  'dial-on-face': (
    <>
      {centreLine(44)}
      <rect x={52} y={6} width={18} height={74} {...cut} />
      <rect x={20} y={34} width={32} height={20} {...body} />
      <Dial x={112} y={18} toX={71} toY={18} />
    </>
  ),
  'dial-on-tooth': (
    <>
      <path d="M8 80V58l10 -4l8 -26h14l8 26h16l8 -26h14l8 26l10 4v22Z" {...body} />
      <Dial x={116} y={22} toX={83} toY={38} />
      <path d="M44 22h26m-6 -4l6 4l-6 4M44 22l6 -4m-6 4l6 4" {...thin} />
    </>
  ),
  'dial-on-shaft-end': (
    <>
      {centreLine(46)}
      <rect x={14} y={34} width={72} height={24} {...body} />
      <rect x={36} y={16} width={16} height={18} {...cut} />
      <rect x={36} y={58} width={16} height={18} {...cut} />
      <Dial x={122} y={46} toX={87} toY={46} />
    </>
  ),
  'dial-across-land': (
    <>
      {centreLine(70)}
      <path d="M12 80V44h46v4h14v-4h46v36Z" {...body} />
      <Dial x={65} y={16} toX={65} toY={47} />
    </>
  ),
  'feeler-gap': (
    <>
      <path d="M20 8h34v68H20Z" {...cut} />
      <path d="M66 20h40v44H66Z" {...body} />
      <path d="M60 4v76" stroke={paint('metal')} strokeWidth={5} />
      <path d="M54 20h12M54 64h12" {...thin} />
    </>
  ),
  'feeler-behind-gear': (
    <>
      {centreLine(44)}
      <rect x={14} y={10} width={30} height={68} {...cut} />
      <path d="M58 12l44 16v32l-44 16Z" {...body} />
      <path d="M51 4v76" stroke={paint('metal')} strokeWidth={4} />
    </>
  ),
  'micrometer-over': (
    <>
      <rect x={58} y={26} width={22} height={32} {...cut} />
      <path d="M58 42H40M98 42H80" {...gauge} />
      <path d="M40 34v16c0 34 74 34 74 0v-16" {...gauge} />
      <rect x={98} y={34} width={42} height={16} {...gauge} fill={paint('field')} />
    </>
  ),
  'caliper-over': (
    <>
      <rect x={46} y={36} width={56} height={30} {...cut} />
      <Jaws left={45} right={103} y={20} reach={42} />
    </>
  ),
  'caliper-in-groove': (
    <>
      {centreLine(80)}
      <path d="M20 80V30h32v26h42V30h32v50Z" {...cut} />
      <Jaws left={54} right={92} y={18} reach={30} />
    </>
  ),
  'bore-gauge': (
    <>
      <path d="M22 6h106v18H22ZM22 60h106v18H22Z" {...cut} />
      {centreLine(42)}
      <path d="M4 42h66M74 25v34" {...gauge} />
      <circle cx={74} cy={42} r={7} {...gauge} fill={paint('field')} />
    </>
  ),
  'torque-on-nut': (
    <>
      <path d="M22 26l14 -8l14 8v16l-14 8l-14 -8Z" {...body} />
      <path d="M36 34h74" {...gauge} strokeWidth={5} />
      <circle cx={114} cy={34} r={14} {...gauge} fill={paint('field')} />
      <path d="M20 64a26 18 0 0 0 44 4m0 0l-10 -2m10 2l-3 -9" {...thin} />
    </>
  ),
  'stack-of-shims': (
    <>
      {[30, 38, 46, 54].map((y) => (
        <rect key={y} x={36} y={y} width={64} height={7} {...body} />
      ))}
      <path d="M68 6v24M68 80V62M60 6h16M60 80h16" {...gauge} />
    </>
  ),
};

/** Where the gauge goes, in a few strokes: metal in ink, the gauge in brass. */
export function CheckPicture({ picture, title }: { readonly picture: Picture; readonly title: string }) {
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${TALL}`}
      width={WIDE}
      height={TALL}
      role="img"
      aria-label={title}
      style={{ flexShrink: 0 }}
    >
      <defs>
        <pattern
          id="check-hatch"
          width="5"
          height="5"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="5" height="5" fill={paint('sectionCut')} />
          <line x1="0" y1="0" x2="0" y2="5" stroke={paint('ink')} strokeWidth="0.9" />
        </pattern>
      </defs>
      {SCENES[picture]}
    </svg>
  );
}
