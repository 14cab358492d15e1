import type { Catalogs } from '@/model/catalogs';
import type { DamageMode, Family } from '@/model/damage';

type Words = Pick<Catalogs, 'damage-words'>;

const entryOf = ({ 'damage-words': { families } }: Words, family: Family) =>
  families.find((entry) => entry.family === family);

/** The damage words offered for a family of parts, the commonest first. */
export const modesOf = (words: Words, family: Family): readonly DamageMode[] =>
  entryOf(words, family)?.modes ?? [];
export const familyName = (words: Words, family: Family): string => entryOf(words, family)?.name ?? family;

export const findMode = (words: Words, family: Family, modeId: string): DamageMode | undefined =>
  modesOf(words, family).find((mode) => mode.id === modeId);
