/* Planes of figures, row after row. Sizes in cells. */

export interface Size {
  readonly width: number;
  readonly height: number;
}

/** Cells spread evenly over a plane, a few thousand of them: enough for a quantile. */
export function sampled(cells: number, most = 3000): number[] {
  const step = Math.max(1, cells / most);
  return Array.from({ length: Math.floor(cells / step) }, (_, index) => Math.floor((index + 0.37) * step));
}

/**
 * The figure that would stand at a place if all were in order (C. A. R. Hoare's selection); the list is moved about. Packages for it compare
 * through a function, which takes several times as long as all the rest, and this is asked for a thousand windows of each picture.
 */
export function inOrderAt(list: Float32Array | Float64Array, place: number): number {
  let [left, right] = [0, list.length - 1];
  while (left < right) {
    const pivot = list[(left + right) >> 1]!;
    let [up, down] = [left, right];
    while (up <= down) {
      while (list[up]! < pivot) up += 1;
      while (list[down]! > pivot) down -= 1;
      if (up > down) break;
      const higher = list[up]!;
      list[up] = list[down]!;
      list[down] = higher;
      up += 1;
      down -= 1;
    }
    if (place <= down) right = down;
    else if (place >= up) left = up;
    else break;
  }
  return list[place]!;
}

/** The value below which a share of the figures lies. */
export function quantile(values: ArrayLike<number>, share: number): number {
  const list = new Float64Array(values.length);
  for (let at = 0; at < list.length; at += 1) list[at] = values[at]!;
  if (list.length === 0) return Number.NaN;
  const at = Math.min(list.length - 1, Math.max(0, share * (list.length - 1)));
  const low = Math.floor(at);
  // Only as far in order as it is needed: what comes after is no less.
  const a = inOrderAt(list, low);
  if (at === low) return a;
  let b = Number.POSITIVE_INFINITY;
  for (let next = low + 1; next < list.length; next += 1) if (list[next]! < b) b = list[next]!;
  return a + (b - a) * (at - low);
}
