import type { BenchRecord } from '@/model/snapshot';
import { LEAST_TRUST } from '../imaging/confidence';
import type { Flank, Place } from '../setup/patternAdvice';
import { recordsOf } from '../strip/recordsOf';
import { findActive } from '../wear/active';
import { roundsOf } from './rounds';

/**
 * Where the patches lie by photographs that were measured since the last round of a set-up: the middle of all teeth of a flank. A picture that is
 * not to be relied on counts for nothing, and a flank that bears on two places has no middle.
 */
export function photographedPatches(
  records: readonly BenchRecord[],
  { pair, ringPosition }: { readonly pair: string; readonly ringPosition: string },
): { readonly drive?: Place; readonly coast?: Place } {
  // Before the first round it is what was pictured since it came apart: as it was found it is no round of this set-up.
  const since = (roundsOf(records, pair).at(-1) ?? recordsOf(records, 'step').at(-1))?.deviceTime ?? '';
  const patterns = findActive(records).flatMap(({ deviceTime, content }) =>
    content.what === 'picture-measured' &&
    content.positionId === ringPosition &&
    content.found.kind === 'pattern' &&
    content.confidence >= LEAST_TRUST &&
    deviceTime > since
      ? [content.found]
      : [],
  );
  return Object.fromEntries(
    (['drive', 'coast'] as const).flatMap((flank): [Flank, Place][] => {
      const own = patterns.filter((pattern) => pattern.flank === flank);
      if (own.length === 0 || own.some(({ patches }) => (patches?.length ?? 1) > 1)) return [];
      const mean = (axis: keyof Place) =>
        own.reduce((sum, { centroid }) => sum + centroid[axis], 0) / own.length;
      return [[flank, { length: mean('length'), height: mean('height') }]];
    }),
  );
}
