'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { TextField } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';

interface CannotBeDoneProps {
  readonly label?: string;
  /** Keeps the reason; answers what is wrong. */
  readonly onKeep: (reason: string) => Promise<string | undefined>;
}

/** A key that asks why, and keeps it only with a reason. */
export function CannotBeDone({ label = 'Can’t be done', onKeep }: CannotBeDoneProps) {
  const [why, setWhy] = useState<string>();
  const [trouble, setTrouble] = useState('');
  if (why === undefined) return <Press onClick={() => setWhy('')}>{label}</Press>;
  const keep = async () => {
    const wrong = why.trim() === '' ? 'Say why it can’t be done.' : await onKeep(why);
    setTrouble(wrong ?? '');
    if (!wrong) setWhy(undefined);
  };
  return (
    <Box
      as="form"
      flex="1 1 260px"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <TextField label="It can’t be done because" value={why} onText={setWhy} />
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Flex gap="8px">
        <Press type="submit">Put it down</Press>
        <Press kind="quiet" onClick={() => setWhy(undefined)}>
          not so
        </Press>
      </Flex>
    </Box>
  );
}
