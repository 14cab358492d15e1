'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { TextField } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press, PressLink } from '../kit/Press';
import { send } from '../kit/send';
import type { TypeHead } from './UnitTypes';

interface TypeActsProps {
  readonly type: Pick<TypeHead, 'id' | 'title'>;
  readonly mayKeep: boolean;
}

/** What can be done with a type beside describing it. */
export function TypeActs({ type, mayKeep }: TypeActsProps) {
  const [copying, setCopying] = useState(false);
  return (
    <Box padding="12px 16px 0">
      <Flex gap="8px" wrap="wrap">
        <PressLink href={`/unit-types/${type.id}/section`}>Section for paper</PressLink>
        <PressLink href={`/limits/${type.id}`}>Checks and limits</PressLink>
        <PressLink href={`/api/v1/unit-types/${type.id}`}>As a file (JSON)</PressLink>
        {mayKeep && (
          <Press aria-expanded={copying} onClick={() => setCopying(!copying)}>
            Copy
          </Press>
        )}
      </Flex>
      {copying && <CopyForm of={type} onDone={() => setCopying(false)} />}
    </Box>
  );
}

function CopyForm({ of, onDone }: { readonly of: TypeActsProps['type']; readonly onDone: () => void }) {
  const router = useRouter();
  const [newId, setNewId] = useState(`${of.id}-copy`.slice(0, 64));
  const [title, setTitle] = useState(`${of.title}, copy`.slice(0, 80));
  const [trouble, setTrouble] = useState('');
  const copy = async () => {
    const answer = await send('POST', `/api/v1/unit-types/${of.id}/copy`, { newId, title });
    if (!answer.ok) return setTrouble(answer.refusal.message);
    router.push(`/unit-types/${newId}`);
  };
  return (
    <Box
      as="form"
      maxWidth="480px"
      marginTop="16px"
      onSubmit={(event) => {
        event.preventDefault();
        void copy();
      }}
    >
      <Heading as="h2" fontSize="18px" marginBottom="8px">
        Copy {of.title}
      </Heading>
      <TextField
        label="Id of the copy"
        hint="Small letters, figures and hyphens."
        value={newId}
        onText={setNewId}
      />
      <TextField label="Called" value={title} onText={setTitle} />
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Flex gap="8px">
        <Press type="submit" kind="main">
          Make the copy
        </Press>
        <Press onClick={onDone}>Leave it</Press>
      </Flex>
    </Box>
  );
}
