import { quantile, type Size } from './planes';

/**
 * The strips along the edges where the brush stayed away. How deep such a strip is, is learnt from its whole side, so that a
 * patch that reaches into it loses no more than the strip.
 */
export function brushMargins(bare: Uint8Array, { width, height }: Size, deepest: number): Uint8Array {
  const margins = new Uint8Array(bare.length);
  const side = (lines: number, cellAt: (line: number, inward: number) => number) => {
    const runs = Array.from({ length: lines }, (_, line) => {
      let run = 0;
      while (run < deepest && bare[cellAt(line, run)]) run += 1;
      return run;
    });
    const usual = quantile(runs, 0.5);
    const depth = usual === 0 ? 0 : Math.ceil(1.4 * Math.min(quantile(runs, 0.75), 1.5 * usual)) + 1;
    runs.forEach((run, line) => {
      for (let inward = 0; inward < Math.min(run, depth); inward += 1) margins[cellAt(line, inward)] = 1;
    });
  };
  side(width, (column, row) => row * width + column);
  side(width, (column, row) => (height - 1 - row) * width + column);
  side(height, (row, column) => row * width + column);
  side(height, (row, column) => row * width + width - 1 - column);
  return margins;
}
