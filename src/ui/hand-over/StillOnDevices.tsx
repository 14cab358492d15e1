'use client';

import { Box } from '@chakra-ui/react';
import type { BenchJob } from '../job/useJob';
import { longInstant } from '../kit/dates';

/** Whoever issues something is told what has not arrived yet, here and on other devices, as they said it last. */
export function StillOnDevices({ job }: { readonly job: BenchJob }) {
  const here = job.waiting.size;
  if (here === 0 && job.devices.length === 0) return null;
  return (
    <Box
      borderLeft="4px solid"
      borderColor="metal"
      paddingLeft="12px"
      marginBottom="12px"
      data-testid="still-on-devices"
    >
      {here > 0 && (
        <Box>
          {captures(here)} of this unit still {here === 1 ? 'waits' : 'wait'} on this device.
        </Box>
      )}
      {job.devices.map(({ deviceId, waiting, person, saidAt }) => (
        <Box key={deviceId}>
          On a device of {person} {captures(waiting)} waited, as it said last on {longInstant(saidAt)}.
        </Box>
      ))}
    </Box>
  );
}

const captures = (count: number): string => (count === 1 ? 'one capture' : `${count} captures`);
