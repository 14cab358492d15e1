import { BadInput } from '../../badInput';
import { type NetworkNode, ownProbability } from '../network';
import { type Factor, single } from './factor';
import { type Compiled, compile, type Evidence, softOf } from './factorsOf';
import {
  type Calibrated,
  calibrate,
  type JoinTree,
  joinTree,
  multiplyIn,
  potentials,
  relativeWeight,
} from './joinTree';

/** A group of more variables than this would make tables of more than 2^20 figures. */
export const WIDEST = 20;

/** Exact probabilities of a network under what is known of it. */
export interface Posterior {
  readonly width: number;
  readonly logWeight: number;
  /** P(node | all that is known). */
  readonly probability: (id: string) => number;
  /** P(no arrow into a node holds | all that is known). */
  readonly allFail: (id: string) => number;
  /** P(these nodes are in these states | all that is known). */
  readonly together: (states: ReadonlyMap<string, boolean>) => number;
  /** The same network with some nodes held in a state on top of what is known. */
  readonly given: (states: ReadonlyMap<string, boolean>) => Posterior;
  /** The same network without what was found of one node. */
  readonly without: (id: string) => Posterior;
  /** P(a true node came from its leak alone | all that is known); undefined where it has a table. */
  readonly alone: (id: string) => number | undefined;
}

/** Raised where exact sums would need tables that are too large. */
export class TooWide extends Error {
  constructor(readonly width: number) {
    super(`groups of ${width} variables`);
  }
}

/**
 * @param order the nodes, parents before children
 * @throws BadInput where what is known can't be in this network; TooWide
 */
export function posterior(order: readonly NetworkNode[], evidence: Evidence): Posterior {
  const { compiled, tree } = narrowest(order, evidence);
  const world: World = {
    order,
    nodes: new Map(order.map((node) => [node.id, node])),
    evidence,
    compiled,
    tree,
  };
  const known = calibrate(tree, potentials(tree, compiled.factors));
  refuseImpossible(compiled, known);
  return posteriorOf(world, known);
}

/** Up to this many variables in a group nothing has to be subtracted. */
const NARROW = 15;

/** As a chain where the groups stay small; else in whichever way makes them smaller. */
function narrowest(order: readonly NetworkNode[], evidence: Evidence, alone?: string) {
  const [chain, star] = (['chain', 'star'] as const).map((apart) => () => {
    const compiled = compile(order, evidence, apart, alone);
    return { compiled, groups: joinTree(compiled.variables, compiled.factors) };
  });
  const first = chain!();
  const second = first.groups.width <= NARROW ? first : star!();
  const { compiled, groups } = second.groups.width < first.groups.width ? second : first;
  if (groups.width > WIDEST) throw new TooWide(groups.width);
  return { compiled, tree: groups.build() };
}

interface World {
  readonly order: readonly NetworkNode[];
  readonly nodes: ReadonlyMap<string, NetworkNode>;
  readonly evidence: Evidence;
  readonly compiled: Compiled;
  readonly tree: JoinTree;
}

function refuseImpossible({ constant }: Compiled, { logWeight }: Calibrated): void {
  if (constant > 0 && Number.isFinite(logWeight)) return;
  throw new BadInput('findings', 'these can’t be true together in this network');
}

function posteriorOf(world: World, known: Calibrated): Posterior {
  const { evidence, compiled, tree } = world;
  const leaves = new Set(compiled.leaves.map(({ id }) => id));
  const weightOf = (extra: readonly Factor[]) => relativeWeight(tree, known, extra);
  const lefts = new Map<string, Posterior>();
  const without = (id: string): Posterior => {
    const left = lefts.get(id) ?? withoutFinding(world, id);
    lefts.set(id, left);
    return left;
  };
  return {
    width: tree.width,
    logWeight: known.logWeight + Math.log(compiled.constant),
    probability: (id) => {
      const hard = evidence.hard.get(id);
      if (hard !== undefined) return hard ? 1 : 0;
      if (leaves.has(id))
        return 1 - (1 - ownProbability(world.nodes.get(id)!)) * allFail(world, weightOf, id);
      return marginal(world, known, compiled.variable.get(id)!);
    },
    allFail: (id) => allFail(world, weightOf, id),
    together: (states) => weightOf(singlesOf(world, states)),
    given: (states) => posteriorOf(world, recalibrated(world, known, singlesOf(world, states))),
    without,
    alone: (id) => {
      const node = world.nodes.get(id)!;
      if (node.table) return undefined;
      if (world.order.some(({ parents }) => parents.some((parent) => parent.id === id)))
        return aloneOf(world, id, known.logWeight);
      // By Bayes from what is known without it: its leak held and all arrows failed, of all ways in which it is true.
      const own = ownProbability(node);
      const fails = without(id).allFail(id);
      return (own * fails) / (1 - (1 - own) * fails);
    },
  };
}

function marginal({ tree }: World, { beliefs }: Calibrated, of: number): number {
  const at = tree.home[of]!;
  const { vars } = tree.cliques[at]!;
  const belief = beliefs[at]!;
  const bit = 1 << vars.indexOf(of);
  let yes = 0;
  let all = 0;
  for (let index = 0; index < belief.length; index += 1) {
    all += belief[index]!;
    if (index & bit) yes += belief[index]!;
  }
  return yes / all;
}

/** P(no arrow into a node holds | what is known). */
function allFail(
  { evidence, compiled, nodes }: World,
  weightOf: (extra: readonly Factor[]) => number,
  id: string,
): number {
  let product = 1;
  const singles: Factor[] = [];
  for (const parent of nodes.get(id)!.parents) {
    const hard = evidence.hard.get(parent.id);
    if (hard === undefined) singles.push(single(compiled.variable.get(parent.id)!, 1, 1 - parent.strength));
    else if (hard) product *= 1 - parent.strength;
  }
  return product * weightOf(singles);
}

const singlesOf = ({ compiled }: World, states: ReadonlyMap<string, boolean>): Factor[] =>
  [...states].map(([id, state]) => single(compiled.variable.get(id)!, state ? 0 : 1, state ? 1 : 0));

function recalibrated({ tree }: World, { tables }: Calibrated, extra: readonly Factor[]): Calibrated {
  const copies = tables.map((table) => Float64Array.from(table));
  for (const each of extra) multiplyIn(copies, tree.cliques, tree.home[each.vars[0]!]!, each);
  return calibrate(tree, copies);
}

/** The groups stay as they are where the finding is no parent of anything: its tables are left out. */
function withoutFinding(world: World, id: string): Posterior {
  const { order, evidence, compiled, tree } = world;
  const isParent = order.some(({ parents }) => parents.some((parent) => parent.id === id));
  const hard = new Map(evidence.hard);
  const soft = new Map(evidence.soft);
  hard.delete(id);
  soft.delete(id);
  const left = { hard, soft };
  const node = world.nodes.get(id)!;
  if (evidence.hard.has(id) && (isParent || node.table)) return posterior(order, left);
  const gone = evidence.hard.has(id) ? id : softOf(id);
  const factors = compiled.factors.filter(({ of }) => of !== gone);
  const known = calibrate(tree, potentials(tree, factors));
  const outside = evidence.hard.has(id) ? [...compiled.leaves, node] : compiled.leaves;
  return posteriorOf(
    { ...world, evidence: left, compiled: { ...compiled, factors, leaves: outside } },
    known,
  );
}

function aloneOf(world: World, id: string, whole: number): number {
  const { order, evidence } = world;
  const { compiled, tree } = narrowest(order, evidence, id);
  const { logWeight } = calibrate(tree, potentials(tree, compiled.factors));
  return Math.exp(logWeight + Math.log(compiled.constant) - whole - Math.log(world.compiled.constant));
}
