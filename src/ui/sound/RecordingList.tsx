'use client';

import { Box } from '@chakra-ui/react';
import type { ToldRecording } from '@/core/sound/recordingsOf';
import { heardPlaces, tellTold } from '@/core/sound/tellRecording';
import { CaptureLine } from '../job/CaptureLine';
import type { BenchJob } from '../job/useJob';
import { Press } from '../kit/Press';

/** The recordings of this job: what is told of each, and what was heard. */
export function RecordingList({
  job,
  all,
  inHand,
  onChoose,
}: {
  readonly job: BenchJob;
  readonly all: readonly ToldRecording[];
  readonly inHand: string | undefined;
  readonly onChoose: (id: string) => void;
}) {
  return (
    <Box as="section" aria-label="Recordings">
      {all.map(({ recording, told, heard }) => (
        <CaptureLine key={recording.id} kind="recording" capture={recording} job={job}>
          <Press
            kind="quiet"
            whiteSpace="normal"
            textAlign="left"
            fontWeight={recording.id === inHand ? 650 : 400}
            aria-current={recording.id === inHand ? 'true' : undefined}
            onClick={() => onChoose(recording.id)}
          >
            {recording.fileName}
            {recording.seconds > 0 && `, ${Math.round(recording.seconds)} s`}
          </Press>
          <Box fontSize="13px" color="second">
            {told ? tellTold(told.content.told) : 'gear and speed not told yet'}
            {heard && `; ${placesWords(heardPlaces(heard.content.heard).length)}`}
          </Box>
        </CaptureLine>
      ))}
    </Box>
  );
}

const placesWords = (places: number): string =>
  places === 0 ? 'nothing of this unit heard' : places === 1 ? 'one place heard' : `${places} places heard`;
