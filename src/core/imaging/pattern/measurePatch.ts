import { blobsOf, maskWhere } from '../masks';
import type { Size } from '../planes';

/** How much of a flank is covered, where its middle lies, and from where to where it reaches; shares of the flank. */
export interface PatchMeasures {
  readonly coverage: number;
  readonly centroid: { readonly length: number; readonly height: number };
  readonly extent: { readonly length: [number, number]; readonly height: [number, number] };
}

/** Share, middle and extents of a patch on its grid, row 0 at the root. */
export function measurePatch(mask: Uint8Array, { width, height }: Size): PatchMeasures {
  const across = new Float64Array(width);
  const down = new Float64Array(height);
  let count = 0;
  mask.forEach((set, cell) => {
    if (!set) return;
    count += 1;
    across[cell % width]! += 1;
    down[Math.floor(cell / width)]! += 1;
  });
  return {
    coverage: count / mask.length,
    centroid: { length: middleOf(across, count), height: middleOf(down, count) },
    extent: { length: extentOf(across, count), height: extentOf(down, count) },
  };
}

/** A second place has at least this share of the larger one's cells; less is a speck. */
export const SECOND = 0.15;

/** The places of a mask one by one, the larger first; one alone where the others are specks beside it. */
export function measurePatches(mask: Uint8Array, size: Size): PatchMeasures[] {
  const { labels, areas } = blobsOf(mask, size);
  const largest = Math.max(0, ...areas.slice(1));
  return areas
    .map((cells, label) => ({ cells, label }))
    .filter(({ cells, label }) => label > 0 && cells >= SECOND * largest)
    .sort((a, b) => b.cells - a.cells)
    .map(({ label }) =>
      measurePatch(
        maskWhere(mask.length, (cell) => labels[cell] === label),
        size,
      ),
    );
}

/** Without a patch its middle is the flank's. */
const middleOf = (line: Float64Array, count: number): number =>
  count === 0 ? 0.5 : line.reduce((sum, cells, at) => sum + cells * (at + 0.5), 0) / (count * line.length);

function extentOf(line: Float64Array, count: number): [number, number] {
  if (count === 0) return [0.5, 0.5];
  const at = (share: number): number => {
    const wanted = share * count;
    let before = 0;
    for (let index = 0; index < line.length; index += 1) {
      const cells = line[index]!;
      if (before + cells >= wanted)
        return (index + (cells === 0 ? 0 : (wanted - before) / cells)) / line.length;
      before += cells;
    }
    return 1;
  };
  return [at(0.05), at(0.95)];
}
