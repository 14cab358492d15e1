interface Wanting {
  /** Where the middle would like to be. */
  readonly wish: number;
  readonly size: number;
}

interface Block {
  first: number;
  last: number;
  /** Sum of the wished starts of its members, each shifted by what stands before it in the block. */
  sum: number;
  start: number;
}

/**
 * Middles of intervals that keep their order and a gap, as near as possible (least squares) to where they
 * would like to be: pool adjacent violators. Pushed inside [from, to] at the end; the caller sees to it that
 * they fit.
 */
export function spread(wanting: readonly Wanting[], gap: number, from: number, to: number): number[] {
  const before: number[] = [];
  let total = 0;
  for (const { size } of wanting) {
    before.push(total);
    total += size + gap;
  }
  const blocks: Block[] = [];
  wanting.forEach(({ wish, size }, index) => {
    const start = wish - size / 2 - before[index]!;
    blocks.push({ first: index, last: index, sum: start, start });
    while (blocks.length > 1 && blocks.at(-2)!.start > blocks.at(-1)!.start) {
      const right = blocks.pop()!;
      const left = blocks.at(-1)!;
      left.last = right.last;
      left.sum += right.sum;
      left.start = left.sum / (left.last - left.first + 1);
    }
  });
  const lastStart = to - (total - gap);
  return blocks.flatMap(({ first, last, start }) => {
    const inside = Math.max(from, Math.min(start, Math.max(from, lastStart)));
    return wanting
      .slice(first, last + 1)
      .map(({ size }, index) => inside + before[first + index]! + size / 2);
  });
}
