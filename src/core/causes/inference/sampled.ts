import { type NetworkNode, ownProbability } from '../network';
import type { Evidence } from './factorsOf';

/** Probabilities by likelihood weighting, for networks that are too tangled to be summed exactly. */
export interface Sampled {
  readonly probability: ReadonlyMap<string, number>;
  /** Standard error of the least certain of them. */
  readonly standardError: number;
  /** How many samples of equal weight these are worth. */
  readonly effective: number;
}

/**
 * Draws whole states from the top down, with what is known held fast, and weighs each by how probable that was.
 * @param enough stops at this effective size, or at `most` draws
 */
export function sampled(
  order: readonly NetworkNode[],
  { hard, soft }: Evidence,
  { enough = 2500, most = 400_000, seed = 1 } = {},
): Sampled {
  const at = new Map(order.map(({ id }, index) => [id, index]));
  const parents = order.map((node) =>
    node.parents.map(({ id, strength }) => [at.get(id)!, strength] as const),
  );
  const random = randomFrom(seed);
  const known = order.map(({ id }) => hard.get(id));
  const ratios = order.map(({ id }) => soft.get(id));
  const states = new Uint8Array(order.length);
  const sums = new Float64Array(order.length);
  let all = 0;
  let squares = 0;
  for (let draw = 0; draw < most; draw += 1) {
    let weight = 1;
    for (let index = 0; index < order.length; index += 1) {
      const node = order[index]!;
      const p = probabilityOf(node, parents[index]!, states);
      const certain = known[index];
      const state = certain ?? random() < p;
      states[index] = state ? 1 : 0;
      if (certain !== undefined) weight *= certain ? p : 1 - p;
      if (state) weight *= ratios[index] ?? 1;
    }
    all += weight;
    squares += weight * weight;
    for (let index = 0; index < order.length; index += 1) if (states[index]) sums[index]! += weight;
    if (draw % 500 === 499 && squares > 0 && (all * all) / squares >= enough) break;
  }
  const effective = squares === 0 ? 0 : (all * all) / squares;
  const probability = new Map(
    order.map(({ id }, index) => [id, all === 0 ? Number.NaN : sums[index]! / all]),
  );
  const widest = Math.max(...[...probability.values()].map((p) => p * (1 - p)));
  return { probability, effective, standardError: Math.sqrt(widest / Math.max(1, effective)) };
}

function probabilityOf(
  node: NetworkNode,
  parents: readonly (readonly [number, number])[],
  states: Uint8Array,
): number {
  if (node.table) {
    let row = 0;
    for (const [parent] of parents) row = row * 2 + (states[parent] ? 0 : 1);
    return node.table[row]!;
  }
  let fails = 1 - ownProbability(node);
  for (let at = 0; at < parents.length; at += 1) {
    const arrow = parents[at]!;
    if (states[arrow[0]]) fails *= 1 - arrow[1];
  }
  return 1 - fails;
}

/** Mulberry32: the same draws for the same seed, on every machine. */
function randomFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}
