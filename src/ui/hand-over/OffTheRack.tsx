'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import type { BenchJob } from '../job/useJob';
import { longInstant } from '../kit/dates';
import { TextField } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';

/** The unit leaves the house: an act of somebody, which takes it off the rack and can be taken back. */
export function OffTheRack({ job, mayHandOver }: { readonly job: BenchJob; readonly mayHandOver: boolean }) {
  const [trouble, setTrouble] = useState('');
  /** Its rebuild is open: it leaves with a reason alone. */
  const [asks, setAsks] = useState(false);
  const [despite, setDespite] = useState('');
  const { id, peg, handedOver } = job.snapshot.job;
  const act = async (out: boolean) => {
    const answer = await send('PUT', `/api/v1/jobs/${id}/hand-over`, { handedOver: out, despite });
    setTrouble(answer.ok ? '' : answer.refusal.message);
    setAsks(!answer.ok && answer.refusal.details.faults?.[0]?.path === 'despite');
    await job.refresh();
  };
  return (
    <Box borderTop="2px solid" borderColor="ink" marginTop="16px" paddingTop="8px" data-testid="off-the-rack">
      <Flex justify="space-between" align="center" gap="12px" wrap="wrap">
        {handedOver ? (
          <span>
            Handed over by {handedOver.by}, {longInstant(handedOver.at)}. It is off the rack; peg {peg} finds
            it.
          </span>
        ) : (
          <span>The unit hangs on peg {peg}.</span>
        )}
        {mayHandOver && (
          <Press onClick={() => void act(!handedOver)}>
            {handedOver ? 'Hang it on the rack again' : 'The unit is handed over'}
          </Press>
        )}
      </Flex>
      {asks && (
        <TextField
          label="Why it leaves all the same"
          hint="It stays in the log, with your name."
          value={despite}
          onText={setDespite}
          maxLength={300}
        />
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}
