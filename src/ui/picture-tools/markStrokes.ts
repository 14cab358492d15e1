import type { Point } from '@/core/imaging/raster';
import type { Mark, MarkShape } from '@/model/pictureRecord';

export const SHAPE_WORDS: Record<MarkShape, string> = {
  arrow: 'Arrow',
  ring: 'Ring',
  line: 'Line',
  text: 'Words',
  pin: 'Pin',
};

/** A stroke as the points that a shape keeps; undefined where it is too short for one. */
export function pointsOf(shape: MarkShape, stroke: readonly Point[]): readonly Point[] | undefined {
  if (shape === 'text' || shape === 'pin') return stroke.slice(0, 1);
  if (stroke.length < 2) return undefined;
  if (shape !== 'line') return [stroke[0]!, stroke.at(-1)!];
  const step = Math.ceil(stroke.length / 390);
  return stroke.filter((_, index) => index % step === 0 || index === stroke.length - 1);
}

/** Points that can be taken hold of: the ends; a free line is moved as a whole by its first. */
export const gripsOf = ({ shape, points }: Mark): number[] =>
  shape === 'line' ? [0] : points.map((_, index) => index);

export function withPoint(mark: Mark, index: number, [x, y]: Point): Mark {
  if (mark.shape !== 'line')
    return { ...mark, points: mark.points.map((point, at) => (at === index ? [x, y] : point)) };
  const [dx, dy] = [x - mark.points[0]![0], y - mark.points[0]![1]];
  return { ...mark, points: mark.points.map(([px, py]) => [px + dx, py + dy]) };
}
