import * as v from 'valibot';
import { BadInput } from '../badInput';

/*
 * A causal network as it is worked with: every node is true or false, and depends on its parents by a noisy-OR with a leak or by a
 * full table. What it is of, and in which words it is asked, lies elsewhere.
 */

const share = v.pipe(
  v.number('must be a number'),
  v.minValue(0, 'lies from 0 to 1'),
  v.maxValue(1, 'lies from 0 to 1'),
);

const NodeSchema = v.object({
  id: v.pipe(v.string(), v.minLength(1, 'needs a name'), v.maxLength(160)),
  kind: v.picklist(['root', 'mechanism', 'finding']),
  /** Of a node without parents. */
  prior: v.optional(share),
  /** That it is true although none of its parents makes it so. */
  leak: v.optional(share),
  parents: v.optional(v.array(v.object({ id: v.string(), strength: v.optional(share, 0) })), []),
  /** P(true) for every state of the parents, the first parent varying slowest, true before false. It goes before strengths. */
  table: v.optional(v.array(share)),
  /** Minutes that it takes to look; 1 where it isn't said. */
  effort: v.optional(v.pipe(v.number(), v.finite(), v.gtValue(0, 'must be above 0'))),
});

export const NetworkSchema = v.object({
  nodes: v.pipe(v.array(NodeSchema), v.minLength(1, 'no node'), v.maxLength(20_000)),
});
export type Network = v.InferOutput<typeof NetworkSchema>;
export type NetworkNode = Network['nodes'][number];

/** More parents than this make a table that nobody fills in. */
const MOST_TABLE_PARENTS = 14;

/**
 * The nodes in an order in which parents come before their children.
 * @throws BadInput for a name that stands twice, a parent that isn't there, a table of the wrong length, a root without a prior, a cycle
 */
export function inOrder({ nodes }: Network): readonly NetworkNode[] {
  const index = new Map<string, number>();
  for (const [at, { id }] of nodes.entries()) {
    if (index.has(id)) throw new BadInput(`network.nodes.${at}.id`, `“${id}” stands twice`);
    index.set(id, at);
  }
  for (const [at, node] of nodes.entries()) refuseFaulty(node, `network.nodes.${at}`, index);
  return sorted(nodes, index);
}

function refuseFaulty(node: NetworkNode, path: string, index: ReadonlyMap<string, number>): void {
  const { id, parents, table, prior, leak } = node;
  for (const [at, parent] of parents.entries()) {
    if (!index.has(parent.id))
      throw new BadInput(`${path}.parents.${at}.id`, `there is no node “${parent.id}”`);
    if (parents.findIndex((other) => other.id === parent.id) < at)
      throw new BadInput(`${path}.parents.${at}.id`, `“${parent.id}” is a parent of “${id}” twice`);
  }
  if (table) {
    if (parents.length > MOST_TABLE_PARENTS)
      throw new BadInput(`${path}.table`, `at most ${MOST_TABLE_PARENTS} parents with a table`);
    if (table.length !== 2 ** parents.length)
      throw new BadInput(
        `${path}.table`,
        `${table.length} figures for ${2 ** parents.length} states of the parents`,
      );
    return;
  }
  if (parents.length === 0 && prior === undefined && leak === undefined)
    throw new BadInput(`${path}.prior`, `“${id}” has no parents and no prior`);
}

function sorted(nodes: readonly NetworkNode[], index: ReadonlyMap<string, number>): NetworkNode[] {
  const waiting = nodes.map(({ parents }) => parents.length);
  const children = nodes.map((): number[] => []);
  for (const [at, { parents }] of nodes.entries())
    for (const { id } of parents) children[index.get(id)!]!.push(at);
  const ready = nodes.flatMap((_, at) => (waiting[at] === 0 ? [at] : []));
  const order: NetworkNode[] = [];
  for (let at = ready.shift(); at !== undefined; at = ready.shift()) {
    order.push(nodes[at]!);
    for (const child of children[at]!) if (--waiting[child]! === 0) ready.push(child);
  }
  if (order.length < nodes.length) {
    const left = nodes.findIndex((_, at) => waiting[at]! > 0);
    throw new BadInput(`network.nodes.${left}`, `“${nodes[left]!.id}” lies on a cycle`);
  }
  return order;
}

/** P(a node is true although no parent makes it so): its leak, or its prior where it has no parents. */
export const ownProbability = ({ prior, leak, parents }: NetworkNode): number =>
  parents.length === 0 ? (prior ?? leak ?? 0) : (leak ?? prior ?? 0);
