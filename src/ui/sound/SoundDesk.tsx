'use client';

import { Box, Flex, Grid, Heading } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { recordingsOf } from '@/core/sound/recordingsOf';
import { MOST_RECORDING_BYTES } from '@/core/sound/wav';
import { type OfJob, useBench } from '../job/useBench';
import { FileDrop } from '../kit/FileDrop';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { OneRecording } from './OneRecording';
import { RecordingList } from './RecordingList';
import { RecordNow } from './RecordNow';
import { endSoundWorker, soundWorker } from './soundWorker';
import { takeRecording } from './takeRecording';

const WAV = {
  'audio/wav': ['.wav'],
  'audio/x-wav': ['.wav'],
  'audio/wave': ['.wav'],
  'audio/vnd.wave': ['.wav'],
};

/** The noise of this job as it was recorded, held against what its unit can make. */
export function SoundDesk({ job }: OfJob) {
  const { actor, place, rights } = useBench();
  const all = recordingsOf(job.snapshot);
  const inHand = all.find(({ recording }) => recording.id === place.sound) ?? all.at(-1);
  const [trouble, setTrouble] = useState('');
  useEffect(() => {
    soundWorker();
    return endSoundWorker;
  }, []);
  const take = async (file: File) => {
    setTrouble('');
    const taken = await takeRecording(job, actor, place.station, file);
    if ('trouble' in taken) setTrouble(taken.trouble);
    else place.goTo({ sound: taken.id });
  };
  return (
    <Box padding={{ base: '12px', md: '12px 16px' }} data-testid="sound-desk">
      <Flex justify="space-between" align="baseline" gap="12px" wrap="wrap" marginBottom="8px">
        <Heading as="h2" fontSize="24px" lineHeight="30px">
          The noise, recorded
        </Heading>
        <Press onClick={() => place.goTo({ sound: null })}>Back to the station</Press>
      </Flex>
      <Grid templateColumns={{ base: 'minmax(0, 1fr)', lg: '300px minmax(0, 1fr)' }} gap="24px">
        <Box order={{ base: 2, lg: 1 }}>
          {rights.includes('capture.take') && (
            <>
              <RecordNow onRecording={(file) => void take(file)} />
              <FileDrop
                label="Or bring one"
                what="a WAV file"
                accept={WAV}
                most={MOST_RECORDING_BYTES}
                onFile={(file) => void take(file)}
              />
              {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
            </>
          )}
          <RecordingList
            {...{ job, all }}
            inHand={inHand?.recording.id}
            onChoose={(id) => place.goTo({ sound: id })}
          />
        </Box>
        <Box order={{ base: 1, lg: 2 }} minWidth="0">
          {inHand ? (
            <OneRecording key={inHand.recording.id} job={job} of={inHand} />
          ) : (
            <EmptyState>
              Nothing is recorded yet. A recording with gear and speed tells a pinion bearing from a carrier
              bearing before anything is taken apart.
            </EmptyState>
          )}
        </Box>
      </Grid>
    </Box>
  );
}
