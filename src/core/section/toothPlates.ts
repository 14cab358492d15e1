import type { UnitType } from '@/model/unitType';
import { type Box, boxesTouch, boxOf, type Point, pointInside } from './geometry';
import type { Piece, Tone } from './pieces/shapes';

export interface ToothPlate {
  readonly positionId: string;
  readonly text: string;
  readonly at: Point;
}

export const PLATE = { width: 24, height: 17 } as const;

interface DrawnGear {
  readonly positionId: string;
  readonly piece: Piece;
}

/** Small plates with the tooth counts, each on the largest face of its gear; one that finds no room is left out. */
export function toothPlates(
  type: UnitType,
  drawn: readonly DrawnGear[],
  onSheet: (points: readonly Point[]) => Point[],
): ToothPlate[] {
  const plates: ToothPlate[] = [];
  for (const gear of type.gears) {
    const face = drawn
      .filter(({ positionId }) => positionId === gear.position)
      .flatMap(({ piece }) => faceOf(piece, onSheet))[0];
    if (!face) continue;
    const plate = { positionId: gear.position, text: String(gear.teeth), at: face.at };
    const { box } = face;
    const fits = box.right - box.left >= PLATE.width - 4 && box.bottom - box.top >= PLATE.height;
    if (fits && !plates.some((other) => boxesTouch(plateBox(other), plateBox(plate), 1))) plates.push(plate);
  }
  return plates;
}

export const plateBox = ({ at: [x, y] }: ToothPlate) => ({
  left: x - PLATE.width / 2,
  right: x + PLATE.width / 2,
  top: y - PLATE.height / 2,
  bottom: y + PLATE.height / 2,
});

interface Face {
  readonly box: Box;
  readonly at: Point;
}

/** The largest face seen from outside, else the largest cut one; a gear seen whole carries its plate on its axis. */
function faceOf(piece: Piece, onSheet: (points: readonly Point[]) => Point[]): Face[] {
  const ofTone = (wanted: Tone) =>
    piece.areas.filter(({ tone }) => tone === wanted).map(({ points }) => onSheet(points));
  const seen = ofTone('steel');
  if (seen.length > 1) {
    const box = boxOf(seen.flat());
    return [{ box, at: [(box.left + box.right) / 2, (box.top + box.bottom) / 2] }];
  }
  return (seen.length > 0 ? seen : ofTone('cut'))
    .map((points) => ({ box: boxOf(points), at: pointInside(points) }))
    .sort((a, b) => sizeOf(b.box) - sizeOf(a.box) || b.box.bottom - a.box.bottom)
    .slice(0, 1);
}

const sizeOf = ({ left, right, top, bottom }: Box): number => (right - left) * (bottom - top);
