import type { Draw } from '@/model/draw';
import type { AxisFrame } from '../frame';
import type { Point } from '../geometry';
import { rectangle } from './gearPiece';
import { onSide } from './revolve';
import { LEVEL, type Line, type Piece } from './shapes';

/** A radial seal: its metal case as a thin angle, its lip touching the shaft, its spring as a dot of metal. */
export function sealPiece(
  frame: AxisFrame,
  from: number,
  to: number,
  draw: Extract<Draw, { shape: 'seal' }>,
): Piece {
  const { inner, outer, lip } = draw;
  const [back, front] = lip === 'left' ? [to, from] : [from, to];
  const toward = Math.sign(front - back);
  const wall = Math.min(1.6, Math.abs(to - from) / 4);
  const angle: Point[] = [
    [back, outer],
    [front, outer],
    [front, outer - wall],
    [back + toward * wall, outer - wall],
    [back + toward * wall, inner + (outer - inner) * 0.3],
    [front - toward * wall, inner],
    [front - toward * 2.4 * wall, inner + (outer - inner) * 0.28],
    [back, inner + (outer - inner) * 0.18],
  ];
  return {
    areas: (['plus', 'minus'] as const).map((side) => ({
      tone: 'solid',
      points: onSide(frame, angle, side),
      level: LEVEL.cut,
    })),
    lines: [],
  };
}

/** Bolts drawn on the sheet itself: head, shank, and a few threads at the end. */
export function boltsPiece(draw: Extract<Draw, { shape: 'bolts' }>): Piece {
  const { shank, head, length } = draw;
  const areas = [];
  const lines: Line[] = [];
  for (const { at, toward } of draw.bolts) {
    const place = (along: number, across: number): Point => [
      at[0] + toward[0] * along - toward[1] * across,
      at[1] + toward[1] * along + toward[0] * across,
    ];
    const box = (from: number, to: number, half: number) =>
      rectangle(from, to, -half, half).map(([along, across]) => place(along, across));
    areas.push({ tone: 'steel' as const, points: box(0, length, shank), level: LEVEL.bolt });
    areas.push({ tone: 'steel' as const, points: box(-head * 0.85, 0, head), level: LEVEL.bolt });
    for (let along = length * 0.45; along < length - 0.8; along += 1.6) {
      lines.push({
        kind: 'shade',
        points: [place(along, -shank), place(along + 0.8, shank)],
        level: LEVEL.bolt,
      });
    }
    lines.push({
      kind: 'edge',
      points: [place(-head * 0.85, -head * 0.4), place(0, -head * 0.4)],
      level: LEVEL.bolt,
    });
    lines.push({
      kind: 'edge',
      points: [place(-head * 0.85, head * 0.4), place(0, head * 0.4)],
      level: LEVEL.bolt,
    });
  }
  return { areas, lines };
}
