'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import type { PartState } from '@/core/wear/partStanding';
import type { UnitType } from '@/model/unitType';
import { gradeWords } from '@/ui/kit/GradeMark';
import { Press, PressLink } from '../kit/Press';
import { engagedTrain } from './engagedTrain';
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

/** Black ink on white paper, whichever shift it is: hatching and shapes carry the drawing, no tint does. */
const INK = {
  '--chakra-colors-paper': '#fff',
  '--chakra-colors-ink': '#000',
  '--chakra-colors-second': '#000',
  '--chakra-colors-metal': '#000',
  '--chakra-colors-oxide': '#000',
  '--chakra-colors-rule': '#777',
  '--chakra-colors-section-cut': '#fff',
  '--chakra-colors-section-steel': '#f1f1f1',
  '--chakra-colors-section-land': '#fff',
  '--chakra-colors-section-cavity': '#e2e2e2',
  '--chakra-colors-blue': '#000',
  '--chakra-colors-brass': '#fff',
} as React.CSSProperties;

/** The section for a sheet of paper lying on its side: to hang beside the bench, or into the unit's folder. */
export function PrintSheet({ unitType, parts, lines, back, gear, coast = false }: PrintSheetProps) {
  const inGear = engagedTrain(unitType, gear, coast);
  return (
    <Box style={INK} bg="#fff" color="#000" minHeight="100vh" padding="16px" data-testid="print-sheet">
      <style>
        {'@page { size: A4 landscape; margin: 10mm } @media print { .not-on-paper { display: none } }'}
      </style>
      <Flex className="not-on-paper" gap="8px" marginBottom="12px">
        <Press kind="main" color="#fff" onClick={() => window.print()}>
          Print
        </Press>
        <PressLink href={back}>Back</PressLink>
      </Flex>
      <Box as="main" width="1040px" marginInline="auto">
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
                {part ? `: ${gradeWords(part.grade)}` : ''}
              </li>
            );
          })}
        </Box>
      </Box>
    </Box>
  );
}
