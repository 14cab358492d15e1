'use client';

import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { neverReusedList } from '@/core/decisions/neverReused';
import type { OfJob } from '../job/useBench';
import { Press } from '../kit/Press';

/** What no person may put back into a machine, by this job's words: to be read before one meets it. */
export function NeverReused({ job }: OfJob) {
  const [open, setOpen] = useState(false);
  return (
    <Box marginTop="20px" data-testid="never-reused">
      <Press kind="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
        What is never used again
      </Press>
      {open &&
        neverReusedList(job.snapshot.catalogs).map(({ family, modes }) => (
          <Box key={family} fontSize="15px" marginTop="4px">
            <strong>{family}:</strong>{' '}
            {modes
              .map(({ term, neverReuse }) => `${term}${neverReuse?.reworkMay ? ' (reworked only)' : ''}`)
              .join(', ')}
          </Box>
        ))}
    </Box>
  );
}
