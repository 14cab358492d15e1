import type { CauseNetwork, CauseNode } from '@/model/causeNetwork';
import type { Diagnosis } from './diagnose';
import type { Outcome } from './nextChecks';
import { unplaced } from './placeNetwork';

export interface LookNext {
  readonly finding: string;
  readonly node: CauseNode;
  readonly expectedBits: number;
  readonly minutes: number;
  readonly ifSeen: Outcome;
  readonly ifAbsent: Outcome;
}

/** Less information than this isn't worth going there. */
const NOT_WORTH_IT = 0.02;

/**
 * The checks that tell most for the time that they take, each question once at the place where it tells most; none where nothing is
 * worth it. Where a cheap look outside of the unit tells something, it stands before opening anything further.
 */
export function lookNext(
  network: CauseNetwork,
  told: Pick<Diagnosis, 'nextChecks'>,
  most: number,
): LookNext[] {
  const nodes = new Map(network.nodes.map((node) => [node.id, node]));
  const asked = new Set<string>();
  const first = told.nextChecks.flatMap((check) => {
    const { node } = unplaced(check.finding);
    const own = nodes.get(node);
    if (!own || asked.has(node) || check.expectedBits < NOT_WORTH_IT) return [];
    asked.add(node);
    return [{ ...check, node: own }];
  });
  const ordered = [...first.filter(isCheapOutside), ...first.filter((check) => !isCheapOutside(check))];
  return ordered
    .slice(0, most)
    .flatMap(({ finding, node, expectedBits, effort, ifSeen, ifAbsent }) =>
      ifSeen && ifAbsent ? [{ finding, node, expectedBits, minutes: effort, ifSeen, ifAbsent }] : [],
    );
}

/** Minutes that a look outside may take before it counts as cheap. */
const CHEAP = 15;
const isCheapOutside = ({ node, effort }: { readonly node: CauseNode; readonly effort: number }): boolean =>
  node.outside === true && effort <= CHEAP;
