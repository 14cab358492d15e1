'use client';

import { Box } from '@chakra-ui/react';
import type { Names } from '@/core/causes/names';
import { longDate } from '../kit/dates';
import { Press } from '../kit/Press';
import type { KnownCauses } from './useCauses';

interface RatesProps {
  readonly causes: KnownCauses;
  readonly names: Names;
  /** Without it the newer ones aren't offered. */
  readonly onNewer: (() => void) | undefined;
}

const percent = (p: number): string => `${Math.round(p * 100)} %`;

/** From which rates the sums start: the document's, moved by the shop's own settled jobs; a job keeps those of the day it was booked. */
export function Rates({ causes: { counted, asOf, newer }, names, onNewer }: RatesProps) {
  if (counted.length === 0 && newer === 0) return null;
  return (
    <Box as="section" aria-label="Rates" data-testid="rates" fontSize="13px" lineHeight="18px" color="second">
      {counted.length > 0 && (
        <>
          Base rates moved by this shop’s own settled jobs, as of {longDate(asOf)}:{' '}
          {counted
            .map(
              ({ root, rate, cases, of, interval: [low, high] }) =>
                `${names.of(root).toLowerCase()} ${percent(rate)} (${cases} of ${of}; 90 % interval ${percent(low)} to ${percent(high)})`,
            )
            .join(', ')}
          .{' '}
        </>
      )}
      {newer > 0 && (
        <>
          {newer} {newer === 1 ? 'job was' : 'jobs were'} settled since.{' '}
          {onNewer && (
            <Press kind="quiet" minHeight="32px" paddingInline="4px" onClick={onNewer}>
              Count them too
            </Press>
          )}
        </>
      )}
    </Box>
  );
}
