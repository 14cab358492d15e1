'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Actor } from '@/model/people';
import type { Right } from '@/model/rights';
import { PageHead } from '../frame/PageHead';
import { TextField } from '../kit/Field';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { Press, PressLink } from '../kit/Press';
import { send } from '../kit/send';
import { Table } from '../kit/Table';
import { BringIn } from './BringIn';

interface TypeHead {
  readonly id: string;
  readonly title: string;
  readonly family: string;
  readonly revision: number;
}

/** The unit types that the shop has described: to look at, take out as a file, copy, and bring in. */
export function UnitTypes({
  unitTypes,
  actor,
  rights,
}: {
  readonly unitTypes: readonly TypeHead[];
  readonly actor: Actor;
  readonly rights: readonly Right[];
}) {
  const mayKeep = rights.includes('unit-type.keep');
  const [copying, setCopying] = useState<TypeHead>();
  return (
    <Box>
      <PageHead
        title="Unit types"
        {...(rights.includes('job.read') ? { back: { href: '/', words: 'Back to the rack' } } : {})}
        actor={actor}
      />
      <Box as="main" padding="16px" maxWidth="1280px">
        {unitTypes.length === 0 && <EmptyState>The types that somebody has described come here.</EmptyState>}
        <Table heads={['Type', 'Family', 'Revision', '']} label="Unit types">
          {unitTypes.map((type) => (
            <tr key={type.id}>
              <td>
                <strong>{type.title}</strong>
                <Box fontSize="13px" color="second">
                  {type.id}
                </Box>
              </td>
              <td>{type.family}</td>
              <td>{type.revision}</td>
              <td>
                <Flex gap="8px" wrap="wrap">
                  <PressLink href={`/unit-types/${type.id}`}>
                    {mayKeep ? 'Look and describe' : 'Look at it'}
                  </PressLink>
                  <PressLink href={`/unit-types/${type.id}/section`}>Section for paper</PressLink>
                  <PressLink href={`/limits/${type.id}`}>Checks and limits</PressLink>
                  <PressLink href={`/api/v1/unit-types/${type.id}`}>As a file (JSON)</PressLink>
                  {mayKeep && <Press onClick={() => setCopying(type)}>Copy</Press>}
                </Flex>
              </td>
            </tr>
          ))}
        </Table>
        {unitTypes.length > 0 && (
          <PressLink href="/type-sheet" marginTop="12px">
            All of them on one sheet
          </PressLink>
        )}
        {copying && <CopyForm key={copying.id} of={copying} onDone={() => setCopying(undefined)} />}
        {mayKeep && <BringIn />}
      </Box>
    </Box>
  );
}

function CopyForm({ of, onDone }: { readonly of: TypeHead; readonly onDone: () => void }) {
  const router = useRouter();
  const [newId, setNewId] = useState(`${of.id}-copy`.slice(0, 64));
  const [title, setTitle] = useState(`${of.title}, copy`.slice(0, 80));
  const [trouble, setTrouble] = useState('');
  const copy = async () => {
    const answer = await send('POST', `/api/v1/unit-types/${of.id}/copy`, { newId, title });
    if (!answer.ok) return setTrouble(answer.refusal.message);
    onDone();
    router.refresh();
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
