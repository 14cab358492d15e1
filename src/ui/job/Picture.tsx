'use client';

import { Box, chakra } from '@chakra-ui/react';
import { longInstant } from '../kit/dates';
import type { BenchJob, ShownPhotograph } from './useJob';
import { useWaitingPicture } from './useWaitingPicture';

/** A photograph, from the shop's files or, while it waits, from this device. */
export function Picture({
  job,
  photograph,
  size = 320,
}: {
  readonly job: BenchJob;
  readonly photograph: ShownPhotograph;
  readonly size?: 320 | 1280;
}) {
  const local = useWaitingPicture(photograph.waiting, size === 320 ? 320 : undefined);
  const source = photograph.waiting
    ? local
    : `/api/v1/jobs/${job.snapshot.job.id}/photographs/${photograph.id}?size=${size}`;
  const when = photograph.takenAt ?? photograph.deviceTime;
  return (
    <Box as="figure" margin="0" data-photograph={photograph.id}>
      {source && (
        <chakra.img
          src={source}
          alt={photograph.fileName}
          width="100%"
          maxHeight={size === 320 ? '165px' : '70vh'}
          minHeight="60px"
          objectFit={size === 320 ? 'cover' : 'contain'}
          border="1.5px solid"
          borderColor="ink"
          opacity={photograph.struck ? 0.4 : 1}
        />
      )}
      <Box as="figcaption" fontSize="13px" lineHeight="18px" color="second" fontStretch="87.5%">
        {photograph.waiting ? 'Waits on this device' : `${longInstant(when)}, ${photograph.author}`}
        {photograph.struck ? `. Struck out by ${photograph.struck.by}: ${photograph.struck.reason}` : ''}
      </Box>
    </Box>
  );
}
