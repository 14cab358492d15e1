import { type Factor, indexesInto } from './factor';

/*
 * A join tree: the variables in overlapping groups (cliques) so that sums are taken group by group. Messages go up to the roots and
 * down again (Shafer and Shenoy); then every group knows the weight of each of its states under all that is known.
 */

export interface Clique {
  readonly vars: readonly number[];
  readonly parent: number;
  readonly children: readonly number[];
  /** The variables shared with the parent. */
  readonly shared: readonly number[];
  /** For each state of this group that of the shared variables, here and in the parent. */
  readonly toShared: Int32Array;
  readonly parentToShared: Int32Array;
}

export interface JoinTree {
  readonly cliques: readonly Clique[];
  /** By variable, a group that holds it; −1 where none does. */
  readonly home: Int32Array;
  /** The variables of the largest group. */
  readonly width: number;
}

/** The groups before their tables are laid out: what they would cost is told first. */
export interface Groups {
  readonly width: number;
  readonly build: () => JoinTree;
}

/** The groups that an order of elimination makes; each time the variable goes that ties the fewest others together anew. */
export function joinTree(variables: number, factors: readonly Factor[]): Groups {
  const near: Set<number>[] = Array.from({ length: variables }, () => new Set());
  const left = new Set<number>();
  for (const { vars } of factors)
    for (const a of vars) {
      left.add(a);
      for (const b of vars) if (a !== b) near[a]!.add(b);
    }
  const missing = new Int32Array(variables);
  for (const of of left) missing[of] = tiesMissing(of, near);
  const groups: number[][] = [];
  const made = new Int32Array(variables).fill(-1);
  while (left.size > 0) {
    const next = cheapest(left, near, missing);
    const around = [...near[next]!];
    made[next] = groups.length;
    groups.push([next, ...around]);
    const tied = missing[next]! > 0;
    for (const a of around) near[a]!.delete(next);
    if (tied) for (const a of around) for (const b of around) if (a !== b) near[a]!.add(b);
    left.delete(next);
    const changed = new Set(around);
    if (tied) for (const a of around) for (const b of near[a]!) changed.add(b);
    for (const of of changed) missing[of] = tiesMissing(of, near);
  }
  // The parent of a group is the group of whichever of its other variables goes first.
  const parents = groups.map((vars) => {
    const rest = vars.slice(1);
    return rest.length === 0 ? -1 : Math.min(...rest.map((of) => made[of]!));
  });
  return {
    width: Math.max(0, ...groups.map(({ length }) => length)),
    build: () => treeOf(groups, parents, made),
  };
}

/** How many pairs of a variable's neighbours aren't neighbours of each other. */
function tiesMissing(of: number, near: readonly Set<number>[]): number {
  const around = [...near[of]!];
  let missing = 0;
  for (let a = 0; a < around.length; a += 1) {
    const own = near[around[a]!]!;
    for (let b = a + 1; b < around.length; b += 1) if (!own.has(around[b]!)) missing += 1;
  }
  return missing;
}

function cheapest(left: ReadonlySet<number>, near: readonly Set<number>[], missing: Int32Array): number {
  let best = -1;
  for (const of of left)
    if (
      best < 0 ||
      missing[of]! < missing[best]! ||
      (missing[of] === missing[best] && near[of]!.size < near[best]!.size)
    )
      best = of;
  return best;
}

function treeOf(
  groups: readonly (readonly number[])[],
  parents: readonly number[],
  made: Int32Array,
): JoinTree {
  const sorted = groups.map((vars) => [...vars].sort((a, b) => a - b));
  const children: number[][] = groups.map(() => []);
  for (const [at, parent] of parents.entries()) if (parent >= 0) children[parent]!.push(at);
  const cliques = sorted.map((vars, at): Clique => {
    const parent = parents[at]!;
    const above = parent < 0 ? [] : sorted[parent]!;
    const shared = vars.filter((of) => above.includes(of));
    return {
      ...{ vars, parent, children: children[at]!, shared },
      toShared: indexesInto(vars, shared),
      parentToShared: indexesInto(above, shared),
    };
  });
  return { cliques, home: made, width: Math.max(0, ...sorted.map(({ length }) => length)) };
}

/** The product of the tables that lie in each group; which table lies where is told by `placed`. */
export function potentials({ cliques, home }: JoinTree, factors: readonly Factor[]): Float64Array[] {
  const tables = cliques.map(({ vars }) => new Float64Array(1 << vars.length).fill(1));
  for (const each of factors) multiplyIn(tables, cliques, homeOf(home, each.vars), each);
  return tables;
}

/** The group that holds all of these variables: that of whichever goes first, since a table's variables are neighbours. */
export const homeOf = (home: Int32Array, vars: readonly number[]): number =>
  Math.min(...vars.map((of) => home[of]!));

export function multiplyIn(
  tables: readonly Float64Array[],
  cliques: readonly Clique[],
  at: number,
  { vars, values }: Factor,
): void {
  const table = tables[at]!;
  const map = indexesInto(cliques[at]!.vars, vars);
  for (let index = 0; index < table.length; index += 1) table[index]! *= values[map[index]!]!;
}

export interface Calibrated {
  /** By group, the weight of each of its states under all that is known. */
  readonly beliefs: readonly Float64Array[];
  readonly up: readonly Float64Array[];
  readonly down: readonly (Float64Array | undefined)[];
  readonly tables: readonly Float64Array[];
  /** By group, what its message up was divided by, so that no figure runs out of sight. */
  readonly scales: Float64Array;
  /** Logarithm of the weight of all that is known; −∞ where it can't be. */
  readonly logWeight: number;
}

/** Sends messages up and down once. Groups are numbered so that a parent always has a higher number than its children. */
export function calibrate({ cliques }: JoinTree, tables: readonly Float64Array[]): Calibrated {
  const beliefs = tables.map((table) => Float64Array.from(table));
  const up: Float64Array[] = new Array(cliques.length);
  const scales = new Float64Array(cliques.length);
  let logWeight = 0;
  for (let at = 0; at < cliques.length; at += 1) {
    const { parent, toShared, shared, parentToShared } = cliques[at]!;
    const message = summed(beliefs[at]!, toShared, shared.length);
    const scale = total(message);
    scales[at] = scale;
    logWeight += Math.log(scale);
    if (scale > 0) for (let index = 0; index < message.length; index += 1) message[index]! /= scale;
    up[at] = message;
    if (parent >= 0) spread(beliefs[parent]!, message, parentToShared);
  }
  const down: (Float64Array | undefined)[] = new Array(cliques.length);
  for (let at = cliques.length - 1; at >= 0; at -= 1) {
    const { children } = cliques[at]!;
    if (children.length > 0) sendDown(at, cliques, tables, up, down);
  }
  for (let at = 0; at < cliques.length; at += 1) {
    const message = down[at];
    if (message) spread(beliefs[at]!, message, cliques[at]!.toShared);
  }
  return { beliefs, up, down, tables, scales, logWeight };
}

/** The messages from a group to each of its children: all that it knows but what that child told it. */
function sendDown(
  at: number,
  cliques: readonly Clique[],
  tables: readonly Float64Array[],
  up: readonly Float64Array[],
  down: (Float64Array | undefined)[],
): void {
  const { children, toShared, vars } = cliques[at]!;
  const before: Float64Array[] = [];
  const from = Float64Array.from(tables[at]!);
  if (down[at]) spread(from, down[at]!, toShared);
  for (const child of children) {
    before.push(Float64Array.from(from));
    spread(from, up[child]!, cliques[child]!.parentToShared);
  }
  const after = new Float64Array(1 << vars.length).fill(1);
  for (let place = children.length - 1; place >= 0; place -= 1) {
    const child = children[place]!;
    const { parentToShared, shared } = cliques[child]!;
    const table = before[place]!;
    for (let index = 0; index < table.length; index += 1) table[index]! *= after[index]!;
    const message = summed(table, parentToShared, shared.length);
    const scale = total(message);
    if (scale > 0) for (let index = 0; index < message.length; index += 1) message[index]! /= scale;
    down[child] = message;
    spread(after, up[child]!, parentToShared);
  }
}

function summed(table: Float64Array, map: Int32Array, size: number): Float64Array {
  const sums = new Float64Array(1 << size);
  for (let index = 0; index < table.length; index += 1) sums[map[index]!]! += table[index]!;
  return sums;
}

function spread(table: Float64Array, message: Float64Array, map: Int32Array): void {
  for (let index = 0; index < table.length; index += 1) table[index]! *= message[map[index]!]!;
}

/**
 * The weight of all that is known, times weights of single variables that are put in on top: what an absent finding, or any product of
 * single arrows, would make of it. Only the groups between those variables are gone through again; relative to the weight of all.
 */
export function relativeWeight(
  { cliques, home }: JoinTree,
  known: Calibrated,
  extra: readonly Factor[],
): number {
  const byClique = new Map<number, Factor[]>();
  let result = 1;
  for (const each of extra) {
    const at = home[each.vars[0]!]!;
    if (at < 0) throw new RangeError('a variable that lies in no group');
    byClique.set(at, [...(byClique.get(at) ?? []), each]);
  }
  // All in one group: that group knows it at once.
  const [only, another] = byClique.keys();
  if (only === undefined) return 1;
  if (another === undefined) return weighed(cliques[only]!.vars, known.beliefs[only]!, byClique.get(only)!);
  for (const together of byComponent(cliques, [...byClique.keys()])) {
    result *= acrossGroups(cliques, known, together, byClique);
  }
  return result;
}

function weighed(vars: readonly number[], belief: Float64Array, extra: readonly Factor[]): number {
  const table = Float64Array.from(belief);
  const before = total(table);
  for (const { vars: of, values } of extra) spread(table, values, indexesInto(vars, of));
  return total(table) / before;
}

const total = (table: Float64Array): number => {
  let sum = 0;
  for (let index = 0; index < table.length; index += 1) sum += table[index]!;
  return sum;
};

/** Groups that hang together, each list from the bottom up. */
function byComponent(cliques: readonly Clique[], touched: readonly number[]): number[][] {
  const lists = new Map<number, number[]>();
  for (const at of touched) {
    let root = at;
    while (cliques[root]!.parent >= 0) root = cliques[root]!.parent;
    lists.set(root, [...(lists.get(root) ?? []), at]);
  }
  return [...lists.values()];
}

/** The groups from those that are touched up to where their ways meet are summed anew; all others as they were. */
function acrossGroups(
  cliques: readonly Clique[],
  { beliefs, up, down, tables, scales }: Calibrated,
  touched: readonly number[],
  extra: ReadonlyMap<number, readonly Factor[]>,
): number {
  const top = meeting(cliques, touched);
  const changed = new Map<number, Float64Array>();
  const pending = new Set(touched);
  if (pending.size === 1) {
    const [at] = pending;
    return weighed(cliques[at!]!.vars, beliefs[at!]!, extra.get(at!)!);
  }
  const queue = new Set([...touched, top]);
  for (let at = Math.min(...queue); ; ) {
    const { vars, children, toShared, shared, parent } = cliques[at]!;
    const table = Float64Array.from(tables[at]!);
    for (const { vars: of, values } of extra.get(at) ?? []) spread(table, values, indexesInto(vars, of));
    for (const child of children)
      spread(table, changed.get(child) ?? up[child]!, cliques[child]!.parentToShared);
    queue.delete(at);
    if (at === top) {
      const message = down[at];
      if (message) spread(table, message, toShared);
      return total(table) / total(beliefs[at]!);
    }
    const message = summed(table, toShared, shared.length);
    for (let index = 0; index < message.length; index += 1) message[index]! /= scales[at]!;
    changed.set(at, message);
    queue.add(parent);
    at = Math.min(...queue);
  }
}

/** The lowest group that lies above all of these. */
function meeting(cliques: readonly Clique[], touched: readonly number[]): number {
  const ways = new Set(touched);
  // A parent always has the higher number: the lowest goes up until one is left.
  while (ways.size > 1) {
    const lowest = Math.min(...ways);
    ways.delete(lowest);
    ways.add(cliques[lowest]!.parent);
  }
  const [top] = ways;
  return top!;
}
