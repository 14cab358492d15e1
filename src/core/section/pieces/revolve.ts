import type { AxisFrame, Side } from '../frame';
import { boxOf, type Point } from '../geometry';
import { type Area, LEVEL, type Line, type Piece, SPACING } from './shapes';

/** A profile of revolution, [place along the axis, radius], laid onto one side of an axis. */
export const onSide = (frame: AxisFrame, profile: readonly Point[], side: Side): Point[] =>
  profile.map(([along, radius]) => frame.at(along, radius, side));

/** Largest radius along a set of profiles, as a line of points from left to right. */
export function outerEnvelope(profiles: readonly (readonly Point[])[]): Point[] {
  const places = [...new Set(profiles.flat().map(([along]) => along))].sort((a, b) => a - b);
  const envelope: Point[] = [];
  for (let index = 0; index + 1 < places.length; index += 1) {
    const [from, to] = [places[index]!, places[index + 1]!];
    const inset = (to - from) * 1e-6;
    envelope.push([from, largestRadius(profiles, from + inset)], [to, largestRadius(profiles, to - inset)]);
  }
  return envelope;
}

function largestRadius(profiles: readonly (readonly Point[])[], along: number): number {
  let largest = 0;
  for (const profile of profiles) {
    profile.forEach(([z1, r1], index) => {
      const [z0, r0] = profile.at(index - 1)!;
      if (z0 !== z1 && (along - z0) * (along - z1) <= 0)
        largest = Math.max(largest, r0 + ((r1 - r0) * (along - z0)) / (z1 - z0));
    });
  }
  return largest;
}

interface RevolveOptions {
  readonly spacing?: number;
  readonly solid?: boolean;
  /** Pieces fixed in the case are cut on both sides, like the wall that they sit in. */
  readonly cutBothSides?: boolean;
}

/** A turned piece: cut on the cut side, seen from outside with a few shading lines on the facing one. */
export function revolve(
  frame: AxisFrame,
  profiles: readonly (readonly Point[])[],
  options: RevolveOptions = {},
): Piece {
  const cutSides: readonly Side[] = options.cutBothSides ? ['plus', 'minus'] : frame.cutSides;
  const tone = options.solid ? 'solid' : 'cut';
  const areas: Area[] = cutSides.flatMap((side) =>
    profiles.map((profile) => ({
      tone,
      points: onSide(frame, profile, side),
      level: LEVEL.cut,
      spacing: options.spacing ?? SPACING.gear,
    })),
  );
  const lines: Line[] = [];
  for (const side of options.cutBothSides ? [] : frame.facingSides) {
    const outside = fromOutside(frame, outerEnvelope(profiles), side);
    areas.push(...outside.areas);
    lines.push(...outside.lines);
  }
  return { areas, lines };
}

/** A body seen from outside: its outline down to the axis, and lines at radius · sin φ that make it look round. */
export function fromOutside(frame: AxisFrame, envelope: readonly Point[], side: Side): Piece {
  const first = envelope[0]!;
  const last = envelope.at(-1)!;
  const profile: Point[] = [[first[0], 0], ...envelope, [last[0], 0]];
  const level = LEVEL.outside + boxOf(envelope).bottom;
  return {
    areas: [{ tone: 'steel', points: onSide(frame, profile, side), level, open: true }],
    lines: shading(frame, envelope, side, level),
  };
}

const SHADING_ANGLES = [58, 72, 82].map((degrees) => Math.sin((degrees * Math.PI) / 180));

function shading(frame: AxisFrame, envelope: readonly Point[], side: Side, level: number): Line[] {
  const lines: Line[] = [];
  for (let index = 0; index + 1 < envelope.length; index += 2) {
    const [from, to] = [envelope[index]!, envelope[index + 1]!];
    if (to[0] - from[0] < 3) continue;
    for (const share of SHADING_ANGLES) {
      lines.push({
        kind: 'shade',
        points: onSide(
          frame,
          [
            [from[0], from[1] * share],
            [to[0], to[1] * share],
          ],
          side,
        ),
        level,
      });
    }
    lines.push({ kind: 'edge', points: onSide(frame, [[to[0], 0], to], side), level });
  }
  return lines;
}
