import type { Point } from '../geometry';
import type { PlacedLabel } from './labels';

type Crossed = Pick<PlacedLabel, 'x' | 'y' | 'width' | 'height'>;
/** So near is as good as across. */
const AIR = 2;

/** Whether a straight stretch touches a label (Liang and Barsky's clipping). */
function touches([x0, y0]: Point, [x1, y1]: Point, { x, y, width, height }: Crossed): boolean {
  let [from, to] = [0, 1];
  const sides = [
    [x0 - x1, x0 - (x - AIR)],
    [x1 - x0, x + width + AIR - x0],
    [y0 - y1, y0 - (y - AIR)],
    [y1 - y0, y + height + AIR - y0],
  ] as const;
  for (const [toward, room] of sides) {
    if (toward === 0 && room < 0) return false;
    if (toward < 0) from = Math.max(from, room / toward);
    if (toward > 0) to = Math.min(to, room / toward);
  }
  return from <= to;
}

const crosses = ({ leader }: PlacedLabel, label: PlacedLabel): boolean =>
  leader.slice(1).some((end, index) => touches(leader[index]!, end, label));

/**
 * Labels of which no leader crosses another: of two that are in each other's way the one that matters less goes. Its piece stands in
 * the list as all do.
 */
export function withoutCrossings(labels: readonly PlacedLabel[]): PlacedLabel[] {
  const byWorth = [...labels].sort((a, b) => Number(b.mustStand) - Number(a.mustStand) || a.rank - b.rank);
  const kept = new Set<PlacedLabel>();
  for (const label of byWorth)
    if (![...kept].some((other) => crosses(label, other) || crosses(other, label))) kept.add(label);
  return labels.filter((label) => kept.has(label));
}
