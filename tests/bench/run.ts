import { Matrix, QrDecomposition } from 'ml-matrix';
import { rotationSeries } from '@/core/metrology/rotationSeries';
import { type Stock, shimStack } from '@/core/setup/shimStack';

/*
 * npm run bench: what a calculation costs against the bare work that it can't do without, in the same run. A bound is a
 * ratio; milliseconds are only told.
 */

interface Measured {
  readonly name: string;
  readonly ours: () => unknown;
  readonly bare: () => unknown;
  readonly bound: string;
  readonly holds: (ratio: number) => boolean;
}

const ROUNDS = 7;

function medianMs(work: () => unknown): number {
  const times = Array.from({ length: ROUNDS }, () => {
    const began = performance.now();
    work();
    return performance.now() - began;
  }).sort((a, b) => a - b);
  return times[ROUNDS >> 1]!;
}

const POINTS = Array.from({ length: 1000 }, (_, index) => {
  const angle = (index * 2 * Math.PI) / 1000;
  return {
    angleDeg: index * 0.36,
    value: 0.2 + 0.03 * Math.cos(angle - 1) + 0.004 * Math.cos(2 * angle) + 0.001 * Math.sin(index * 12.9898),
  };
});

function bareLeastSquares(): unknown {
  const design = new Matrix(
    POINTS.map(({ angleDeg }) =>
      [1, 2]
        .flatMap((order) => [
          Math.cos((order * angleDeg * Math.PI) / 180),
          Math.sin((order * angleDeg * Math.PI) / 180),
        ])
        .concat(1),
    ),
  );
  return new QrDecomposition(design).solve(Matrix.columnVector(POINTS.map(({ value }) => value)));
}

const STOCK: Stock = [0.1, 0.12, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5, 0.6, 0.8, 1, 1.2].map((thickness) => ({
  thickness,
  count: 6,
}));
const TARGET = 3.337;

/** Every stack of at most six pieces, one kind after the other, nothing pruned. */
function plainEnumeration(): number {
  // All 6^12 count vectors are out of reach; this takes every multiset piece by piece, in every order, as a hand would.
  let best = Number.POSITIVE_INFINITY;
  const pick = (left: number, sum: number) => {
    best = Math.min(best, Math.abs(sum - TARGET));
    if (left === 0) return;
    for (const { thickness } of STOCK) pick(left - 1, sum + thickness);
  };
  pick(6, 0);
  return best;
}

const MEASURED: readonly Measured[] = [
  {
    name: 'rotation series, 1 000 points, against bare least squares of the same size',
    ours: () => rotationSeries({ unit: 'mm', points: POINTS, resolution: 0.001, orders: 2 }),
    bare: bareLeastSquares,
    bound: 'at most 4 times as long',
    holds: (ratio) => ratio <= 4,
  },
  {
    name: 'shim stack, 12 kinds of 6 pieces, against plain enumeration',
    ours: () => shimStack({ unit: 'mm', target: TARGET, tolerance: 0, stock: STOCK, maxPieces: 6 }),
    bare: plainEnumeration,
    bound: 'at most a twentieth',
    holds: (ratio) => ratio <= 1 / 20,
  },
];

let failed = 0;
for (const { name, ours, bare, bound, holds } of MEASURED) {
  ours();
  const [own, other] = [medianMs(ours), medianMs(bare)];
  const ratio = own / other;
  if (!holds(ratio)) failed += 1;
  console.log(
    `${name}\n  ${own.toFixed(2)} ms against ${other.toFixed(2)} ms, ratio ${ratio.toPrecision(3)} (${bound}): ${holds(ratio) ? 'held' : 'NOT HELD'}`,
  );
}
process.exit(failed === 0 ? 0 : 1);
