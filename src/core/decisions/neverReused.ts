import type { Catalogs } from '@/model/catalogs';
import type { DamageMode, Family, FindingContent } from '@/model/damage';
import { familyName, findMode } from '../catalogs/words';

type Words = Pick<Catalogs, 'damage-words'>;

/** What of the damage seen on a part forbids that it is used again; undefined where nothing does. */
export function neverReused(
  family: Family,
  findings: readonly Pick<FindingContent, 'mode'>[],
  words: Words,
): DamageMode['neverReuse'] {
  const bars = findings.flatMap(({ mode }) => findMode(words, family, mode)?.neverReuse ?? []);
  // One that even a rework can't lift stands before one that it can.
  return bars.find(({ reworkMay }) => !reworkMay) ?? bars[0];
}

/** The whole list, family by family, for whoever wants to know before he meets it. */
export const neverReusedList = (words: Words) =>
  words['damage-words'].families.flatMap(({ family, modes }) => {
    const barred = modes.filter(({ neverReuse }) => neverReuse);
    return barred.length === 0 ? [] : [{ family: familyName(words, family), modes: barred }];
  });
