'use client';

import { Box, Heading } from '@chakra-ui/react';
import type { BenchJob, ShownPhotograph } from '../job/useJob';
import { ErrorNotice } from '../kit/Notice';
import { useFiling } from '../photographs/useFiling';
import { PartList } from '../section/PartList';
import { SectionDrawing } from '../section/SectionDrawing';

interface FileByTapProps {
  readonly job: BenchJob;
  readonly photographs: readonly ShownPhotograph[];
  readonly onFiled: () => void;
}

/** One tap on the section files the chosen photographs under the part that was tapped. */
export function FileByTap({ job, photographs, onFiled }: FileByTapProps) {
  const { refusal, file } = useFiling(job);
  const { unitType } = job.snapshot;
  const open = (positionId: string) => void file(photographs, positionId).then((filed) => filed && onFiled());
  return (
    <Box data-testid="file-by-tap" marginBottom="12px">
      <Heading as="h3" fontSize="16px" marginBottom="4px">
        Tap the part that {photographs.length === 1 ? 'it shows' : `these ${photographs.length} show`}
      </Heading>
      {refusal && <ErrorNotice>{refusal}</ErrorNotice>}
      {unitType.axes.length > 0 ? (
        <SectionDrawing unitType={unitType} parts={job.parts} selected={undefined} onOpen={open} most={330} />
      ) : (
        <PartList parts={job.parts} words={job.snapshot.catalogs} selected={undefined} onOpen={open} />
      )}
    </Box>
  );
}
