'use client';

import { Box, Flex } from '@chakra-ui/react';
import { Global } from '@emotion/react';
import type { ReactNode } from 'react';
import { Press, PressLink } from '../kit/Press';

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
};

/** A sheet lying on its side; what can only be pressed stays off the paper. */
export function Paper({
  back,
  name,
  children,
}: {
  readonly back: string;
  readonly name: string;
  readonly children: ReactNode;
}) {
  return (
    <Box css={INK} bg="#fff" color="#000" minHeight="100vh" padding="16px" data-testid={name}>
      <Global
        styles={{
          '@page': { size: 'A4 landscape', margin: '10mm' },
          '@media print': { '.not-on-paper': { display: 'none !important' } },
        }}
      />
      <Flex className="not-on-paper" gap="8px" marginBottom="12px">
        <Press kind="main" color="#fff" onClick={() => window.print()}>
          Print
        </Press>
        <PressLink href={back}>Back</PressLink>
      </Flex>
      {children}
    </Box>
  );
}
