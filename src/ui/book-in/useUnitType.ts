'use client';

import { useEffect, useState } from 'react';
import type { UnitType } from '@/model/unitType';
import { send } from '../kit/send';

/** The description of the chosen type: its gears, and where symptoms point. */
export function useUnitType(id: string | undefined): UnitType | undefined {
  const [unitType, setUnitType] = useState<UnitType>();
  useEffect(() => {
    setUnitType(undefined);
    if (id === undefined) return;
    let current = true;
    void send<UnitType>('GET', `/api/v1/unit-types/${id}`).then((answer) => {
      if (current && answer.ok) setUnitType(answer.value);
    });
    return () => {
      current = false;
    };
  }, [id]);
  return unitType;
}
