import * as v from 'valibot';
import { BadInput } from '../badInput';
import { finite, type LengthUnit, LengthUnitSchema, notNegative, positive, whole } from '../fields';

export const StockSchema = v.array(v.object({ thickness: positive, count: whole(0, 1000) }));
export type Stock = v.InferOutput<typeof StockSchema>;

export const ShimStackInputSchema = v.object({
  unit: LengthUnitSchema,
  target: v.pipe(finite, v.minValue(0, 'must not be negative')),
  tolerance: notNegative,
  stock: StockSchema,
  maxPieces: v.optional(whole(1, 30), 6),
});
export type ShimStackInput = v.InferOutput<typeof ShimStackInputSchema>;

export const ShimStackOutputSchema = v.object({
  pieces: v.array(v.number()),
  total: v.number(),
  error: v.number(),
  withinTolerance: v.boolean(),
  toBuy: v.optional(v.number()),
});
export type ShimStack = v.InferOutput<typeof ShimStackOutputSchema>;

/** Steps in which thicknesses are added up: tenths of a micrometre, so that thou are whole too. */
const STEPS: Record<LengthUnit, number> = { mm: 10_000, um: 10, in: 254_000, thou: 254 };

interface Node {
  readonly sum: number;
  readonly pieces: number;
  /** The last kind used, and how many of it. */
  readonly kind: number;
  readonly used: number;
  readonly before: Node | undefined;
}

/**
 * The stack of pieces on hand that comes nearest a target. Within the tolerance: the fewest pieces, then the smallest
 * error; otherwise the smallest error, then the fewest pieces, and the one thickness to buy that, alone or with pieces on
 * hand, would bring it within. Pieces from thick to thin; `error` = total − target. An empty stack counts for a
 * target within the tolerance of 0.
 *
 * Exact: sums are whole tenths of a micrometre, and every reachable sum is kept once for each number of pieces.
 * @throws BadInput for a stock with no shims in it
 */
export function shimStack({ unit, target, tolerance, stock, maxPieces }: ShimStackInput): ShimStack {
  const step = STEPS[unit];
  const kinds = kindsOf(stock, step);
  const goal = target * step;
  const slack = tolerance * step + 1e-6;
  if (kinds.length === 0 && goal > slack) throw new BadInput('stock', 'there are no shims in this stock');
  const reached = reachableSums(kinds, goal + Math.max(slack, kinds[0]?.size ?? 0), maxPieces);
  const best = pickBest(reached, goal, slack);
  const pieces = piecesOf(best, kinds);
  const total = best.sum / step;
  const withinTolerance = Math.abs(best.sum - goal) <= slack;
  return {
    pieces,
    total,
    error: (best.sum - goal) / step,
    withinTolerance,
    ...(withinTolerance ? {} : { toBuy: thicknessToBuy(reached, kinds, goal) / step }),
  };
}

interface Kind {
  readonly size: number;
  readonly thickness: number;
  readonly count: number;
}

/** Thick to thin, equal thicknesses taken together, none that is out of stock. */
function kindsOf(stock: Stock, step: number): Kind[] {
  const bySize = new Map<number, Kind>();
  for (const { thickness, count } of stock) {
    const size = Math.round(thickness * step);
    if (count === 0 || size === 0) continue;
    bySize.set(size, { size, thickness, count: count + (bySize.get(size)?.count ?? 0) });
  }
  return [...bySize.values()].sort((a, b) => b.size - a.size);
}

const EMPTY: Node = { sum: 0, pieces: 0, kind: -1, used: 0, before: undefined };

/** For each number of pieces every sum that can be made with it, up to `most`: a sum is kept once. */
function reachableSums(kinds: readonly Kind[], most: number, maxPieces: number): Map<number, Node>[] {
  const layers = Array.from({ length: maxPieces + 1 }, () => new Map<number, Node>());
  layers[0]!.set(0, EMPTY);
  kinds.forEach(({ size, count }, kind) => {
    const before = layers.map((layer) => [...layer.values()]);
    for (const node of before.flat()) {
      for (let used = 1; used <= Math.min(count, maxPieces - node.pieces); used += 1) {
        const sum = node.sum + used * size;
        if (sum > most) break;
        const layer = layers[node.pieces + used]!;
        if (!layer.has(sum)) layer.set(sum, { sum, pieces: node.pieces + used, kind, used, before: node });
      }
    }
  });
  return layers;
}

function pickBest(layers: readonly Map<number, Node>[], goal: number, slack: number): Node {
  const nearest = layers.map((layer) =>
    [...layer.values()].reduce<Node | undefined>(
      (best, node) => (best && Math.abs(best.sum - goal) <= Math.abs(node.sum - goal) ? best : node),
      undefined,
    ),
  );
  const found = nearest.filter((node) => node !== undefined);
  const within = found.find((node) => Math.abs(node.sum - goal) <= slack);
  return (
    within ??
    found.reduce((best, node) => (Math.abs(node.sum - goal) < Math.abs(best.sum - goal) ? node : best))
  );
}

function piecesOf(best: Node, kinds: readonly Kind[]): number[] {
  const pieces: number[] = [];
  for (let node: Node | undefined = best; node && node.kind >= 0; node = node.before) {
    pieces.push(...Array.from({ length: node.used }, () => kinds[node!.kind]!.thickness));
  }
  return pieces.sort((a, b) => b - a);
}

/** The rest that pieces on hand leave, as few of them as possible, of a thickness such as the shop keeps; else one piece for all of it. */
function thicknessToBuy(layers: readonly Map<number, Node>[], kinds: readonly Kind[], goal: number): number {
  const [thickest, thinnest] = [kinds[0]?.size ?? goal, kinds.at(-1)?.size ?? goal];
  for (const layer of layers.slice(0, -1)) {
    const rests = [...layer.keys()]
      .map((sum) => goal - sum)
      .filter((rest) => rest >= thinnest && rest <= thickest);
    if (rests.length > 0) return Math.max(...rests);
  }
  return goal;
}
