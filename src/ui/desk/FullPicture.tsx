'use client';

import { Box, Flex, Grid, Heading } from '@chakra-ui/react';
import { ZoomIn, ZoomOut } from 'lucide-react';
import { useRef } from 'react';
import { marksOn } from '@/core/imaging/marks';
import type { Size } from '@/core/imaging/planes';
import { PICTURE_TOOLS, type PictureTool } from '../job/pictureTools';
import { type OfJob, useBench } from '../job/useBench';
import type { ShownPhotograph } from '../job/useJob';
import { longInstant } from '../kit/dates';
import { Press } from '../kit/Press';
import { lookedAt, useSizeOf } from '../picture/lookedAt';
import { MarksLayer } from '../picture/MarksLayer';
import { PicturePane } from '../picture/PicturePane';
import { usePane } from '../picture/usePane';
import type { Tool, Work } from '../picture-tools/tool';
import { useImaging } from '../picture-tools/useImaging';
import { useMarkTool } from '../picture-tools/useMarkTool';
import { useMeasureTool } from '../picture-tools/useMeasureTool';
import { useScaleTool } from '../picture-tools/useScaleTool';

const TOOL_WORDS: Record<PictureTool, string> = {
  look: 'Look',
  mark: 'Mark',
  lengths: 'Lengths',
  measure: 'Pattern, pits',
};

interface FullPictureProps extends OfJob {
  readonly photograph: ShownPhotograph;
  readonly tool: PictureTool;
  readonly onTool: (tool: PictureTool) => void;
}

/** One photograph with all its room. What still waits on this device is shown once its size was read from the file. */
export function FullPicture(props: FullPictureProps) {
  const size = useSizeOf(props.photograph);
  if (size === undefined) return <Box role="status">Reading the photograph …</Box>;
  if (size === 'unreadable')
    return (
      <Box role="status">
        This browser can’t show this photograph. It is kept, and is shown once the shop’s computer has it.
      </Box>
    );
  return <SizedPicture {...props} size={size} />;
}

/** Looked at closely, marked, measured; the tools stand beside it. */
function SizedPicture({ photograph, job, tool, onTool, size }: FullPictureProps & { readonly size: Size }) {
  const { rights } = useBench();
  const picture = lookedAt(job, photograph, size);
  const imaging = useImaging(picture);
  // Whether a finger draws or moves is only known once the tools have been asked, and they need the pane first.
  const drawing = useRef(false);
  const pane = usePane(picture, { drawing });
  const work: Work = {
    job,
    ...{ picture, pane, imaging },
    positionId: photograph.positionId,
    records: job.snapshot.records,
    mayTake: rights.includes('capture.take'),
  };
  const tools: Record<PictureTool, Tool> = {
    look: {
      overlay: <MarksLayer marks={marksOn(work.records, picture.id)} picture={picture} />,
      rail: <About photograph={photograph} partName={partNameOf(work)} />,
      drawing: false,
    },
    mark: useMarkTool(work),
    lengths: useScaleTool(work),
    measure: useMeasureTool(work, tool === 'measure'),
  };
  const active = tools[tool];
  drawing.current = active.drawing;
  return (
    <Grid
      templateColumns={{ base: '1fr', lg: 'minmax(0, 1fr) 380px' }}
      gap="16px"
      data-testid="full-picture"
      data-photograph={photograph.id}
    >
      <Box
        position="relative"
        height={{ base: '60vh', lg: 'calc(100dvh - 206px)' }}
        minHeight="420px"
        minWidth="0"
      >
        <PicturePane picture={picture} pane={pane} drawing={active.drawing}>
          {active.overlay}
        </PicturePane>
        <Flex
          role="group"
          aria-label="Nearer and farther"
          position="absolute"
          right="8px"
          bottom="8px"
          gap="4px"
          bg="bar"
        >
          <Press kind="onBlue" aria-label="Nearer" onClick={() => pane.zoomBy(1.4)}>
            <ZoomIn size={22} aria-hidden />
          </Press>
          <Press kind="onBlue" aria-label="Farther" onClick={() => pane.zoomBy(1 / 1.4)}>
            <ZoomOut size={22} aria-hidden />
          </Press>
          <Press kind="onBlue" onClick={pane.showWhole}>
            Whole
          </Press>
        </Flex>
      </Box>
      <Box minWidth="0">
        <Heading as="h3" fontSize="16px" overflowWrap="anywhere">
          {photograph.fileName}
        </Heading>
        <Flex role="group" aria-label="What to do with it" gap="4px" wrap="wrap" marginBlock="8px">
          {PICTURE_TOOLS.map((each) => (
            <Press
              key={each}
              chosen={each === tool}
              aria-pressed={each === tool}
              onClick={() => onTool(each)}
            >
              {TOOL_WORDS[each]}
            </Press>
          ))}
        </Flex>
        {active.rail}
      </Box>
    </Grid>
  );
}

const partNameOf = ({ job, positionId }: Work): string | undefined =>
  job.snapshot.unitType.positions.find(({ id }) => id === positionId)?.name;

function About({
  photograph,
  partName,
}: {
  readonly photograph: ShownPhotograph;
  readonly partName: string | undefined;
}) {
  const { width, height, author, takenAt, deviceTime, lens, waiting } = photograph;
  const lines = [
    partName ?? 'Not filed under a part yet',
    `${longInstant(takenAt ?? deviceTime)}, ${author}`,
    waiting ? 'Waits on this device' : `${width} × ${height} pixels`,
    lens ?? '',
  ];
  return (
    <Box as="ul" listStyleType="none" padding="0" color="second">
      {lines.filter(Boolean).map((line) => (
        <li key={line}>{line}</li>
      ))}
    </Box>
  );
}
