'use client';

import { Box, chakra, Flex, Heading } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { modesOf } from '@/catalog/damageWords';
import { shippedGradeRules } from '@/catalog/gradeRules';
import type { Fault } from '@/core/unit-type/fault';
import { partState } from '@/core/wear/partStanding';
import type { UnitType } from '@/model/unitType';
import { Field, TextArea, TextField } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import { SectionDrawing } from '../section/SectionDrawing';

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
      <Field label="File (JSON)">
        {(wiring) => (
          <chakra.input
            {...wiring}
            type="file"
            accept=".json,application/json"
            minHeight="44px"
            onChange={(event) => void event.target.files?.[0]?.text().then(change)}
          />
        )}
      </Field>
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
          <Faults faults={found.faults} />
          {found.type && <Preview type={found.type} ratios={found.ratios} />}
          {found.type && found.mayBeStored && (
            <Box maxWidth="640px" marginTop="12px">
              <TextField label="What is new in it" value={note} onText={setNote} />
              <Press kind="main" disabled={note.trim() === ''} onClick={() => void store(found.revision)}>
                {found.revision === 1
                  ? 'Store it as a new type'
                  : `Store it as revision ${found.revision} of ${found.type.id}`}
              </Press>
            </Box>
          )}
        </Box>
      )}
    </Box>
  );
}

const BLOCKS: Record<Fault['blocks'], string> = {
  train: 'keeps the train from being solved',
  section: 'keeps it from being drawn',
  nothing: 'a hint, it keeps nothing from working',
};

function Faults({ faults }: { readonly faults: readonly Fault[] }) {
  if (faults.length === 0) return <Box>Nothing is wrong with it.</Box>;
  return (
    <Box as="ul" paddingLeft="20px">
      {faults.map(({ path, message, blocks }) => (
        <Box as="li" key={`${path} ${message}`} color={blocks === 'nothing' ? undefined : 'oxide'}>
          <strong>{path || 'the whole'}</strong>: {message} ({BLOCKS[blocks]})
        </Box>
      ))}
    </Box>
  );
}

function Preview({ type, ratios }: { readonly type: UnitType; readonly ratios: LookedAt['ratios'] }) {
  const parts = useMemo(() => {
    const nothing = {
      readings: [],
      findings: [],
      grades: [],
      gauges: [],
      tooClosePolicy: 'hold' as const,
      acceptances: [],
      unitType: type,
    };
    return type.positions.map((position) =>
      partState(position, nothing, shippedGradeRules, modesOf(position.family)),
    );
  }, [type]);
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
      {type.axes.length > 0 && (
        <SectionDrawing unitType={type} parts={parts} selected={undefined} onOpen={() => undefined} />
      )}
    </Box>
  );
}
