import type { JudgedCheck, PartState } from '@/core/wear/partStanding';
import type { Check } from '@/model/checks';
import type { BenchPlace } from '../job/useBenchPlace';

/** The check of this part that the address names, or its first. */
export const judgedOf = (part: PartState, { check }: Pick<BenchPlace, 'check'>) =>
  part.judgements.find((judged) => judged.check.id === check) ?? part.judgements[0];

/** What a check says with the part held in one way; a way in which nothing was read says nothing yet. */
export function inHolding(judged: JudgedCheck, held: string): JudgedCheck {
  const { judgement } = judged;
  const holdings = judgement.holdings ?? [judgement];
  const own = holdings.find((each) => (each.held ?? '') === held);
  if (own) return { ...judged, judgement: own };
  const { decisive: _, series: __, variation: ___, holdings: ____, ...rest } = judgement;
  return {
    ...judged,
    judgement: { ...rest, word: 'not-measured', placesMissing: judged.check.places ?? [] },
  };
}

/** The check that the open ticket measures, if it measures one. */
export const openCheckOf = (part: PartState, place: BenchPlace): Check | undefined =>
  place.face === 'measure' ? judgedOf(part, place)?.check : undefined;
