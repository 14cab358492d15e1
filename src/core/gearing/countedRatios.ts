import type { UnitType } from '@/model/unitType';
import type { CountablePair } from './countablePairs';
import { trainInGear } from './trainOfType';

export interface CountedRatio {
  readonly gear: string;
  readonly counted: number;
  readonly described: number;
}

/** The gears whose ratio would be another one with the teeth that were counted on a pair. */
export function countedRatios(
  type: UnitType,
  pair: CountablePair,
  counts: { readonly pinionTeeth: number; readonly ringTeeth: number },
): CountedRatio[] {
  if (!pair.gears) return [];
  const teeth = { [pair.gears.pinion]: counts.pinionTeeth, [pair.gears.ring]: counts.ringTeeth };
  return type.states.flatMap(({ gear }) => {
    const [described, counted] = [trainInGear(type, gear), trainInGear(type, gear, { teeth })].map((found) =>
      found.described && found.ratio !== undefined ? Math.abs(found.ratio) : undefined,
    );
    if (described === undefined || counted === undefined || Math.abs(counted / described - 1) < 1e-9)
      return [];
    return [{ gear, counted, described }];
  });
}
