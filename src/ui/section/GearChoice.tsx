'use client';

import { Flex } from '@chakra-ui/react';
import type { UnitType } from '@/model/unitType';
import { Press } from '../kit/Press';

/** Which gear is engaged on the drawing; pressed again, none. */
export function GearChoice({
  unitType,
  gear,
  onChoose,
}: {
  readonly unitType: UnitType;
  readonly gear: string | undefined;
  readonly onChoose: (gear: string | null) => void;
}) {
  if (unitType.states.length === 0) return null;
  return (
    <Flex role="group" aria-label="Gear engaged on the drawing" wrap="wrap">
      {unitType.states.map((state) => (
        <Press
          key={state.gear}
          chosen={state.gear === gear}
          aria-pressed={state.gear === gear}
          onClick={() => onChoose(state.gear === gear ? null : state.gear)}
          paddingInline="12px"
        >
          {state.gear}
        </Press>
      ))}
    </Flex>
  );
}
