import type { PartState } from '@/core/wear/partStanding';
import type { Check } from '@/model/checks';
import type { BenchPlace } from '../job/useBenchPlace';

/** The check of this part that the address names, or its first. */
export const judgedOf = (part: PartState, { check }: Pick<BenchPlace, 'check'>) =>
  part.judgements.find((judged) => judged.check.id === check) ?? part.judgements[0];

/** The check that the open ticket measures, if it measures one. */
export const openCheckOf = (part: PartState, place: BenchPlace): Check | undefined =>
  place.face === 'measure' ? judgedOf(part, place)?.check : undefined;
