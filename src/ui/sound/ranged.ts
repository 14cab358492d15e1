/** What of a chart is shown, Hz. */
export interface Ranged {
  readonly from: number;
  readonly to: number;
}

const LEAST_HZ = 20;

/** Half or twice as much, about what is in hand or the middle. */
export function nearer({ from, to }: Ranged, factor: number, whole: Ranged, about?: number): Ranged {
  const size = Math.min(whole.to - whole.from, Math.max(LEAST_HZ, (to - from) * factor));
  const middle = about !== undefined && about >= from && about <= to ? about : (from + to) / 2;
  return kept(middle - size / 2, size, whole);
}

/** A part of what is shown to the left or the right. */
export const moved = ({ from, to }: Ranged, part: number, whole: Ranged): Ranged =>
  kept(from + part * (to - from), to - from, whole);

function kept(from: number, size: number, whole: Ranged): Ranged {
  const start = Math.min(Math.max(whole.from, from), whole.to - size);
  return { from: start, to: start + size };
}

/** The highest of the lines under each pixel, so that a narrow peak is never lost. */
export function lineThrough(
  levels: Float32Array,
  step: number,
  { from, to }: Ranged,
  x: (hz: number) => number,
  y: (level: number) => number,
): string {
  const pixels = Math.max(1, Math.round(x(to) - x(from)));
  const points: string[] = [];
  for (let pixel = 0; pixel <= pixels; pixel += 1) {
    const hz = from + (pixel / pixels) * (to - from);
    const [first, last] = [Math.round(hz / step), Math.round((hz + (to - from) / pixels) / step)];
    let most = levels[first] ?? 0;
    for (let at = first + 1; at < last; at += 1) most = Math.max(most, levels[at] ?? 0);
    points.push(`${x(hz).toFixed(1)},${y(most).toFixed(1)}`);
  }
  return `M${points.join('L')}`;
}
