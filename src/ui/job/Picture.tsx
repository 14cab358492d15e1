'use client';

import { Box, chakra } from '@chakra-ui/react';
import { longInstant } from '../kit/dates';
import type { BenchJob, ShownPhotograph } from './useJob';
import { useWaitingPicture } from './useWaitingPicture';

/** Length of the longer side, in pixels. */
const THUMBNAIL = 320;
/** What waits on this device was not read yet by the shop’s computer. */
const UNREAD_SHAPE = '4 / 3';

/**
 * A photograph, from the shop's files or, while it waits, from this device. It takes its room before it is here: what arrived late would
 * push what stands below it from under a finger.
 */
export function Picture({
  job,
  photograph,
}: {
  readonly job: BenchJob;
  readonly photograph: ShownPhotograph;
}) {
  const { waiting, width, height } = photograph;
  const local = useWaitingPicture(waiting, THUMBNAIL);
  const source = waiting
    ? local
    : `/api/v1/jobs/${job.snapshot.job.id}/photographs/${photograph.id}?size=${THUMBNAIL}`;
  const when = photograph.takenAt ?? photograph.deviceTime;
  return (
    <Box as="figure" margin="0" data-photograph={photograph.id}>
      <Box
        width="100%"
        aspectRatio={waiting ? UNREAD_SHAPE : `${width} / ${height}`}
        maxHeight="165px"
        minHeight="60px"
        border="1.5px solid"
        borderColor="ink"
        overflow="hidden"
      >
        {source && (
          <chakra.img
            src={source}
            alt={photograph.fileName}
            width="100%"
            height="100%"
            objectFit="cover"
            opacity={photograph.struck ? 0.4 : 1}
          />
        )}
      </Box>
      <Box as="figcaption" fontSize="13px" lineHeight="18px" color="second" fontStretch="87.5%">
        {waiting ? 'Waits on this device' : `${longInstant(when)}, ${photograph.author}`}
        {photograph.struck ? `. Struck out by ${photograph.struck.by}: ${photograph.struck.reason}` : ''}
      </Box>
    </Box>
  );
}
