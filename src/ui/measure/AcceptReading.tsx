'use client';

import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { JudgedCheck } from '@/core/wear/partStanding';
import { readingIds } from '@/core/wear/tooClose';
import { TOO_CLOSE_POLICIES } from '@/model/tooClose';
import { keptOr } from '../job/keptOr';
import type { BenchJob } from '../job/useJob';
import { longInstant } from '../kit/dates';
import { TextField } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';

interface AcceptReadingProps {
  readonly judged: JudgedCheck;
  readonly positionId: string;
  readonly job: BenchJob;
  readonly mayAccept: boolean;
}

/** What this shop does with a reading that is too close to call, and who took the risk. */
export function AcceptReading({ judged, positionId, job, mayAccept }: AcceptReadingProps) {
  const [reason, setReason] = useState('');
  const [trouble, setTrouble] = useState('');
  const { check, judgement, accepted } = judged;
  if (judgement.word !== 'too-close') return null;
  const { tooClosePolicy } = job.snapshot;
  const rule = TOO_CLOSE_POLICIES.find(({ id }) => id === tooClosePolicy)?.name;
  const accept = async () => {
    const readings = readingIds(judged.readings);
    const taken = job.take('acceptance', { positionId, checkId: check.id, readings, reason });
    setTrouble(await keptOr(taken, 'accept it again'));
    void job.sendWaiting();
  };
  return (
    <Box
      marginTop="8px"
      borderLeft="4px solid"
      borderColor="metal"
      paddingLeft="12px"
      data-testid="too-close"
    >
      {accepted ? (
        <>
          <strong>Accepted as printed by {accepted.by}</strong>, {longInstant(accepted.at)}: {accepted.reason}
          . The verdict stays what it is.
        </>
      ) : (
        <>In this job: {rule?.toLowerCase()}.</>
      )}
      {!accepted && tooClosePolicy === 'accept' && mayAccept && (
        <Box
          as="form"
          marginTop="8px"
          onSubmit={(event) => {
            event.preventDefault();
            void accept();
          }}
        >
          <TextField label="Why it may pass" value={reason} onText={setReason} />
          {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
          <Press type="submit" disabled={reason.trim() === ''}>
            Accept it as printed, in my name
          </Press>
        </Box>
      )}
    </Box>
  );
}
