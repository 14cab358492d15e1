'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import type { PartState } from '@/core/wear/partStanding';
import { partWords } from '@/core/wear/partWords';
import type { UnitType } from '@/model/unitType';
import { engagedTrain } from './engagedTrain';
import { Paper } from './paper';
import { SectionDrawing } from './SectionDrawing';

interface PrintSheetProps {
  readonly unitType: UnitType;
  /** Left out for a type: it is drawn as it is described. */
  readonly parts?: readonly PartState[];
  readonly lines: readonly string[];
  readonly back: string;
  readonly gear?: string | undefined;
  readonly coast?: boolean;
}

/** The section for a sheet of paper lying on its side: to hang beside the bench, or into the unit's folder. */
export function PrintSheet({ unitType, parts, lines, back, gear, coast = false }: PrintSheetProps) {
  const inGear = engagedTrain(unitType, gear, coast);
  return (
    <Paper back={back} name="print-sheet">
      <Box as="main" width="min(1040px, 100%)" marginInline="auto">
        <Flex justify="space-between" align="baseline" borderBottom="2px solid #000" paddingBottom="4px">
          <Heading as="h1" fontSize="22px">
            {unitType.title}
          </Heading>
          <span>{lines.join(' · ')}</span>
        </Flex>
        <SectionDrawing
          unitType={unitType}
          parts={parts ?? []}
          asDescribed={parts === undefined}
          selected={undefined}
          onOpen={() => undefined}
          inGear={inGear}
          printed={590}
        />
        <Box
          as="ul"
          css={{ columns: 4, columnGap: '16px' }}
          fontSize="11px"
          lineHeight="15px"
          listStyleType="none"
        >
          {unitType.positions.map(({ id, name }) => {
            const part = parts?.find((each) => each.position.id === id);
            return (
              <li key={id}>
                {name}
                {part ? `: ${partWords(part)}` : ''}
              </li>
            );
          })}
        </Box>
      </Box>
    </Paper>
  );
}
