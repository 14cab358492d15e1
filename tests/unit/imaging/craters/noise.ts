/** Figures by chance that a seed repeats (Mulberry32), 0 to 1. */
export function chance(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

/** Smooth noise over a plane, about −1 to 1: figures by chance on a grid, joined by a cubic. */
export function smoothNoise(seed: number): (x: number, y: number) => number {
  const at = (x: number, y: number) => {
    let mixed = Math.imul(x, 374761393) ^ Math.imul(y, 668265263) ^ Math.imul(seed, 2147483629);
    mixed = Math.imul(mixed ^ (mixed >>> 13), 1274126177);
    return ((mixed ^ (mixed >>> 16)) >>> 0) / 2147483648 - 1;
  };
  const eased = (share: number) => share * share * (3 - 2 * share);
  return (x, y) => {
    const [column, row] = [Math.floor(x), Math.floor(y)];
    const [across, down] = [eased(x - column), eased(y - row)];
    const upper = at(column, row) * (1 - across) + at(column + 1, row) * across;
    const lower = at(column, row + 1) * (1 - across) + at(column + 1, row + 1) * across;
    return upper * (1 - down) + lower * down;
  };
}
