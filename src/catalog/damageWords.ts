import * as v from 'valibot';
import { type DamageMode, DamageWordsSchema, type Family } from '@/model/damage';
import data from './damage-words.json';

const words = v.parse(DamageWordsSchema, data);
const byFamily = new Map(words.families.map((entry) => [entry.family, entry]));

/** The damage words offered for a family of parts, the commonest first. */
export const modesOf = (family: Family): readonly DamageMode[] => byFamily.get(family)?.modes ?? [];
export const familyName = (family: Family): string => byFamily.get(family)?.name ?? family;

export function findMode(family: Family, modeId: string): DamageMode | undefined {
  return modesOf(family).find((mode) => mode.id === modeId);
}
