import { callouts, cutTo } from '@/core/section/callouts';
import type { Section } from '@/core/section/drawSection';
import { areaPath } from '@/core/section/svgPath';
import { isMetal, targetOf } from '@/core/section/target';
import { paint } from '../kit/paint';

/** A place that may have failed first. */
export interface Suspect {
  readonly positions: readonly string[];
  readonly name: string;
  /** 0 to 1. */
  readonly share: number;
  readonly told: string;
  /** Which cause would begin there. */
  readonly cause: string;
}

/** Where a check is to be made, by its number. */
export interface Pin {
  readonly number: number;
  readonly positions: readonly string[];
  readonly words: string;
}

export const PLATE_ROW = 92;
export const PIN_ROW = 44;
const PLATE = { width: 140, height: 62 };
const PIN_R = 12;
const EDGE = 4;

/** The closer the hatching, the likelier: an open hatching is drawn to ten pixels, and not wider. */
const spacing = (share: number): number => Math.min(10, Math.max(2.5, 2.5 / Math.sqrt(share)));

interface SuspectedProps {
  readonly section: Section;
  readonly suspects: readonly Suspect[];
  readonly prefix: string;
}

/** Blue with brass hatching on what may have failed first. */
export function SuspectHatching({ section, suspects, prefix }: SuspectedProps) {
  return (
    <g data-testid="suspect-hatching">
      <defs>
        {suspects.map(({ share }, index) => (
          <pattern
            key={index}
            id={`${prefix}-s${index}`}
            width={spacing(share)}
            height={spacing(share)}
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <line x1={0} x2={0} y1={0} y2={spacing(share)} stroke={paint('brass')} strokeWidth={2.2} />
          </pattern>
        ))}
      </defs>
      {suspects.map(({ positions }, index) =>
        section.marks.map((mark, at) =>
          'area' in mark && positions.includes(mark.area.positionId) && isMetal(mark.area) ? (
            <g key={`${index}-${at}`} data-suspect={mark.area.positionId}>
              <path
                d={areaPath(mark.area)}
                fillRule="evenodd"
                fill={paint('blue')}
                stroke={paint('ink')}
                strokeWidth={1.4}
              />
              <path d={areaPath(mark.area)} fillRule="evenodd" fill={`url(#${prefix}-s${index})`} />
            </g>
          ) : null,
        ),
      )}
    </g>
  );
}

interface CalledOutProps extends Omit<SuspectedProps, 'prefix'> {
  readonly pins: readonly Pin[];
  readonly onPlate: (positionId: string) => void;
  readonly onPin: (number: number) => void;
}

/** Plates under the drawing for the places, numbered pins over it for the checks; each with its leader. */
export function CalledOut({ section, suspects, pins, onPlate, onPin }: CalledOutProps) {
  const row = { from: EDGE, to: section.width - EDGE };
  const plates = callouts(
    suspects.flatMap(({ positions }, index) => {
      const target = targetOf(section, positions, 'bottom');
      return target ? [{ id: String(index), anchor: target.anchor, size: PLATE.width }] : [];
    }),
    { ...row, at: section.height - PLATE.height - EDGE, side: 'bottom' },
  );
  const numbers = callouts(
    pins.flatMap(({ number, positions }) => {
      const target = targetOf(section, positions, 'top');
      return target ? [{ id: String(number), anchor: target.anchor, size: 2 * PIN_R }] : [];
    }),
    { ...row, at: EDGE + 2 * PIN_R, side: 'top' },
  );
  return (
    <>
      {[...plates, ...numbers].map(({ id, leader }, index) => (
        <Leader key={`${index} ${id}`} points={leader} />
      ))}
      {plates.map(({ id, middle }) => {
        const suspect = suspects[Number(id)]!;
        return (
          <SuspectPlate
            key={id}
            suspect={suspect}
            x={middle - PLATE.width / 2}
            y={section.height - PLATE.height - EDGE}
            onPress={() => onPlate(targetOf(section, suspect.positions, 'bottom')!.positionId)}
          />
        );
      })}
      {numbers.map(({ id, middle }) => {
        const pin = pins.find(({ number }) => String(number) === id)!;
        return (
          <NumberedPin key={id} pin={pin} x={middle} y={EDGE + PIN_R} onPress={() => onPin(pin.number)} />
        );
      })}
    </>
  );
}

function Leader({ points }: { readonly points: readonly (readonly [number, number])[] }) {
  const line = points.map(([x, y]) => `${x},${y}`).join(' ');
  const [x, y] = points.at(-1)!;
  return (
    <g pointerEvents="none">
      <polyline points={line} fill="none" stroke={paint('paper')} strokeWidth={3.4} />
      <polyline points={line} fill="none" stroke={paint('ink')} strokeWidth={1} />
      <circle cx={x} cy={y} r={3} fill={paint('paper')} stroke={paint('ink')} strokeWidth={1.5} />
    </g>
  );
}

/** A part of a drawing that is pressed like a key, by hand or by Enter. */
const pressable = (label: string, onPress: () => void) => ({
  role: 'button',
  tabIndex: 0,
  'aria-label': label,
  style: { cursor: 'pointer' },
  onClick: (event: React.MouseEvent) => {
    event.stopPropagation();
    onPress();
  },
  onKeyDown: (event: React.KeyboardEvent) => {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    event.stopPropagation();
    onPress();
  },
});

interface PlateProps {
  readonly suspect: Suspect;
  readonly x: number;
  readonly y: number;
  readonly onPress: () => void;
}

function SuspectPlate({ suspect: { name, told, cause }, x, y, onPress }: PlateProps) {
  const room = PLATE.width - 16;
  const small = { fontSize: '13px', fontStretch: '87.5%' };
  return (
    <g {...pressable(`${name}, ${told}: ${cause}`, onPress)} data-plate={name}>
      <rect x={x} y={y} width={PLATE.width} height={PLATE.height} fill={paint('blue')} />
      <text x={x + 8} y={y + 17} fill={paint('onBlue')} style={small}>
        {cutTo(name, room, 13, 400)}
      </text>
      <text x={x + 8} y={y + 38} fill={paint('brass')} style={{ fontSize: '18px', fontWeight: 650 }}>
        {told}
      </text>
      <text x={x + 8} y={y + 55} fill={paint('onBlue')} style={small}>
        {cutTo(cause, room, 13, 400)}
      </text>
    </g>
  );
}

function NumberedPin({
  pin: { number, words },
  x,
  y,
  onPress,
}: Omit<PlateProps, 'suspect'> & { readonly pin: Pin }) {
  return (
    <g {...pressable(`Look at next, ${number}: ${words}`, onPress)}>
      <circle cx={x} cy={y} r={22} fill="transparent" />
      <circle cx={x} cy={y} r={PIN_R} fill={paint('paper')} stroke={paint('ink')} strokeWidth={2} />
      <text
        x={x}
        y={y + 5}
        textAnchor="middle"
        fill={paint('ink')}
        style={{ fontSize: '15px', fontWeight: 650 }}
      >
        {number}
      </text>
    </g>
  );
}
