'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import type { CauseNetwork } from '@/model/causeNetwork';
import { TextInput } from '../kit/Field';
import { Press } from '../kit/Press';

interface GuessFirstProps {
  readonly network: CauseNetwork;
  /** The causes that this kind of unit can have. */
  readonly possible: ReadonlySet<string>;
  readonly onGuess: (roots: readonly string[]) => void;
}

const MOST = 3;

/** Before the ranking opens the inspector says what he thinks himself, or declines: what one has read one can't un-read. */
export function GuessFirst({ network, possible, onGuess }: GuessFirstProps) {
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const [wanted, setWanted] = useState('');
  const roots = network.nodes.filter(
    ({ id, kind, name, plain = '' }) =>
      kind === 'root' &&
      possible.has(id) &&
      `${name} ${plain}`.toLowerCase().includes(wanted.trim().toLowerCase()),
  );
  const toggle = (id: string) =>
    setChosen((before) =>
      before.includes(id) ? before.filter((each) => each !== id) : [...before, id].slice(-MOST),
    );
  return (
    <Box data-testid="guess-first">
      <Heading as="h2">What do you think yourself?</Heading>
      <Box>
        Say it before the ranking opens, up to three; it is kept beside the conclusion. Who would rather not,
        need not.
      </Box>
      <TextInput
        aria-label="Search the causes"
        placeholder="search"
        marginBlock="8px"
        value={wanted}
        maxLength={40}
        onChange={(event) => setWanted(event.target.value)}
      />
      <Flex gap="6px" wrap="wrap" maxHeight="46vh" overflowY="auto">
        {roots.map(({ id, name }) => (
          <Press
            key={id}
            chosen={chosen.includes(id)}
            aria-pressed={chosen.includes(id)}
            onClick={() => toggle(id)}
          >
            {name}
          </Press>
        ))}
      </Flex>
      <Flex gap="8px" marginTop="12px">
        <Press kind="main" size="bench" disabled={chosen.length === 0} onClick={() => onGuess(chosen)}>
          That is my guess
        </Press>
        <Press size="bench" onClick={() => onGuess([])}>
          I’d rather not say
        </Press>
      </Flex>
    </Box>
  );
}
