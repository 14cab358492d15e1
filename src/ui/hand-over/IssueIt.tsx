'use client';

import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { type BeforeIssue, isSettled } from '@/core/open/beforeIssue';
import { TextField } from '../kit/Field';
import { Press } from '../kit/Press';

interface IssueItProps {
  readonly before: BeforeIssue;
  /** Captures of this unit that wait on this very device. */
  readonly waitingHere: number;
  readonly words: string;
  /** Left out for who may not issue. */
  readonly onIssue?: (reason: string) => void;
}

/** Before a report goes out: what isn't in it yet, what is done but not decided, what is open. With a reason it goes all the same. */
export function IssueIt({ before, waitingHere, words, onIssue }: IssueItProps) {
  const [reason, setReason] = useState('');
  const { undecided, open } = before;
  const settled = isSettled(before) && waitingHere === 0;
  return (
    <Box marginTop="8px">
      {!settled && (
        <Box borderLeft="4px solid" borderColor="oxide" paddingLeft="12px" data-testid="before-issue">
          <strong>Before it goes out</strong>
          {waitingHere > 0 && (
            <Box>
              What waits on this device is not in it: {waitingHere}{' '}
              {waitingHere === 1 ? 'capture' : 'captures'}.
            </Box>
          )}
          {before.devices.map(({ deviceId, person, waiting }) => (
            <Box key={deviceId}>
              What waits on a device of {person} is not in it: {waiting}{' '}
              {waiting === 1 ? 'capture' : 'captures'}.
            </Box>
          ))}
          {undecided.length > 0 && <Box>Graded, but not decided: {undecided.join(', ')}.</Box>}
          {open > 0 && (
            <Box>
              {open === 1 ? 'One question is' : `${open} questions are`} open, told below under “Not settled”.
            </Box>
          )}
          {onIssue && (
            <TextField
              label="Why it goes out all the same"
              hint="It stands in the report, with your name."
              value={reason}
              onText={setReason}
              maxLength={300}
            />
          )}
        </Box>
      )}
      {onIssue && (
        <Press
          kind="main"
          size="bench"
          marginTop="8px"
          disabled={!settled && reason.trim() === ''}
          onClick={() => onIssue(reason.trim())}
        >
          {words}
        </Press>
      )}
    </Box>
  );
}
