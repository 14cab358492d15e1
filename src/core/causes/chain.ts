import type { Diagnosis } from './diagnose';
import type { Network, NetworkNode } from './network';

export type ChainState = 'seen' | 'inferred' | 'absent' | 'open';

export interface ChainNode {
  readonly id: string;
  readonly kind: NetworkNode['kind'];
  readonly state: ChainState;
  /** P(it is so | all that is known). */
  readonly probability: number;
}

export interface Chain {
  readonly nodes: readonly ChainNode[];
  readonly arrows: readonly { readonly from: string; readonly to: string; readonly heavy: boolean }[];
  /** How many nodes were left out because a picture of more would tell nothing. */
  readonly folded: number;
}

/** More nodes than this nobody follows. */
const MOST = 12;
const OF_EACH = 4;
/** A way that holds less probably than this, or leads over more nodes, explains nothing to anybody. */
const LEAST = 0.02;
const LONGEST = 6;

/**
 * How the leading causes come to what was found: along the likeliest way to each of the findings that weigh most, to what speaks against
 * them and to what is to be looked at next.
 */
export function chainOf(
  network: Network,
  told: Pick<Diagnosis, 'marginals' | 'causes' | 'nextChecks'>,
  evidence: {
    readonly findings: Readonly<Record<string, boolean>>;
    readonly soft: Readonly<Record<string, number>>;
  },
  causes: readonly string[],
): Chain {
  const byId = new Map(network.nodes.map((node) => [node.id, node]));
  const isThere = ({ finding }: { readonly finding: string }) =>
    evidence.findings[finding] ?? (evidence.soft[finding] ?? 0) >= 1;
  const ways: { readonly way: readonly string[]; readonly heavy: boolean }[] = [];
  for (const [at, cause] of causes.entries()) {
    const ranked = told.causes.find(({ id }) => id === cause);
    const ends = [
      ...(ranked?.for ?? [])
        .filter(isThere)
        .slice(0, OF_EACH)
        .map(({ finding }) => finding),
      ...(ranked?.against ?? [])
        .filter((each) => !isThere(each))
        .slice(0, 1)
        .map(({ finding }) => finding),
      ...(at === 0 ? told.nextChecks.slice(0, 1).map(({ finding }) => finding) : []),
    ];
    for (const end of ends) {
      const way = likeliestWay(cause, end, byId, told.marginals);
      if (way) ways.push({ way, heavy: at === 0 && evidence.findings[end] !== false });
    }
  }
  const kept = new Set<string>();
  const arrows = new Map<string, { from: string; to: string; heavy: boolean }>();
  let folded = 0;
  for (const { way, heavy } of ways) {
    const more = way.filter((id) => !kept.has(id));
    if (kept.size + more.length > MOST) {
      folded += more.length;
      continue;
    }
    for (const [place, id] of way.entries()) {
      kept.add(id);
      const before = way[place - 1];
      if (before === undefined) continue;
      const key = `${before} ${id}`;
      arrows.set(key, { from: before, to: id, heavy: heavy || (arrows.get(key)?.heavy ?? false) });
    }
  }
  return {
    nodes: [...kept].map((id) => {
      const { kind } = byId.get(id)!;
      return { id, kind, state: stateOf(id, kind, evidence), probability: told.marginals[id] ?? 0 };
    }),
    ...{ arrows: [...arrows.values()], folded },
  };
}

function stateOf(
  id: string,
  kind: NetworkNode['kind'],
  { findings, soft }: Parameters<typeof chainOf>[2],
): ChainState {
  if (findings[id] !== undefined) return findings[id] ? 'seen' : 'absent';
  if (soft[id] !== undefined) return soft[id]! >= 1 ? 'seen' : 'absent';
  return kind === 'finding' ? 'open' : 'inferred';
}

/** From a cause down to a finding by the arrows that hold most probably; undefined where no arrow leads there. */
function likeliestWay(
  cause: string,
  finding: string,
  byId: ReadonlyMap<string, NetworkNode>,
  marginals: Readonly<Record<string, number>>,
): string[] | undefined {
  const best = new Map<string, { readonly share: number; readonly way: string[] } | undefined>();
  const from = (id: string): { readonly share: number; readonly way: string[] } | undefined => {
    if (id === cause) return { share: 1, way: [id] };
    if (best.has(id)) return best.get(id);
    best.set(id, undefined);
    const node = byId.get(id);
    let found: { readonly share: number; readonly way: string[] } | undefined;
    for (const parent of node?.parents ?? []) {
      const before = from(parent.id);
      if (!before) continue;
      const share = before.share * Math.max(parent.strength, 0.01) * (marginals[parent.id] ?? 0);
      if (!found || share > found.share) found = { share, way: [...before.way, id] };
    }
    best.set(id, found);
    return found;
  };
  const found = from(finding);
  return found && found.share >= LEAST && found.way.length <= LONGEST ? found.way : undefined;
}
