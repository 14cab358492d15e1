'use client';

import { Box, Grid, Heading } from '@chakra-ui/react';
import type { UnitType } from '@/model/unitType';
import { Paper } from '../section/paper';
import { SectionDrawing } from '../section/SectionDrawing';

/** Every type that the shop has described, cut open, on one sheet. */
export function AllTypesSheet({ unitTypes }: { readonly unitTypes: readonly UnitType[] }) {
  return (
    <Paper back="/unit-types" name="all-types">
      <Box as="main">
        <Heading as="h1" fontSize="22px" borderBottom="2px solid #000" marginBottom="8px">
          Units that this shop has described
        </Heading>
        <Grid templateColumns="repeat(auto-fit, minmax(380px, 1fr))" gap="16px">
          {unitTypes.map((type) => (
            <Box key={type.id} as="section" css={{ breakInside: 'avoid' }}>
              <Heading as="h2" fontSize="16px">
                {type.title}
              </Heading>
              <Box fontSize="13px">
                {[type.maker, ...type.ratios.map(({ tag, ratio }) => `${tag}: ${ratio}`)]
                  .filter(Boolean)
                  .join(' · ')}
              </Box>
              <SectionDrawing
                unitType={type}
                parts={[]}
                asDescribed
                selected={undefined}
                onOpen={() => undefined}
                printed={300}
              />
            </Box>
          ))}
        </Grid>
      </Box>
    </Paper>
  );
}
