'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { findActive } from '@/core/wear/active';
import type { StationId } from '@/model/job';
import { Picture } from '../job/Picture';
import { type OfJob, useBench } from '../job/useBench';
import { PictureDrop } from './PictureDrop';

interface StationPicturesProps extends OfJob {
  readonly station: StationId;
  readonly stepId?: string;
  readonly heading?: string;
}

/** Photographs taken at a station, or at one step of it: how it lay before it was moved. A part they get later. */
export function StationPictures({ job, station, stepId, heading }: StationPicturesProps) {
  const { rights } = useBench();
  const own = findActive(job.photographs).filter(
    (photograph) => photograph.station === station && photograph.stepId === (stepId ?? null),
  );
  return (
    <Box marginTop="12px" data-testid="station-pictures">
      {heading && (
        <Heading as="h3" fontSize="16px" marginBottom="8px">
          {heading}
        </Heading>
      )}
      {rights.includes('capture.take') && (
        <PictureDrop job={job} at={{ station, ...(stepId ? { stepId } : {}) }} compact />
      )}
      {own.length > 0 && (
        <Flex gap="8px" wrap="wrap" marginTop="8px">
          {own.map((photograph) => (
            <Box key={photograph.id} width="150px">
              <Picture job={job} photograph={photograph} />
            </Box>
          ))}
        </Flex>
      )}
    </Box>
  );
}
