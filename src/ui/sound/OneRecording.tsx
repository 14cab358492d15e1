'use client';

import { Box } from '@chakra-ui/react';
import { useRef, useState } from 'react';
import type { ToldRecording } from '@/core/sound/recordingsOf';
import type { ShownRecording } from '../job/overlay';
import type { OfJob } from '../job/useBench';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { HeardInIt, InOneLine } from './HeardInIt';
import { OrderChart } from './OrderChart';
import { Spectrogram } from './Spectrogram';
import { TellRecording } from './TellRecording';
import { useHearing } from './useHearing';
import { useSource } from './useSource';

/** One recording: played back over its picture, what is told of it, and what of the unit is heard. */
export function OneRecording({ job, of }: OfJob & { readonly of: ToldRecording }) {
  const recording: ShownRecording = of.recording;
  const { unitType } = job.snapshot;
  const told = of.told?.content.told;
  const { source, address } = useSource(job.snapshot.job.id, recording);
  const hearing = useHearing(source, unitType, told);
  const player = useRef<HTMLAudioElement>(null);
  const [second, setSecond] = useState(0);
  const [picked, setPicked] = useState<number>();
  const goTo = (to: number) => {
    if (player.current) player.current.currentTime = to;
    setSecond(to);
  };
  return (
    <Box data-testid="one-recording">
      {hearing.state === 'at work' && <EmptyState>{hearing.words}</EmptyState>}
      {hearing.state === 'failed' && <ErrorNotice>{hearing.message}.</ErrorNotice>}
      {hearing.state === 'heard' && <InOneLine result={hearing.result} />}
      {hearing.state === 'heard' && (
        <Spectrogram result={hearing.result} second={second} onSecond={goTo} picked={picked} />
      )}
      {/* biome-ignore lint/a11y/useMediaCaption: it is a gearbox, nobody speaks. */}
      <audio
        ref={player}
        controls
        preload="none"
        src={address}
        aria-label="Play the recording"
        style={{ width: '100%', height: '36px', margin: '6px 0' }}
        onTimeUpdate={({ currentTarget }) => setSecond(currentTarget.currentTime)}
      />
      <TellRecording job={job} recording={recording} told={told} />
      {hearing.state === 'heard' && (
        <>
          <OrderChart result={hearing.result} picked={picked} onPick={setPicked} />
          <HeardInIt {...{ job, of }} result={hearing.result} picked={picked} onPick={setPicked} />
        </>
      )}
    </Box>
  );
}
