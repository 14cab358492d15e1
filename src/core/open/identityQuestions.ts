import type { OpenQuestion } from '@/model/openQuestion';
import type { JobSnapshot } from '@/model/snapshot';
import { countablePairs, positionsOfPair } from '../gearing/countablePairs';
import { identityOfEntry } from '../gearing/identityOfEntry';
import { recordsOf } from '../strip/recordsOf';

type Counted = Pick<JobSnapshot, 'identities' | 'records' | 'unitType'>;

/** The word that settled a count although it speaks against a mark; another count needs another word. */
export const settledIdentity = (
  records: JobSnapshot['records'],
  { pairId, version }: { readonly pairId: string; readonly version: number },
) =>
  recordsOf(records, 'identity-settled').findLast(
    ({ content }) => content.pairId === pairId && content.countVersion === version,
  );

/**
 * Pairs of which what was counted speaks against a mark, the tag, the mate or the type, until a person settles it: open on both
 * gears and on the unit.
 */
export function identityQuestions({ identities, records, unitType }: Counted): OpenQuestion[] {
  if (identities.length === 0) return [];
  const pairs = countablePairs(unitType);
  return identities.flatMap((entry): OpenQuestion[] => {
    const pair = pairs.find(({ id }) => id === entry.pairId) ?? {
      ...{ id: entry.pairId, name: '', pinion: 0, ring: 0 },
    };
    const found = identityOfEntry(entry, pair);
    if (typeof found === 'string' || found.conflicts.length === 0) return [];
    if (settledIdentity(records, entry)) return [];
    const conflicts = found.conflicts.map(({ what, stated }) => `${what} (${stated})`);
    const of = { pairId: entry.pairId, conflicts, since: entry.at };
    return [null, ...positionsOfPair(unitType, pair)].map((positionId) => ({
      ...of,
      ...({ code: 'identity-conflict', positionId } as const),
    }));
  });
}
