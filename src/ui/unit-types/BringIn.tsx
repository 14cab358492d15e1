'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Fault } from '@/core/unit-type/fault';
import type { UnitType } from '@/model/unitType';
import { Field, TextArea, TextField } from '../kit/Field';
import { FileDrop } from '../kit/FileDrop';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import { FaultList } from './FaultList';
import { TypeDrawing } from './TypeDrawing';

interface LookedAt {
  readonly type?: UnitType;
  readonly faults: readonly Fault[];
  readonly revision: number;
  readonly ratios: readonly { readonly gear: string; readonly words: string }[];
  readonly mayBeStored: boolean;
}

/** A description out of a file: every fault with its path, the drawing and the ratios that it makes, then stored or not. */
export function BringIn() {
  const router = useRouter();
  const [text, setText] = useState('');
  const [note, setNote] = useState('');
  const [found, setFound] = useState<LookedAt>();
  const [trouble, setTrouble] = useState('');
  const [stored, setStored] = useState('');
  const change = (next: string) => {
    setText(next);
    setFound(undefined);
    setTrouble('');
    setStored('');
  };
  const look = async () => {
    const answer = await send<LookedAt>('POST', '/api/v1/unit-types', { text });
    setTrouble(answer.ok ? '' : answer.refusal.message);
    setFound(answer.ok ? answer.value : undefined);
  };
  const store = async (revision: number) => {
    const answer = await send<{ unitTypeId: string; revision: number }>('PUT', '/api/v1/unit-types', {
      text,
      note,
      revision,
    });
    if (!answer.ok) return setTrouble(answer.refusal.message);
    change('');
    setStored(`${answer.value.unitTypeId} is stored as revision ${answer.value.revision}.`);
    router.refresh();
  };
  return (
    <Box as="section" aria-label="Bring a description in" marginTop="32px">
      <Heading as="h2" fontSize="18px" marginBottom="8px">
        Bring a description in
      </Heading>
      <FileDrop
        label="File (JSON)"
        what="a JSON file"
        accept={{ 'application/json': ['.json'] }}
        onFile={(file) => void file.text().then(change)}
      />
      <Field label="Or pasted">
        {(wiring) => (
          <TextArea
            {...wiring}
            rows={5}
            fontSize="13px"
            value={text}
            onChange={(event) => change(event.target.value)}
          />
        )}
      </Field>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      {stored && <Box role="status">{stored}</Box>}
      <Press onClick={() => void look()} disabled={text.trim() === ''}>
        Look at it
      </Press>
      {found && (
        <Box marginTop="16px" data-testid="looked-at">
          <FaultList faults={found.faults} of={found.type} />
          {found.type && <Preview type={found.type} ratios={found.ratios} />}
          {found.type && found.mayBeStored && (
            <Box maxWidth="640px" marginTop="12px">
              <TextField label="What is new in it" value={note} onText={setNote} />
              <Press kind="main" disabled={note.trim() === ''} onClick={() => void store(found.revision)}>
                {found.revision === 1
                  ? 'Store it as a new type'
                  : `Store it as revision ${found.revision} of ${found.type.title}`}
              </Press>
            </Box>
          )}
        </Box>
      )}
    </Box>
  );
}

function Preview({ type, ratios }: { readonly type: UnitType; readonly ratios: LookedAt['ratios'] }) {
  return (
    <Box marginTop="12px">
      <strong>{type.title}</strong>, {type.positions.length} parts
      <Flex gap="16px" wrap="wrap" marginBlock="4px">
        {ratios.map(({ gear, words }) => (
          <span key={gear}>
            {gear}: <strong>{words}</strong>
          </span>
        ))}
      </Flex>
      <TypeDrawing unitType={type} onOpen={() => undefined} />
    </Box>
  );
}
