'use client';

import { useEffect, useState } from 'react';
import type { TrainInGear } from '@/core/gearing/trainOfType';
import type { UnitType } from '@/model/unitType';

/** The train in the gear that is engaged, as soon as what solves it is here; nothing while no gear is. */
export function useEngagedTrain(
  unitType: UnitType,
  gear: string | undefined,
  coast: boolean,
): TrainInGear | undefined {
  const [solved, setSolved] = useState<{ gear: string; coast: boolean; train: TrainInGear | undefined }>();
  useEffect(() => {
    if (!gear) return;
    let gone = false;
    void import('./engagedTrain').then(({ engagedTrain }) => {
      if (!gone) setSolved({ gear, coast, train: engagedTrain(unitType, gear, coast) });
    });
    return () => {
      gone = true;
    };
  }, [unitType, gear, coast]);
  return solved?.gear === gear && solved?.coast === coast ? solved.train : undefined;
}
