import { blobsOf, blur, dilate, open, quantile, type Size, sampled } from './planes';

/* Sizes as shares of the flank's height in cells. */
const EVEN = 0.015;
const REACH = 0.25;
const THIN = 0.03;
/** So much thinner than all but this share of the flank away from the patch, and no more than this in any case. */
const SHARE = 0.05;
const BELOW = 0.1;
const MOST = 0.75;

/**
 * With what lies on its edge under a streak: there the compound is thinner than anywhere else on the flank, though no more than
 * half of it is gone. How thick it usually is, is learnt from the flank away from the patch.
 */
export function withFaintEdges(
  clear: Uint8Array,
  amount: Float32Array,
  trust: Float32Array,
  margins: Uint8Array,
  size: Size,
): Uint8Array {
  const short = Math.min(size.width, size.height);
  const even = blur(amount, size, EVEN * short);
  const near = dilate(clear, size, REACH * short);
  const away = sampled(clear.length).filter((cell) => !near[cell] && !margins[cell] && trust[cell]! > 0.8);
  if (away.length < 100) return clear;
  const usual = quantile(
    away.map((cell) => even[cell]!),
    SHARE,
  );
  const limit = Math.min(MOST, usual - BELOW);
  const faint = even.map((value, cell) =>
    clear[cell] || (near[cell] && !margins[cell] && trust[cell]! > 0.8 && value < limit) ? 1 : 0,
  );
  const { labels } = blobsOf(Uint8Array.from(faint), size);
  const hangs = new Set<number>();
  clear.forEach((set, cell) => {
    if (set) hangs.add(labels[cell]!);
  });
  const grown = Uint8Array.from(labels, (label) => (label > 0 && hangs.has(label) ? 1 : 0));
  const opened = open(grown, size, THIN * short);
  return clear.map((set, cell) => set | opened[cell]!);
}
