'use client';

import { Box, Grid } from '@chakra-ui/react';
import type { OfJob } from '../job/useBench';
import { StationPictures } from '../photographs/StationPictures';
import { DebrisBalance } from './DebrisBalance';
import { LabSamples } from './LabSamples';
import { OilPane } from './OilPane';

/** What came out with the oil: how much and how it looked, what hung on the magnet, and every piece that broke off something. */
export function DrainStation(props: OfJob) {
  return (
    <Grid
      templateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 564fr) minmax(0, 716fr)' }}
      gap="24px"
      data-testid="drain"
    >
      <Box minWidth="0">
        <OilPane {...props} />
        <StationPictures job={props.job} station="drain" heading="Pictures, before it is wiped" />
      </Box>
      <Box minWidth="0">
        <DebrisBalance {...props} />
        <LabSamples {...props} />
      </Box>
    </Grid>
  );
}
