'use client';

import { Box, Heading } from '@chakra-ui/react';
import type { Recorded } from '@/core/strip/recordsOf';
import { stepWords } from '@/core/strip/stepWords';
import { CaptureLine } from '../job/CaptureLine';
import type { OfJob } from '../job/useBench';
import { OrientationSketch } from './OrientationSketch';

/** Steps as they were done, with everything that was put down; or the other way round, for who puts it together. */
export function StepLog({
  records,
  heading,
  job,
}: OfJob & {
  readonly records: readonly Recorded<'step'>[];
  readonly heading: string;
}) {
  if (records.length === 0) return null;
  return (
    <Box as="section" aria-label={heading} marginTop="24px" maxWidth="980px" data-testid="step-log">
      <Heading as="h3" fontSize="16px">
        {heading}
      </Heading>
      {records.map((record) => (
        <CaptureLine key={record.id} kind="record" capture={{ ...record, struck: null }} job={job}>
          {stepWords(job.snapshot.unitType, record.content)}
          {record.content.orientation && (
            <Box>
              <OrientationSketch orientation={record.content.orientation} />
            </Box>
          )}
        </CaptureLine>
      ))}
    </Box>
  );
}
