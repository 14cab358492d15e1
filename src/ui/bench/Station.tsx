'use client';

import { Box, Heading } from '@chakra-ui/react';
import type { ComponentType } from 'react';
import type { PartState } from '@/core/wear/partStanding';
import { STATIONS, type StationId } from '@/model/job';
import { type OfJob, useBench } from '../job/useBench';
import { Watching } from '../job/Watching';
import { Arriving } from '../kit/later';
import {
  BaselineStation,
  BookInStation,
  CauseStation,
  DecideStation,
  DrainStation,
  GradeStation,
  HandOverStation,
  RebuildStation,
  StripStation,
} from './pieces';

const STATION: Record<Exclude<StationId, 'grade'>, ComponentType<OfJob>> = {
  'book-in': BookInStation,
  drain: DrainStation,
  baseline: BaselineStation,
  strip: StripStation,
  cause: CauseStation,
  decide: DecideStation,
  rebuild: RebuildStation,
  'hand-over': HandOverStation,
};

/** The station where one stands. */
export function Station({ open }: { readonly open: PartState | undefined }) {
  const { place } = useBench();
  if (place.station === 'grade')
    return (
      <Arriving>
        <GradeStation open={open} />
      </Arriving>
    );
  const Work = STATION[place.station];
  return (
    <Box>
      <Heading as="h2" srOnly>
        {STATIONS.find(({ id }) => id === place.station)?.name}
      </Heading>
      <Arriving key={place.station}>
        <Watching>{(job) => <Work job={job} />}</Watching>
      </Arriving>
    </Box>
  );
}
