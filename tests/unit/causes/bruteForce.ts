import type { Network } from '@/core/causes/network';

/*
 * The same questions answered by going through every state of a small network: what the join tree is held against. It shares no code
 * with it.
 */

interface Known {
  readonly findings: Readonly<Record<string, boolean>>;
  readonly soft?: Readonly<Record<string, number>>;
}

type State = ReadonlyMap<string, boolean>;

function chance({ nodes }: Network, state: State): number {
  let product = 1;
  for (const { id, parents = [], table, prior, leak } of nodes) {
    let p: number;
    if (table) {
      const row = parents.map((parent) => (state.get(parent.id) ? '0' : '1')).join('');
      p = table[row === '' ? 0 : Number.parseInt(row, 2)]!;
    } else {
      const own = parents.length === 0 ? (prior ?? leak ?? 0) : (leak ?? prior ?? 0);
      p =
        1 -
        parents.reduce((fails, parent) => fails * (state.get(parent.id) ? 1 - parent.strength : 1), 1 - own);
    }
    product *= state.get(id) ? p : 1 - p;
  }
  return product;
}

/** Every state that fits what is known, with its weight. */
export function weighedStates(
  network: Network,
  { findings, soft = {} }: Known,
): { state: State; weight: number }[] {
  const ids = network.nodes.map(({ id }) => id);
  const list: { state: State; weight: number }[] = [];
  for (let index = 0; index < 2 ** ids.length; index += 1) {
    const state = new Map(ids.map((id, bit) => [id, ((index >> bit) & 1) === 1]));
    if (Object.entries(findings).some(([id, seen]) => state.get(id) !== seen)) continue;
    const likelihood = Object.entries(soft).reduce(
      (all, [id, ratio]) => (state.get(id) ? all * ratio : all),
      1,
    );
    list.push({ state, weight: chance(network, state) * likelihood });
  }
  return list;
}

const total = (list: readonly { weight: number }[]) => list.reduce((sum, { weight }) => sum + weight, 0);

export function marginalsByHand(network: Network, known: Known): Record<string, number> {
  const states = weighedStates(network, known);
  const all = total(states);
  return Object.fromEntries(
    network.nodes.map(({ id }) => [id, total(states.filter(({ state }) => state.get(id))) / all]),
  );
}

const logOdds = (p: number) => Math.log(p / (1 - p));
const entropy = (p: number) => (p <= 0 || p >= 1 ? 0 : -p * Math.log2(p) - (1 - p) * Math.log2(1 - p));

/** Log-odds of a cause with a finding, less those without it. */
export function weightByHand(network: Network, known: Known, cause: string, finding: string): number {
  const { [finding]: _, ...findings } = known.findings;
  const { [finding]: __, ...soft } = known.soft ?? {};
  const without = marginalsByHand(network, { findings, soft })[cause]!;
  return logOdds(marginalsByHand(network, known)[cause]!) - logOdds(without);
}

/** Mutual information of a finding and the joint state of some nodes, bits. */
export function bitsByHand(
  network: Network,
  known: Known,
  finding: string,
  roots: readonly string[],
): number {
  const states = weighedStates(network, known);
  const all = total(states);
  const groups = new Map<string, { state: State; weight: number }[]>();
  for (const each of states) {
    const key = roots.map((id) => each.state.get(id)).join();
    groups.set(key, [...(groups.get(key) ?? []), each]);
  }
  const yes = (list: readonly { state: State; weight: number }[]) =>
    total(list.filter(({ state }) => state.get(finding)));
  const left = [...groups.values()]
    .filter((list) => total(list) > 0)
    .reduce((sum, list) => sum + (total(list) / all) * entropy(yes(list) / total(list)), 0);
  return entropy(yes(states) / all) - left;
}

/** P(a true noisy-OR node came from its leak alone). */
export function aloneByHand(network: Network, known: Known, finding: string): number {
  const node = network.nodes.find(({ id }) => id === finding)!;
  const own = (node.parents ?? []).length === 0 ? (node.prior ?? node.leak ?? 0) : (node.leak ?? 0);
  const states = weighedStates(network, known);
  const alone = states.reduce((sum, { state, weight }) => {
    const fails = (node.parents ?? []).reduce(
      (p, each) => p * (state.get(each.id) ? 1 - each.strength : 1),
      1,
    );
    const made = 1 - (1 - own) * fails;
    return made === 0 ? sum : sum + (weight * own * fails) / made;
  }, 0);
  return alone / total(states);
}
