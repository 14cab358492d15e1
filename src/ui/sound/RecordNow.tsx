'use client';

import { Box, Flex } from '@chakra-ui/react';
import { Mic, Square } from 'lucide-react';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { useMicrophone } from './useMicrophone';

/** dB under full scale at the loudest: between these it is well recorded. */
const [QUIETEST, LOUDEST] = [-40, -1];
const SCALE_DB = 60;

/** The device's own microphone, with how loud it is and what to record. */
export function RecordNow({ onRecording }: { readonly onRecording: (file: File) => void }) {
  const { isOn, seconds, level, trouble, start, stop } = useMicrophone();
  const words =
    level < QUIETEST ? 'too quiet: go nearer' : level > LOUDEST ? 'too loud: go further away' : 'good';
  const part = Math.max(0, Math.min(1, 1 + level / SCALE_DB));
  return (
    <Box marginBottom="12px">
      <Press
        kind={isOn ? 'main' : 'take'}
        size="bench"
        onClick={() => {
          if (!isOn) return void start();
          void stop().then((file) => file && onRecording(file));
        }}
      >
        {isOn ? <Square size={20} aria-hidden /> : <Mic size={20} aria-hidden />}
        {isOn ? `Stop, ${Math.round(seconds)} s` : 'Record now'}
      </Press>
      {isOn && (
        <Flex align="center" gap="8px" marginTop="8px" data-testid="level">
          <Box
            flex="1"
            height="14px"
            border="1.5px solid"
            borderColor="ink"
            role="meter"
            aria-label="Loudness"
            aria-valuenow={Math.round(level)}
            aria-valuemin={-90}
            aria-valuemax={0}
          >
            <Box height="100%" width={`${part * 100}%`} bg={level > LOUDEST ? 'oxide' : 'blue'} />
          </Box>
          <Box fontSize="13px" flex="0 0 150px">
            {words}
          </Box>
        </Flex>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Box fontSize="13px" lineHeight="18px" color="second" marginTop="8px">
        Ten seconds and more at one speed in one gear, windows shut, the device on the floor near the unit;
        once on drive, once on coast. A second person holds the device. Or turn the unit slowly and evenly by
        hand and count the turns.
      </Box>
    </Box>
  );
}
