import type { CauseNetwork } from '@/model/causeNetwork';
import { BadInput } from '../badInput';
import { inOrder } from './network';
import { placeNetwork } from './placeNetwork';

interface NetworkFault {
  readonly path: string;
  readonly message: string;
}

/** What is wrong with a network before it may hold: arrows to nowhere, cycles, nodes that nothing reaches, findings that nobody can ask. */
export function networkFaults(network: CauseNetwork): NetworkFault[] {
  const { nodes } = network;
  const ids = new Map(nodes.map((node) => [node.id, node]));
  const own = nodes.flatMap((node, at) => {
    const path = `nodes.${at}`;
    const { id, from, kind, excludes } = node;
    const asked = node.question !== undefined && node.look !== undefined && node.minutes !== undefined;
    return [
      ...(nodes.findIndex((other) => other.id === id) < at
        ? [{ path: `${path}.id`, message: `“${id}” stands twice.` }]
        : []),
      ...from.flatMap(([parent], place) =>
        ids.has(parent)
          ? []
          : [
              {
                path: `${path}.from.${place}`,
                message: `“${id}” comes from “${parent}”, which isn’t there.`,
              },
            ],
      ),
      ...(excludes !== undefined && !ids.has(excludes)
        ? [{ path: `${path}.excludes`, message: `“${id}” excludes “${excludes}”, which isn’t there.` }]
        : []),
      ...(kind === 'root' && from.length > 0
        ? [{ path: `${path}.from`, message: `“${id}” is a root cause; nothing brings it about.` }]
        : []),
      ...(kind === 'root' && !node.base ? [{ path, message: `“${id}” has no base rate.` }] : []),
      ...(kind !== 'root' && from.length === 0 && node.circumstance === undefined
        ? [{ path, message: `“${id}” comes from nothing: no cause reaches it.` }]
        : []),
      ...(kind === 'finding' && !asked
        ? [{ path, message: `“${id}” needs a question, where to look, and how many minutes that takes.` }]
        : []),
      ...(kind === 'root' && !nodes.some(({ from: other }) => other.some(([parent]) => parent === id))
        ? [{ path, message: `“${id}” shows in nothing.` }]
        : []),
    ];
  });
  return own.length > 0 ? own : cycles(network);
}

function cycles(network: CauseNetwork): NetworkFault[] {
  try {
    inOrder(placeNetwork(network));
    return [];
  } catch (error) {
    if (error instanceof BadInput) return [{ path: error.path, message: error.message }];
    throw error;
  }
}
