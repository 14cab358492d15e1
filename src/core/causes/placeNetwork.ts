import {
  BASE_RATES,
  type CauseNetwork,
  type CauseNode,
  type PlaceKind,
  STRENGTHS,
} from '@/model/causeNetwork';
import type { Network, NetworkNode } from './network';
import { type Described, has, type Place, placesOfKind } from './places';

/** What differs from the words of the document: a root's rate from the shop's own cases, by its id. */
export type Rates = Readonly<Record<string, number>>;

/** By symptom, the parts that carry load where it is heard: of its arrows from places only those from there count. */
export type HeardAt = Readonly<Record<string, readonly string[]>>;

/** The id of a node at a place. */
export const placedId = (id: string, place: string | undefined): string =>
  place === undefined ? id : `${id}@${place}`;

/** The node that an id at a place is of, and the place. */
export function unplaced(id: string): { readonly node: string; readonly place: string | undefined } {
  const at = id.indexOf('@');
  return at < 0 ? { node: id, place: undefined } : { node: id.slice(0, at), place: id.slice(at + 1) };
}

/**
 * The network of a unit: nodes of a kind of place stand once at each such place, what the unit doesn't have is left out. Between
 * places of one kind an arrow stays at its place; from places to the unit it comes from each of them; from the unit it goes to all.
 * Without a unit each kind of place stands once, without a name.
 */
export function placeNetwork(
  network: CauseNetwork,
  type?: Described,
  rates: Rates = {},
  heardAt: HeardAt = {},
): Network {
  const places = new Map<PlaceKind, readonly (Place | undefined)[]>();
  const placesOf = (kind: PlaceKind) => {
    const known = places.get(kind) ?? (type ? placesOfKind(type, kind) : [undefined]);
    places.set(kind, known);
    return known;
  };
  const nodes = network.nodes.filter(
    ({ needs, at }) => (!needs || !type || has(type, needs)) && (!at || placesOf(at).length > 0),
  );
  const known = new Map(nodes.map((node) => [node.id, node]));
  const at = (node: CauseNode) => (node.at ? placesOf(node.at).map((place) => place?.id) : [undefined]);
  return {
    nodes: nodes.flatMap((node) =>
      at(node).map((place): NetworkNode => {
        const parents = node.from.flatMap(([id, strength]) => {
          const parent = known.get(id);
          if (!parent) return [];
          const own = parent.at === node.at ? [place] : where(at(parent), heardAt[node.id]);
          return own.map((each) => ({ id: placedId(id, each), strength: STRENGTHS[strength] }));
        });
        return placedNode(node, placedId(node.id, place), parents, {
          rate: rateOf(node, rates, node.at ? placesOf(node.at).length : 1),
          excluder: excluderOf(node, known),
          rates,
        });
      }),
    ),
  };
}

/** The places at which one of these parts lies; all of them where nothing was said, or none fits. */
function where(places: readonly (string | undefined)[], parts: readonly string[] | undefined) {
  const there = parts && places.filter((place) => place?.split('·').some((part) => parts.includes(part)));
  return there && there.length > 0 ? there : places;
}

/** The second of two opposites stands beside the first where both are there. */
const excluderOf = ({ excludes }: CauseNode, known: ReadonlyMap<string, CauseNode>): CauseNode | undefined =>
  excludes === undefined ? undefined : known.get(excludes);

/** A root's rate at one of its places, so that “at least one of them” keeps the unit's rate. */
function rateOf({ kind, base, id }: CauseNode, rates: Rates, count: number): number | undefined {
  if (kind !== 'root') return undefined;
  const whole = rates[id] ?? BASE_RATES[base ?? 'uncommon'];
  return 1 - (1 - whole) ** (1 / count);
}

type Parents = NetworkNode['parents'];

function placedNode(
  node: CauseNode,
  id: string,
  parents: Parents,
  {
    rate,
    excluder,
    rates,
  }: { readonly rate: number | undefined; readonly excluder: CauseNode | undefined; readonly rates: Rates },
): NetworkNode {
  const effort = node.minutes === undefined ? {} : { effort: node.minutes };
  const head = { id, kind: node.kind, ...effort };
  if (rate !== undefined) {
    if (!excluder) return { ...head, parents: [], prior: rate };
    // Both keep their rate: what the first takes away is put on where it isn't.
    const first = rateOf(excluder, rates, 1) ?? 0;
    const table = [0, Math.min(1, rate / (1 - first))];
    return { ...head, parents: [{ id: excluder.id, strength: 0 }], table };
  }
  if (node.circumstance !== undefined)
    return { ...head, parents, table: raisedTable(node.circumstance, parents) };
  const leak = node.leak ?? 0;
  if (!excluder) return { ...head, parents, leak };
  const table = [...zeros(2 ** parents.length), ...orTable(leak, parents)];
  return { ...head, parents: [{ id: excluder.id, strength: 0 }, ...parents], table };
}

const zeros = (count: number): number[] => Array.from({ length: count }, () => 0);

/** By row of a table: which of the parents are true; the first varies slowest, true before false. */
const rows = (count: number): boolean[][] =>
  Array.from({ length: 2 ** count }, (_, row) =>
    Array.from({ length: count }, (_, place) => ((row >> (count - 1 - place)) & 1) === 0),
  );

const orTable = (leak: number, parents: Parents): number[] =>
  rows(parents.length).map(
    (states) =>
      1 -
      parents.reduce(
        (fails, { strength }, place) => (states[place] ? fails * (1 - strength) : fails),
        1 - leak,
      ),
  );

/** How often a circumstance holds, raised by whichever cause is there that raises it most. */
const raisedTable = (base: number, parents: Parents): number[] =>
  rows(parents.length).map((states) =>
    parents.reduce((most, { strength }, place) => (states[place] ? Math.max(most, strength) : most), base),
  );
