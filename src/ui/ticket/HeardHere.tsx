'use client';

import { Box } from '@chakra-ui/react';
import { recordingsOf } from '@/core/sound/recordingsOf';
import { heardPlaces, tellHeard, tellTold } from '@/core/sound/tellRecording';
import { type OfPart, useBench } from '../job/useBench';
import { Press } from '../kit/Press';

/** What recordings say of this part: look before it is called sound, or bad. */
export function HeardHere({ part, job }: OfPart) {
  const { place } = useBench();
  const { id } = part.position;
  const heard = recordingsOf(job.snapshot).flatMap(({ recording, told, heard: kept }) =>
    heardPlaces(kept?.content.heard ?? [])
      .filter((each) => each.place.split('·').includes(id))
      .map((each) => ({ recording, each, word: told ? tellTold(told.content.told) : '' })),
  );
  return heard.map(({ recording, each, word }) => (
    <Box key={`${recording.id} ${each.of}`} marginTop="12px" fontSize="15px" data-testid="heard-here">
      Heard {word}: {tellHeard(each)}, {Number(each.ratio.toFixed(1))} : 1 for damage here.{' '}
      <Press kind="quiet" onClick={() => place.goTo({ sound: recording.id })}>
        Listen to it
      </Press>
    </Box>
  ));
}
