import type { CheckDefinition, PlacePattern } from '@/model/checkDefinition';
import type { Check } from '@/model/checks';

const ROUND = { count: 12, word: 'angle' };
const QUARTERS = ['0°', '90°', '180°', '270°'];

/** Four teeth spread evenly round a gear, the first one among them. */
const fourTeeth = (teeth: number): string[] =>
  [0, 1, 2, 3].map((quarter) => `tooth ${1 + Math.round((quarter * teeth) / 4)}`);

/** The places of a pattern, as a check carries them. `teeth` is needed for every tooth only. */
export function placesOfPattern(pattern: PlacePattern, teeth: number): Pick<Check, 'places' | 'every'> {
  switch (pattern) {
    case 'single':
      return {};
    case 'four-round':
      return { places: QUARTERS };
    case 'two-places':
      return { places: ['first', 'second'] };
    case 'two-planes':
      return { places: ['plane A, along', 'plane A, across', 'plane B, along', 'plane B, across'] };
    case 'twelve-round':
      return { places: [1, 4, 7, 10].map((number) => `${ROUND.word} ${number}`), every: ROUND };
    case 'twelve-half-round':
      return {
        places: [1, 4, 7, 10].map((number) => `${ROUND.word} ${number}`),
        every: { ...ROUND, overDeg: 180 },
      };
    case 'every-tooth':
      return { places: fourTeeth(teeth), every: { count: teeth, word: 'tooth' } };
  }
}

/**
 * A unit type's check made from the library: a copy, so that a job that pins the unit type is not touched when the
 * library changes.
 */
export function checkFromDefinition(
  definition: CheckDefinition,
  to: { readonly id: string; readonly positionId: string; readonly teeth?: number },
): Check {
  const { id, title, howTo, picture, unit, statistic, gaugeKinds } = definition;
  return {
    id: to.id,
    title,
    definition: id,
    positions: [to.positionId],
    howTo,
    picture,
    gaugeKinds: [...gaugeKinds],
    unit,
    statistic,
    ...placesOfPattern(definition.pattern, to.teeth ?? 12),
    ...(definition.typical ? { typical: definition.typical } : {}),
    ...(definition.conditions ? { conditions: definition.conditions } : {}),
    ...(definition.holdings ? { holdings: definition.holdings } : {}),
    ...(definition.temperature ? { temperature: true } : {}),
    ...(definition.twoPoint ? { twoPoint: true } : {}),
    limits: [],
  };
}
