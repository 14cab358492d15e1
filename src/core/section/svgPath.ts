import type { DrawnArea } from './drawSection';
import type { Point } from './geometry';

const at = ([x, y]: Point) => `${Math.round(x * 100) / 100} ${Math.round(y * 100) / 100}`;

/** Path data of a line through points, closed or not. */
export const linePath = (points: readonly Point[], closed = false): string =>
  `M${points.map(at).join('L')}${closed ? 'Z' : ''}`;

/** Path data of an area with its holes; filled by the even-odd rule. `closed` draws the side that is left open too. */
export const areaPath = ({ points, holes = [], open }: DrawnArea, closed = !open): string =>
  [linePath(points, closed), ...holes.map((hole) => linePath(hole, true))].join('');
