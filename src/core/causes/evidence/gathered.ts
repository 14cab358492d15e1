import { group } from 'd3-array';
import type { CauseNetwork } from '@/model/causeNetwork';
import type { RecordOf } from '@/model/recordKinds';
import type { JobSnapshot } from '@/model/snapshot';
import { recordsOf } from '../../strip/recordsOf';
import type { PartState } from '../../wear/partStanding';
import type { Network } from '../network';
import { unplaced } from '../placeNetwork';
import type { Derived } from './derived';
import { ofBookIn } from './ofBookIn';
import { ofLook } from './ofLook';
import { ofOil } from './ofOil';
import { ofPattern } from './ofPattern';
import { ofSound } from './ofSound';
import { ofStrip } from './ofStrip';
import { ofUnitFindings } from './ofUnitFindings';

/** All that a job says of one node, put together. */
export interface Gathered {
  readonly node: string;
  readonly state: 'seen' | 'absent' | 'lost' | 'contradicted' | 'set-aside' | 'told-by-parts';
  /** Of evidence that isn't certain. */
  readonly ratio?: number;
  readonly from: readonly Derived[];
  /** What a person said of it, where that holds. */
  readonly said?: { readonly by: string; readonly words: string };
}

export interface Evidence {
  readonly all: readonly Gathered[];
  readonly findings: Readonly<Record<string, boolean>>;
  readonly soft: Readonly<Record<string, number>>;
}

/** What a job says of the nodes of its network: worked out from what was recorded, never asked twice; a person's word goes before it. */
export function gatherEvidence(
  job: JobSnapshot,
  parts: readonly PartState[],
  network: CauseNetwork,
  placed: Network,
): Evidence {
  const derived = [
    ...ofBookIn(job),
    ...ofOil(job),
    ...ofPattern(job),
    ...ofSound(job),
    ...ofStrip(job, parts),
    ...ofLook(job, network),
    ...ofUnitFindings(job, parts),
  ];
  return evidenceFrom(derived, job, placed);
}

/** The same from what was derived already: one node, one observation. */
export function evidenceFrom(
  derived: readonly Derived[],
  { records }: Pick<JobSnapshot, 'records'>,
  placed: Network,
): Evidence {
  const known = new Set(placed.nodes.map(({ id }) => id));
  const byNode = new Map(
    [...group(derived, ({ node }) => node)]
      .filter(([id]) => known.has(id))
      .map(([id, own]) => [id, merged(id, own)]),
  );
  for (const { author, content } of recordsOf(records, 'cause-finding')) {
    if (!known.has(content.node)) continue;
    const before = byNode.get(content.node);
    const from = before?.from ?? [];
    if (content.says === 'as-derived') {
      if (from.length > 0) byNode.set(content.node, merged(content.node, from));
      else byNode.delete(content.node);
    } else byNode.set(content.node, { ...saidOf(content, author), from });
  }
  const all = [...byNode.values()].map((each) =>
    partsSpeak(each.node, byNode, placed) ? { ...each, state: 'told-by-parts' as const } : each,
  );
  const certain = all.filter(
    ({ state, ratio }) => (state === 'seen' || state === 'absent') && ratio === undefined,
  );
  const soft = all.filter(({ state, ratio }) => state === 'seen' && ratio !== undefined);
  return {
    all,
    findings: Object.fromEntries(certain.map(({ node, state }) => [node, state === 'seen'])),
    soft: Object.fromEntries(soft.map(({ node, ratio }) => [node, ratio!])),
  };
}

/** A statement about the whole unit counts only while nothing is entered at the places under it: else one look would count twice. */
function partsSpeak(node: string, entered: ReadonlyMap<string, Gathered>, { nodes }: Network): boolean {
  if (nodes.find(({ id }) => id === node)?.kind !== 'mechanism') return false;
  const below = new Set([node]);
  let found = 0;
  while (found < below.size) {
    found = below.size;
    for (const { id, parents } of nodes)
      if (unplaced(id).place !== undefined && parents.some((parent) => below.has(parent.id))) below.add(id);
  }
  below.delete(node);
  return [...below].some((id) => SPEAKS.has(entered.get(id)?.state ?? 'lost'));
}

const SPEAKS: ReadonlySet<Gathered['state']> = new Set(['seen', 'absent', 'contradicted']);

function saidOf({ node, says, reason }: RecordOf<'cause-finding'>, by: string): Omit<Gathered, 'from'> {
  const said = { by, words: reason };
  if (says === 'set-aside') return { node, state: 'set-aside', said };
  if (says === 'cannot-tell') return { node, state: 'lost', said };
  return { node, state: says === 'seen' ? 'seen' : 'absent', said };
}

/** Several records of one thing are one observation; where they contradict one another it is an open question and no evidence. */
function merged(node: string, own: readonly Derived[]): Gathered {
  const certain = own.filter(({ ratio, state }) => ratio === undefined && state !== 'lost');
  const states = new Set(certain.map(({ state }) => state));
  if (states.size > 1) return { node, state: 'contradicted', from: own };
  const [state] = states;
  if (state) return { node, state, from: own };
  const soft = own.filter(({ ratio }) => ratio !== undefined);
  if (soft.length === 0) return { node, state: 'lost', from: own };
  // They often rest on the same look: the strongest speaks for all of them.
  const strongest = soft.reduce((most, each) => (weight(each) > weight(most) ? each : most));
  return { node, state: 'seen', ratio: strongest.ratio!, from: own };
}

const weight = ({ ratio = 1 }: Derived): number => Math.abs(Math.log(ratio));
