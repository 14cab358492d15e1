import { Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';

interface AskWhyProps {
  /** On the key that asks. */
  readonly words: string;
  /** What is asked, for who doesn’t see the field beside its key. */
  readonly asked: string;
  /** On the key that does it. */
  readonly act: string;
  /** Answers what is wrong. */
  readonly onWhy: (reason: string) => Promise<string | undefined>;
}

/** An act that wants a reason: a quiet key, which becomes a field and the act itself. */
export function AskWhy({ words, asked, act, onWhy }: AskWhyProps) {
  const [reason, setReason] = useState<string>();
  const [trouble, setTrouble] = useState('');
  if (reason === undefined)
    return (
      <Press kind="quiet" minHeight="44px" onClick={() => setReason('')}>
        {words}
      </Press>
    );
  return (
    <Flex
      as="form"
      gap="6px"
      wrap="wrap"
      onSubmit={async (event) => {
        event.preventDefault();
        const wrong = await onWhy(reason);
        setTrouble(wrong ?? '');
        if (wrong === undefined) setReason(undefined);
      }}
    >
      <TextInput
        autoFocus
        aria-label={asked}
        placeholder="Why?"
        value={reason}
        maxLength={200}
        onChange={(event) => setReason(event.target.value)}
      />
      <Press type="submit" disabled={reason.trim() === ''}>
        {act}
      </Press>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Flex>
  );
}
