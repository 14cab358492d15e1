'use client';

import { Box, chakra, Flex } from '@chakra-ui/react';
import type { BenchJob } from '../job/useJob';
import { longInstant } from '../kit/dates';
import { ErrorNotice } from '../kit/Notice';

/** Captures that came twice under one mark with different content: both are shown until somebody sorts them out. */
export function Conflicts({ job }: { readonly job: BenchJob }) {
  const { conflicts, readings, findings, photographs, unitType } = job.snapshot;
  if (conflicts.length === 0) return null;
  const partName = (id: unknown) =>
    unitType.positions.find((position) => position.id === id)?.name ?? 'no part';
  return (
    <ErrorNotice>
      <strong>Two different captures came under one mark. Both are kept.</strong>
      {conflicts.map((conflict) => {
        const reading = readings.find(({ id }) => id === conflict.captureId);
        const first =
          reading ??
          findings.find(({ id }) => id === conflict.captureId) ??
          photographs.find(({ id }) => id === conflict.captureId);
        const second = conflict.content as {
          positionId?: string;
          raw?: string;
          unit?: string;
          fileName?: string;
          mode?: string;
          digest?: string;
        };
        const base = `/api/v1/jobs/${job.snapshot.job.id}`;
        return (
          <Box key={conflict.digest} marginTop="4px">
            {conflict.kind} of {partName(second.positionId)}: stored{' '}
            {reading ? `${reading.raw} ${reading.unit}` : `by ${first?.author ?? 'somebody'}`}; came later,{' '}
            {longInstant(conflict.receivedAt)},{' '}
            {second.raw ? `${second.raw} ${second.unit}` : (second.fileName ?? second.mode ?? '')} by{' '}
            {conflict.author}.
            {conflict.kind === 'photograph' && (
              <Flex gap="12px" marginTop="4px">
                <chakra.img
                  src={`${base}/photographs/${conflict.captureId}?size=320`}
                  alt="stored first"
                  width="160px"
                />
                <chakra.img src={`${base}/conflicts/${second.digest}`} alt="came later" width="160px" />
              </Flex>
            )}
          </Box>
        );
      })}
    </ErrorNotice>
  );
}
