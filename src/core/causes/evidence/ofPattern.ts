import type { JobSnapshot } from '@/model/snapshot';
import { patternChecks } from '../../rebuild/patternAsFound';
import { lengthWord, tellPattern } from '../../rebuild/tellPattern';
import { type Derived, either, type Source, told } from './derived';

/** From the contact pattern as it was found: of loose bearings it tells how the set ran, so it speaks less of how it was set. */
export function ofPattern(job: JobSnapshot): Derived[] {
  return patternChecks(job).flatMap(({ seen, name, ringPosition }): Derived[] => {
    const patches = seen
      ? [seen.content.drive, seen.content.coast].filter((patch) => patch !== undefined)
      : [];
    if (!seen || patches.length === 0) return [];
    const source: Source = {
      words: `${name}: ${tellPattern(seen.content)}`,
      ...{ station: 'baseline', positionId: ringPosition },
    };
    const words = new Set(patches.map(lengthWord));
    const [toe, heel] = [words.has('toward the toe'), words.has('toward the heel')];
    if (seen.content.bearingsLoose)
      return [
        ...(toe && !heel ? [told('pattern-toe', 'seen', source, 2)] : []),
        ...(heel && !toe ? [told('pattern-heel', 'seen', source, 2)] : []),
      ];
    return [
      either('pattern-end', toe || heel, source),
      either('pattern-toe', toe && !heel, source),
      either('pattern-heel', heel && !toe, source),
    ];
  });
}
