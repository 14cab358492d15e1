'use client';

import { Box, chakra } from '@chakra-ui/react';
import { Picture } from '../job/Picture';
import type { BenchJob, ShownPhotograph } from '../job/useJob';
import { Press } from '../kit/Press';

interface PictureCellProps {
  readonly job: BenchJob;
  readonly photograph: ShownPhotograph;
  readonly chosen: boolean;
  readonly onChoose: () => void;
  readonly onOpen: () => void;
}

/** One photograph in the grid: pressed it opens, ticked it is chosen for the light table or for filing. */
export function PictureCell({ job, photograph, chosen, onChoose, onOpen }: PictureCellProps) {
  return (
    <Box outline={chosen ? '3px solid' : undefined} outlineColor="metal" data-cell={photograph.id}>
      <Press
        padding="0"
        border="none"
        display="block"
        width="100%"
        aria-label={`Open ${photograph.fileName}`}
        onClick={onOpen}
      >
        <Picture job={job} photograph={photograph} />
      </Press>
      <chakra.label
        display="flex"
        alignItems="center"
        gap="8px"
        minHeight="44px"
        fontSize="13px"
        cursor="pointer"
      >
        <chakra.input type="checkbox" width="22px" height="22px" checked={chosen} onChange={onChoose} />
        <Box as="span" overflow="hidden" textOverflow="ellipsis" whiteSpace="nowrap">
          {photograph.fileName}
        </Box>
      </chakra.label>
    </Box>
  );
}
