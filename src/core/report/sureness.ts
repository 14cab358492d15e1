import { SURENESS, SURENESS_WORDS } from '@/model/job';

/** How sure one may be, from least to most, as a reader is shown it on a scale. */
export const SURE_SCALE = ['not known', 'possible', 'likely', 'no doubt left'] as const;

/** Where on the scale the words of a report lie; undefined for words that this program doesn't know. */
export function placeOnScale(words: string): number | undefined {
  const at = SURENESS.findIndex((each) => SURENESS_WORDS[each] === words);
  return at < 0 ? undefined : SURENESS.length - 1 - at;
}
