import type { Draw } from '@/model/draw';
import type { AxisFrame, Side } from '../frame';
import type { Point } from '../geometry';
import { fromOutside, onSide } from './revolve';
import type { Line, Piece } from './shapes';

type Shaft = Extract<Draw, { shape: 'shaft' }>;

const SPLINE_ANGLES = [12, 26, 40, 54, 68, 80].map((degrees) => Math.sin((degrees * Math.PI) / 180));

/** A shaft is never cut: both halves are seen from outside, with splines as lines along and threads as lines across. */
export function shaftPiece(frame: AxisFrame, from: number, draw: Shaft): Piece {
  const envelope: Point[] = [];
  const details: { from: number; to: number; radius: number; kind: 'spline' | 'thread' }[] = [];
  let start = from;
  for (const step of draw.steps) {
    envelope.push([start, step.radius], [step.to, step.radius]);
    if (step.spline) details.push({ from: start, to: step.to, radius: step.radius, kind: 'spline' });
    if (step.thread) details.push({ from: start, to: step.to, radius: step.radius, kind: 'thread' });
    start = step.to;
  }
  const pieces = (['plus', 'minus'] as const).map((side) => {
    const outside = fromOutside(frame, envelope, side);
    const level = outside.areas[0]!.level;
    return {
      areas: outside.areas,
      lines: [...outside.lines, ...details.flatMap((detail) => detailLines(frame, detail, side, level))],
    };
  });
  return { areas: pieces.flatMap((piece) => piece.areas), lines: pieces.flatMap((piece) => piece.lines) };
}

function detailLines(
  frame: AxisFrame,
  detail: { from: number; to: number; radius: number; kind: 'spline' | 'thread' },
  side: Side,
  level: number,
): Line[] {
  if (detail.kind === 'spline') {
    return SPLINE_ANGLES.map((share) => ({
      kind: 'edge',
      level,
      points: onSide(
        frame,
        [
          [detail.from, detail.radius * share],
          [detail.to, detail.radius * share],
        ],
        side,
      ),
    }));
  }
  const pitch = 1.75;
  return Array.from({ length: Math.floor((detail.to - detail.from) / pitch) }, (_, index) => {
    const along = detail.from + index * pitch;
    return {
      kind: 'shade' as const,
      level,
      points: onSide(
        frame,
        [
          [along, 0],
          [along + pitch / 2, detail.radius],
        ],
        side,
      ),
    };
  });
}
