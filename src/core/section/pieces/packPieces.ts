import type { Draw } from '@/model/draw';
import type { AxisFrame } from '../frame';
import type { Point } from '../geometry';
import { rectangle } from './gearPiece';
import { fromOutside, onSide } from './revolve';
import { type Area, LEVEL, type Piece, SPACING } from './shapes';

const NOTHING: Piece = { areas: [], lines: [] };

const joined = (pieces: readonly Piece[]): Piece => ({
  areas: pieces.flatMap(({ areas }) => areas),
  lines: pieces.flatMap(({ lines }) => lines),
});

/** Friction plates: linings keyed inside and steels keyed outside by turns, each a little short of the other's spline. */
export function platesPiece(
  frame: AxisFrame,
  from: number,
  to: number,
  { inner, outer, count }: Extract<Draw, { shape: 'plates' }>,
): Piece {
  const each = (to - from) / count;
  const short = (outer - inner) * 0.16;
  const plates = Array.from({ length: count }, (_, index) => {
    const [low, high] = [from + index * each, from + (index + 0.86) * each];
    return index % 2 === 0
      ? { steel: true, profile: rectangle(low, high, inner + short, outer) }
      : { steel: false, profile: rectangle(low, high, inner, outer - short) };
  });
  const cut = frame.cutSides.flatMap((side) =>
    plates.map(
      ({ steel, profile }): Area => ({
        tone: steel ? 'solid' : 'cut',
        points: onSide(frame, profile, side),
        level: LEVEL.cut,
        ...(steel ? {} : { spacing: SPACING.washer }),
      }),
    ),
  );
  const seen = frame.facingSides.map((side) =>
    joined(
      plates.map(({ profile }) => {
        const [[low], [high]] = [profile[0]!, profile[1]!];
        const radius = profile[2]![1];
        return fromOutside(
          frame,
          [
            [low, radius],
            [high, radius],
          ] as Point[],
          side,
        );
      }),
    ),
  );
  return joined([{ areas: cut, lines: [] }, ...seen]);
}

const CORNERS = 14;

/** A helical spring: its wire cut through once for each coil, above and below the axis by half a coil apart. */
export function springPiece(
  frame: AxisFrame,
  from: number,
  to: number,
  { radius, wire, coils }: Extract<Draw, { shape: 'spring' }>,
): Piece {
  const pitch = (to - from - 2 * wire) / coils;
  const wireAt = (along: number): Point[] =>
    Array.from({ length: CORNERS }, (_, index): Point => {
      const angle = (2 * Math.PI * index) / CORNERS;
      return [along + wire * Math.cos(angle), radius + wire * Math.sin(angle)];
    });
  const areas = (['plus', 'minus'] as const).flatMap((side, half) =>
    Array.from(
      { length: coils + 1 - half },
      (_, index): Area => ({
        tone: 'steel',
        points: onSide(frame, wireAt(from + wire + (index + half / 2) * pitch), side),
        level: LEVEL.rolling,
      }),
    ),
  );
  return areas.length > 0 ? { areas, lines: [] } : NOTHING;
}
