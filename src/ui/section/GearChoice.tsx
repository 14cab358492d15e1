'use client';

import { Flex } from '@chakra-ui/react';
import type { UnitType } from '@/model/unitType';
import { Press } from '../kit/Press';

/** Which gear is engaged on the drawing (pressed again, none), and which way the load pushes. */
export function GearChoice({
  unitType,
  gear,
  coast,
  onChoose,
  onCoast,
}: {
  readonly unitType: UnitType;
  readonly gear: string | undefined;
  readonly coast: boolean;
  readonly onChoose: (gear: string | null) => void;
  readonly onCoast: (coast: boolean) => void;
}) {
  if (unitType.states.length === 0) return null;
  return (
    <Flex gap="16px" wrap="wrap">
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
      {gear !== undefined && (
        <Flex role="group" aria-label="Which way the load pushes">
          {([false, true] as const).map((way) => (
            <Press
              key={String(way)}
              chosen={way === coast}
              aria-pressed={way === coast}
              onClick={() => onCoast(way)}
              paddingInline="12px"
            >
              {way ? 'Coast' : 'Drive'}
            </Press>
          ))}
        </Flex>
      )}
    </Flex>
  );
}
