'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { findActive } from '@/core/wear/active';
import { Picture } from '../job/Picture';
import { type OfJob, useBench } from '../job/useBench';
import type { BenchJob, ShownPhotograph } from '../job/useJob';
import { Select } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { PictureDrop } from './PictureDrop';
import { useFiling } from './useFiling';

/** Photographs taken before anyone knew of which part. They wait here until they are filed. */
export function PhotographTray({ job }: OfJob) {
  const { rights } = useBench();
  const unfiled = findActive(job.photographs).filter((photograph) => photograph.positionId === null);
  return (
    <Box
      as="section"
      aria-label="Tray of unfiled photographs"
      marginTop="24px"
      borderTop="1px solid"
      borderColor="rule"
      paddingTop="8px"
    >
      <Flex align="center" justify="space-between" gap="12px" wrap="wrap">
        <Heading as="h2" fontSize="16px">
          Tray{' '}
          <Box as="span" fontWeight={400} color="second">
            {unfiled.length === 0
              ? 'empty'
              : `${unfiled.length} photograph${unfiled.length === 1 ? '' : 's'} without a part`}
          </Box>
        </Heading>
        {rights.includes('capture.take') && <PictureDrop job={job} at={{ station: 'grade' }} compact />}
      </Flex>
      <Flex wrap="wrap" gap="12px" marginTop="8px">
        {unfiled.map((photograph) => (
          <Box key={photograph.id} width="220px">
            <Picture job={job} photograph={photograph} />
            {rights.includes('photograph.file') && !photograph.waiting && (
              <FileUnder job={job} photograph={photograph} />
            )}
          </Box>
        ))}
      </Flex>
    </Box>
  );
}

function FileUnder({ job, photograph }: { readonly job: BenchJob; readonly photograph: ShownPhotograph }) {
  const [positionId, setPositionId] = useState(job.parts[0]?.position.id ?? '');
  const { refusal, file } = useFiling(job);
  return (
    <>
      <Flex gap="4px" marginTop="4px">
        <Select
          aria-label="File under part"
          value={positionId}
          onChange={(event) => setPositionId(event.target.value)}
          fontSize="13px"
          paddingInline="4px"
        >
          {job.parts.map(({ position }) => (
            <option key={position.id} value={position.id}>
              {position.name}
            </option>
          ))}
        </Select>
        <Press onClick={() => void file([photograph], positionId)}>File</Press>
      </Flex>
      {refusal && <ErrorNotice>{refusal}</ErrorNotice>}
    </>
  );
}
