import type { CauseNetwork, CauseNode } from '@/model/causeNetwork';
import type { UnitType } from '@/model/unitType';
import { unplaced } from './placeNetwork';

export interface Names {
  readonly node: (id: string) => CauseNode | undefined;
  /** What a node is called, with its place where it belongs to one. */
  readonly of: (id: string) => string;
  readonly place: (id: string) => string;
  /** The parts at its place. */
  readonly positions: (id: string) => readonly string[];
}

export function namesOf(network: CauseNetwork, { positions }: UnitType): Names {
  const nodes = new Map(network.nodes.map((node) => [node.id, node]));
  const names = new Map(positions.map(({ id, name }) => [id, name]));
  const placeOf = (id: string) =>
    (unplaced(id).place ?? '')
      .split('·')
      .map((each) => names.get(each) ?? each)
      .join(' and ');
  return {
    node: (id) => nodes.get(unplaced(id).node),
    place: placeOf,
    of: (id) => {
      const { node, place } = unplaced(id);
      const name = nodes.get(node)?.name ?? node;
      return place === undefined ? capital(name) : `${placeOf(id)}: ${name}`;
    },
    positions: (id) => (unplaced(id).place ?? '').split('·').filter((each) => names.has(each)),
  };
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
