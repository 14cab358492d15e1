import type { Check } from '@/model/checks';

/** The evenly spaced places of a check that can be read all the way round: `tooth 1` … `tooth 41`. */
export const placesRound = ({ every }: Pick<Check, 'every'>): string[] =>
  every ? Array.from({ length: every.count }, (_, index) => `${every.word} ${index + 1}`) : [];

/** Every place that a reading of this check may name; those round the circle in their order. */
export const placesOf = (check: Pick<Check, 'places' | 'every'>): string[] => {
  const places = [...new Set([...placesRound(check), ...(check.places ?? [])])];
  return places.length > 0 ? places : [''];
};

/** How far round a check's places are spread, degrees. */
export const overDeg = ({ overDeg: over = 360 }: NonNullable<Check['every']>): number => over;

/** The angle of a place round the circle, degrees from the first one; undefined for a place that is not one of those. */
export function angleOf(check: Pick<Check, 'every'>, place: string): number | undefined {
  const index = placesRound(check).indexOf(place);
  return index < 0 || !check.every ? undefined : (index * overDeg(check.every)) / check.every.count;
}
