import { type TrainInGear, trainInGear } from '@/core/gearing/trainOfType';
import type { UnitType } from '@/model/unitType';

/** The train in a gear that this type has; a description that can’t be solved says so instead of failing. */
export function engagedTrain(
  unitType: UnitType,
  gear: string | undefined,
  coast: boolean,
): TrainInGear | undefined {
  if (!gear || !unitType.states.some((state) => state.gear === gear)) return undefined;
  try {
    return trainInGear(unitType, gear, { coast });
  } catch (error) {
    return { described: false, missing: `The train can’t be solved: ${(error as Error).message}.` };
  }
}
