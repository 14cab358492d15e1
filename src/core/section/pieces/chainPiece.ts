import type { Draw } from '@/model/draw';
import type { Position, UnitType } from '@/model/unitType';
import { pitchRadius } from '../../unit-type/meshFaults';
import { type AxisFrame, frameOf } from '../frame';
import type { Point } from '../geometry';
import { rectangle } from './gearPiece';
import { onSide } from './revolve';
import { type Area, LEVEL, type Piece } from './shapes';

/** Plates side by side across the width of a chain. */
const PLATES = 7;
/** Height of a link, as a share of its pitch. */
const HEIGHT = 0.72;

/**
 * A chain between two wheels whose axes lie in the sheet: cut where it bends round the far sides of the wheels, and its
 * rear strand seen between them, link by link.
 */
export function chainPiece(
  type: UnitType,
  { from, to }: { readonly from: number; readonly to: number },
  { around }: Extract<Draw, { shape: 'chain' }>,
): Piece | undefined {
  const wheels = around.map((id) => wheelAt(type, id));
  const [first, second] = wheels;
  if (!first || !second) return undefined;
  const [ends, links] = [
    [endPlates(first, second, from, to), endPlates(second, first, from, to)],
    strand(first, second, from, to),
  ];
  return { areas: [...links, ...ends.flat()], lines: [] };
}

interface Wheel {
  readonly frame: AxisFrame;
  readonly radius: number;
  readonly linkPitch: number;
}

function wheelAt(type: UnitType, positionId: string): Wheel | undefined {
  const position: Position | undefined = type.positions.find(({ id }) => id === positionId);
  const gear = type.gears.find((each) => each.position === positionId);
  const axis = type.axes.find(({ id }) => id === position?.axis);
  return gear && axis
    ? { frame: frameOf(axis), radius: pitchRadius(gear), linkPitch: (gear.module ?? 3) * Math.PI }
    : undefined;
}

/** Link plates cut through where the chain goes round the side of a wheel that lies away from the other. */
function endPlates(wheel: Wheel, other: Wheel, from: number, to: number): Area[] {
  const away = (side: 'plus' | 'minus') => {
    const [x, y] = wheel.frame.at(0, 1, side);
    const [ox, oy] = other.frame.at(0, 0, side);
    return Math.hypot(x - ox, y - oy);
  };
  const side = away('plus') > away('minus') ? 'plus' : 'minus';
  const half = (wheel.linkPitch * HEIGHT) / 2;
  const each = (to - from) / PLATES;
  return Array.from(
    { length: PLATES },
    (_, index): Area => ({
      tone: index % 2 === 0 ? 'solid' : 'steel',
      points: onSide(
        wheel.frame,
        rectangle(from + index * each, from + (index + 0.8) * each, wheel.radius - half, wheel.radius + half),
        side,
      ),
      level: LEVEL.rolling,
    }),
  );
}

/** The strand behind the plane of the cut, from axis to axis; wheels and shafts hide what lies behind them. */
function strand(first: Wheel, second: Wheel, from: number, to: number): Area[] {
  const [start, end] = [first.frame.at(0, 0, 'plus'), second.frame.at(0, 0, 'plus')];
  const [ax, ay] = [first.frame.at(1, 0, 'plus')[0] - start[0], first.frame.at(1, 0, 'plus')[1] - start[1]];
  // Distance between the axes, square to them.
  const across: Point = [-ay, ax];
  const distance = (end[0] - start[0]) * across[0] + (end[1] - start[1]) * across[1];
  const count = Math.max(1, Math.round(Math.abs(distance) / first.linkPitch));
  const step = distance / count;
  const each = (to - from) / PLATES;
  const at = (along: number, height: number): Point => [
    start[0] + ax * along + across[0] * height,
    start[1] + ay * along + across[1] * height,
  ];
  return Array.from({ length: count }, (_, link) =>
    Array.from({ length: PLATES }, (__, plate): Area => {
      const [low, high] = [from + plate * each, from + (plate + 0.8) * each];
      const shift = plate % 2 === 0 ? 0 : 0.5;
      const [near, far] = [(link + shift - 0.02) * step, (link + shift + 0.94) * step];
      return {
        tone: plate % 2 === 0 ? 'steel' : 'cut',
        points: [at(low, near), at(high, near), at(high, far), at(low, far)],
        level: LEVEL.strand,
      };
    }),
  ).flat();
}
