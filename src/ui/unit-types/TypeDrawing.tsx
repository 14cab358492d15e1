'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import type { UnitType } from '@/model/unitType';
import { EmptyState } from '../kit/Notice';
import { engagedTrain } from '../section/engagedTrain';
import { GearChoice } from '../section/GearChoice';
import { PowerPanel } from '../section/PowerPanel';
import { SectionDrawing } from '../section/SectionDrawing';

/** A type as it is described, not as anybody found it: its section, its gears and what they make. */
export function TypeDrawing({
  unitType,
  selected,
  onOpen,
  panel = true,
}: {
  readonly unitType: UnitType;
  readonly selected?: string | undefined;
  readonly onOpen: (positionId: string) => void;
  readonly panel?: boolean;
}) {
  const [gear, setGear] = useState<string>();
  const [coast, setCoast] = useState(false);
  const inGear = engagedTrain(unitType, gear, coast);
  return (
    <Box>
      <Flex justify="space-between" wrap="wrap" gap="8px" align="center" marginBottom="4px">
        <GearChoice
          unitType={unitType}
          gear={gear}
          coast={coast}
          onChoose={(next) => setGear(next ?? undefined)}
          onCoast={setCoast}
        />
      </Flex>
      {unitType.axes.length === 0 ? (
        <EmptyState>Its section comes here once an axis and the first parts on it are described.</EmptyState>
      ) : (
        <SectionDrawing
          unitType={unitType}
          parts={[]}
          asDescribed
          selected={selected}
          onOpen={onOpen}
          inGear={inGear}
        />
      )}
      {panel && inGear && gear !== undefined && (
        <PowerPanel key={gear} unitType={unitType} gear={gear} inGear={inGear} onOpen={onOpen} />
      )}
    </Box>
  );
}
