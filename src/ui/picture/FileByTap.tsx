'use client';

import { Box, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import type { Job, ShownPhotograph } from '../bench/useJob';
import { ErrorNotice } from '../kit/Notice';
import { send } from '../kit/send';
import { PartList } from '../section/PartList';
import { SectionDrawing } from '../section/SectionDrawing';

interface FileByTapProps {
  readonly job: Job;
  readonly photographs: readonly ShownPhotograph[];
  readonly onFiled: () => void;
}

/** One tap on the section files the chosen photographs under the part that was tapped. */
export function FileByTap({ job, photographs, onFiled }: FileByTapProps) {
  const [refusal, setRefusal] = useState('');
  const waiting = photographs.some((photograph) => photograph.waiting);
  const file = async (positionId: string) => {
    setRefusal('');
    if (waiting)
      return setRefusal('One of them still waits on this device. File it when the shop’s computer has it.');
    for (const { id } of photographs) {
      const answer = await send('PATCH', `/api/v1/photographs/${id}`, { positionId });
      if (!answer.ok) {
        setRefusal(answer.refusal.message);
        // Those before it are filed; the list says so, and what is left stays chosen.
        return job.refresh();
      }
    }
    await job.refresh();
    onFiled();
  };
  const { unitType } = job.snapshot;
  const open = (positionId: string) => void file(positionId);
  return (
    <Box data-testid="file-by-tap" marginBottom="12px">
      <Heading as="h3" fontSize="16px" marginBottom="4px">
        Tap the part that {photographs.length === 1 ? 'it shows' : `these ${photographs.length} show`}
      </Heading>
      {refusal && <ErrorNotice>{refusal}</ErrorNotice>}
      {unitType.axes.length > 0 ? (
        <SectionDrawing unitType={unitType} parts={job.parts} selected={undefined} onOpen={open} most={330} />
      ) : (
        <PartList parts={job.parts} selected={undefined} onOpen={open} />
      )}
    </Box>
  );
}
