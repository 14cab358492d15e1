import { boxOf, type Point } from '../geometry';
import { LABEL_HEIGHT, type LabelRegion, type LabelText, labelWidth } from './labels';

const EDGE = 14;
const CLEARANCE = 12;
/** Room that a leader needs between its label and the drawing. */
const LEADER = 36;
/** Labels up to this rank decide how near a column may stand. */
const MUST_RANK = 3;
/** Where a column of labels stands beside the drawing, between the rows that stand above and below it. */
export function freeColumn(
  side: 'left' | 'right',
  texts: readonly LabelText[],
  polygons: readonly (readonly Point[])[],
  width: number,
  between: Point,
): LabelRegion {
  const widest = Math.max(...texts.map(labelWidth));
  const wanted =
    texts.filter(({ rank, mustStand }) => mustStand || rank <= MUST_RANK).length * (LABEL_HEIGHT + 8);
  // As near the drawing as the labels that matter still find room; else at the sheet's edge.
  for (let inset = width / 2 - widest; inset > EDGE; inset -= 12) {
    const room = longestFree(
      polygons,
      between,
      side === 'left' ? [inset, inset + widest + LEADER] : [width - inset - widest - LEADER, width - inset],
    );
    if (room[1] - room[0] >= wanted)
      return { side, from: room[0], to: room[1], at: side === 'left' ? inset : width - inset };
  }
  const room = longestFree(
    polygons,
    between,
    side === 'left' ? [0, widest + EDGE] : [width - widest - EDGE, width],
  );
  return { side, from: room[0], to: room[1], at: side === 'left' ? EDGE : width - EDGE };
}

/** The longest stretch of height in which nothing stands within a vertical strip. */
function longestFree(polygons: readonly (readonly Point[])[], [start, end]: Point, [from, to]: Point): Point {
  const occupied = polygons.flatMap((polygon) => insideStrip(polygon, from, to)).sort((a, b) => a[0] - b[0]);
  let best: Point = [start, start + LABEL_HEIGHT];
  let cursor = start;
  for (const [top, bottom] of [...occupied, [end + CLEARANCE, end + CLEARANCE] as Point]) {
    if (top - CLEARANCE - cursor > best[1] - best[0]) best = [cursor, top - CLEARANCE];
    cursor = Math.max(cursor, bottom + CLEARANCE);
  }
  return best;
}

/** The stretch of height that a polygon takes inside a vertical strip. */
function insideStrip(polygon: readonly Point[], from: number, to: number): Point[] {
  const box = boxOf(polygon);
  if (box.right < from || box.left > to) return [];
  const ys: number[] = [];
  polygon.forEach(([x1, y1], index) => {
    const [x0, y0] = polygon.at(index - 1)!;
    if (x1 >= from && x1 <= to) ys.push(y1);
    for (const edge of [from, to]) {
      if ((x0 - edge) * (x1 - edge) < 0) ys.push(y0 + ((y1 - y0) * (edge - x0)) / (x1 - x0));
    }
  });
  return ys.length > 0 ? [[Math.min(...ys), Math.max(...ys)]] : [];
}
