import { type NetworkNode, ownProbability } from '../network';
import { type Factor, factor, held, single } from './factor';

/** What is known of a network when it is asked: nodes that are certain, and what only speaks for or against one. */
export interface Evidence {
  /** By node: true or false. */
  readonly hard: ReadonlyMap<string, boolean>;
  /** By node: P(what was seen | true) : P(what was seen | false). */
  readonly soft: ReadonlyMap<string, number>;
}

/**
 * How a noisy-OR of many parents is taken apart. As a chain of “one of those so far has made it true” all figures are probabilities and
 * nothing is lost by rounding; as a star, one variable stands for “all arrows fail” and is subtracted, which keeps the groups small
 * where much hangs together.
 */
export type Apart = 'chain' | 'star';

/** More parents than this aren't put into one table. */
const MOST_AT_ONCE: Readonly<Record<Apart, number>> = { chain: 3, star: 2 };

export interface OwnedFactor extends Factor {
  readonly of: string;
}
export const softOf = (id: string): string => `soft ${id}`;

export interface Compiled {
  readonly names: readonly string[];
  readonly variable: ReadonlyMap<string, number>;
  readonly variables: number;
  /** Each with the node that it belongs to; what only speaks for a node belongs to "soft" and that node. */
  readonly factors: readonly OwnedFactor[];
  /** Childless findings of which nothing is known: nothing depends on them, so they stand outside and are asked one by one. */
  readonly leaves: readonly NetworkNode[];
  /** What all tables are to be multiplied by. */
  readonly constant: number;
}

/**
 * The network as tables over its variables, with what is certain put in.
 * @param alone a node that is true by its leak alone
 */
export function compile(
  order: readonly NetworkNode[],
  { hard, soft }: Evidence,
  apart: Apart,
  alone?: string,
): Compiled {
  const variable = new Map(order.map(({ id }, at) => [id, at]));
  const inner = new Set(order.flatMap(({ parents }) => parents.map(({ id }) => id)));
  const leaves = order.filter(
    ({ id, kind, table }) => kind === 'finding' && !inner.has(id) && !table && !hard.has(id) && !soft.has(id),
  );
  const outside = new Set(leaves.map(({ id }) => id));
  let variables = order.length;
  const fresh = () => variables++;
  const raw = order
    .filter(({ id }) => !outside.has(id))
    .flatMap((node) =>
      (node.id === alone ? byItself(node, variable) : tablesOf(node, variable, hard, fresh, apart)).map(
        (table): OwnedFactor => ({ ...table, of: node.id }),
      ),
    );
  for (const [id, ratio] of soft)
    if (!hard.has(id)) raw.push({ ...single(variable.get(id)!, 1, ratio), of: softOf(id) });
  let constant = 1;
  const factors: OwnedFactor[] = [];
  for (const each of raw) {
    const left = each.vars.reduce<Factor>((now, of) => {
      const state = of < order.length ? hard.get(order[of]!.id) : undefined;
      return state === undefined ? now : held(now, of, state);
    }, each);
    if (left.vars.length === 0) constant *= left.values[0]!;
    else factors.push({ ...left, of: each.of });
  }
  return { names: order.map(({ id }) => id), variable, variables, factors, leaves, constant };
}

function tablesOf(
  node: NetworkNode,
  variable: ReadonlyMap<string, number>,
  hard: ReadonlyMap<string, boolean>,
  fresh: () => number,
  apart: Apart,
): Factor[] {
  const self = variable.get(node.id)!;
  const parents = node.parents.map(({ id, strength }) => ({ at: variable.get(id)!, strength, id }));
  if (node.table) {
    const { table } = node;
    return [
      factor([...parents.map(({ at }) => at), self], (states) => {
        const row = parents.reduce((index, _, place) => index * 2 + (states[place] ? 0 : 1), 0);
        return states[parents.length] ? table[row]! : 1 - table[row]!;
      }),
    ];
  }
  const own = ownProbability(node);
  if (parents.length === 0) return [single(self, 1 - own, own)];
  // That it is false says of each parent by itself that its arrow failed.
  if (hard.get(node.id) === false)
    return [
      single(self, 1, 0),
      ...parents.map(({ at, strength }, place) =>
        single(at, place === 0 ? 1 - own : 1, (place === 0 ? 1 - own : 1) * (1 - strength)),
      ),
    ];
  // A parent whose state is known is no link of the chain: it only adds to what the node has of its own.
  const open = parents.filter(({ id }) => !hard.has(id));
  const failing = parents
    .filter(({ id }) => hard.get(id) === true)
    .reduce((product, { strength }) => product * (1 - strength), 1 - own);
  if (open.length === 0) return [single(self, failing, 1 - failing)];
  if (open.length <= MOST_AT_ONCE[apart]) return [orTable(self, open, failing)];
  return apart === 'star' ? star(self, open, failing, fresh()) : chain(self, open, failing, fresh);
}

interface Arrow {
  readonly at: number;
  readonly strength: number;
}

/** `all` true stands for the term in which every arrow fails. */
function star(self: number, arrows: readonly Arrow[], failing: number, all: number): Factor[] {
  return [
    factor([self, all], ([isTrue, fails]) => (fails ? (isTrue ? -failing : failing) : isTrue ? 1 : 0)),
    ...arrows.map(({ at, strength }) =>
      factor([at, all], ([parent, fails]) => (parent && fails ? 1 - strength : 1)),
    ),
  ];
}

function chain(self: number, open: readonly Arrow[], failing: number, fresh: () => number): Factor[] {
  const links: Factor[] = [];
  let before = fresh();
  links.push(orTable(before, open.slice(0, 2), failing));
  for (const [place, { at, strength }] of open.slice(2).entries()) {
    const now = place === open.length - 3 ? self : fresh();
    links.push(
      factor([before, at, now], ([so, parent, made]) => {
        const stays = parent ? 1 - strength : 1;
        const isTrue = so ? 1 : 1 - stays;
        return made ? isTrue : 1 - isTrue;
      }),
    );
    before = now;
  }
  return links;
}

/** True by its leak alone: none of its parents has made it so. */
const byItself = (node: NetworkNode, variable: ReadonlyMap<string, number>): Factor[] => [
  single(variable.get(node.id)!, 0, ownProbability(node)),
  ...node.parents.map(({ id, strength }) => single(variable.get(id)!, 1, 1 - strength)),
];

const orTable = (self: number, parents: readonly Arrow[], failing: number): Factor =>
  factor([...parents.map(({ at }) => at), self], (states) => {
    const fails = parents.reduce(
      (product, { strength }, place) => (states[place] ? product * (1 - strength) : product),
      failing,
    );
    return states[parents.length] ? 1 - fails : fails;
  });
