import type { SeenPatch } from '@/model/records/pattern-seen';
import type { Recorded } from '../strip/recordsOf';

/** Shares of the flank within which a patch lies at the middle. */
const [TOE, HEEL, LOW, HIGH] = [0.35, 0.65, 0.35, 0.65] as const;

export const lengthWord = ({ length }: Pick<SeenPatch, 'length'>): string =>
  length < TOE ? 'toward the toe' : length > HEEL ? 'toward the heel' : 'at the middle';
const heightWord = ({ height }: Pick<SeenPatch, 'height'>): string =>
  height < LOW ? 'low' : height > HIGH ? 'high' : 'half way up';

/** One sentence without its stop: both flanks, and that the bearings were loose. */
export function tellPattern({
  drive,
  coast,
  bearingsLoose,
  cannot,
  photographId,
}: Recorded<'pattern-seen'>['content']): string {
  if (cannot !== undefined) return `can’t be had: ${cannot}`;
  const flank = (name: string, patch: SeenPatch | undefined) =>
    patch ? `${name} ${lengthWord(patch)}, ${heightWord(patch)}, ${patch.width}` : '';
  const told = [flank('drive', drive), flank('coast', coast), photographId ? 'photographed' : ''].filter(
    Boolean,
  );
  return `${told.join('; ')}${bearingsLoose ? '; bearings loose: it tells how it ran, not how it was set' : ''}`;
}
