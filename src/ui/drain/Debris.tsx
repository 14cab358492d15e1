'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { type DebrisPiece, debrisBalance } from '@/core/strip/debris';
import { CaptureLine } from '../job/CaptureLine';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { Field, Select, TextField } from '../kit/Field';
import { figureOf } from '../kit/figureOf';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { OneOf } from '../kit/OneOf';
import { Press } from '../kit/Press';
import { useKept } from '../kit/useKept';

/** The debris balance: every piece that was found, and the part that accounts for it. */
export function Debris(props: OfJob) {
  const { job } = props;
  const { rights } = useBench();
  const pieces = debrisBalance(job.snapshot.records);
  const open = pieces.filter(({ match }) => !match).length;
  return (
    <Box as="section" aria-label="Debris balance" marginTop="32px" data-testid="debris">
      <Heading as="h3" fontSize="16px">
        Debris balance{pieces.length > 0 ? `: ${open === 0 ? 'closed' : `${open} open`}` : ''}
      </Heading>
      {pieces.length === 0 && (
        <EmptyState>
          Pieces found in the oil, on the magnet or in the case come here. Each waits until the part it broke
          off is found.
        </EmptyState>
      )}
      {pieces.map((piece) => (
        <CaptureLine key={piece.piece.id} kind="record" capture={{ ...piece.piece, struck: null }} job={job}>
          <OnePiece {...props} found={piece} />
        </CaptureLine>
      ))}
      {rights.includes('capture.take') && <AddPiece {...props} />}
    </Box>
  );
}

function OnePiece({ found, ...props }: OfJob & { readonly found: DebrisPiece }) {
  const { piece, match } = found;
  const { rights } = useBench();
  const { positions } = props.job.snapshot.unitType;
  const { piece: name, colour, lengthMm, where } = piece.content;
  const keep = useKeep(props.job);
  const [note, setNote] = useState('');
  const [chosen, setChosen] = useState('');
  const [trouble, setTrouble] = useState('');
  const told = [colour, lengthMm === undefined ? '' : `${lengthMm} mm`, where].filter((each) => each !== '');
  const source = positions.find(({ id }) => id === match?.content.positionId)?.name;
  const take = async (positionId: string | undefined) => {
    const content = {
      what: 'match' as const,
      debrisId: piece.id,
      note,
      ...(positionId === undefined ? {} : { positionId }),
    };
    if (positionId === undefined && note.trim() === '')
      return setTrouble('Say why its source can’t be found any more.');
    setTrouble((await keep(content, `${name} is accounted for`)) ?? '');
  };
  return (
    <Box>
      <strong>{name}</strong> ({told.join(', ')}):{' '}
      {match
        ? source
          ? `from ${source}`
          : `signed as lost: ${match.content.note}`
        : 'nothing accounts for it yet'}
      {!match && rights.includes('capture.take') && (
        <Flex gap="8px" wrap="wrap" align="flex-end">
          <Box flex="1 1 220px">
            <Field label={`${name} broke off`}>
              {(wiring) => (
                <Select {...wiring} value={chosen} onChange={(event) => setChosen(event.target.value)}>
                  <option value="">choose the part</option>
                  {positions.map(({ id, name: part }) => (
                    <option key={id} value={id}>
                      {part}
                    </option>
                  ))}
                </Select>
              )}
            </Field>
          </Box>
          <Press marginBottom="12px" disabled={chosen === ''} onClick={() => void take(chosen)}>
            It is from there
          </Press>
          <Box flex="1 1 220px">
            <TextField label="or can’t be found any more, because" value={note} onText={setNote} />
          </Box>
          <Press marginBottom="12px" onClick={() => void take(undefined)}>
            Sign it as lost
          </Press>
        </Flex>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}

const COLOURS = ['grey', 'yellow', 'black'] as const;

const NO_PIECE = { piece: '', where: 'in the sump', length: '' };

function AddPiece(props: OfJob) {
  const keep = useKeep(props.job);
  const [text, setText, forget] = useKept(`debris ${props.job.snapshot.job.id}`, NO_PIECE);
  const [colour, setColour] = useState<(typeof COLOURS)[number]>('grey');
  const [trouble, setTrouble] = useState('');
  const add = async () => {
    const lengthMm = figureOf(text.length);
    const wrong = await keep(
      {
        what: 'debris',
        piece: text.piece,
        where: text.where,
        colour,
        ...(lengthMm === undefined ? {} : { lengthMm }),
      },
      `${text.piece} is on the list`,
    );
    setTrouble(wrong ?? '');
    if (!wrong) forget();
  };
  return (
    <Box
      as="form"
      marginTop="12px"
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <Flex gap="12px" wrap="wrap" css={{ '& > *': { flex: '1 1 180px' } }}>
        <TextField
          label="A piece that was found"
          hint="Half a needle, a tooth tip, a sliver of brass."
          value={text.piece}
          onText={(piece) => setText({ ...text, piece })}
        />
        <TextField label="Where" value={text.where} onText={(where) => setText({ ...text, where })} />
        <TextField
          label="Length, mm"
          value={text.length}
          onText={(length) => setText({ ...text, length })}
          inputMode="decimal"
        />
      </Flex>
      <OneOf label="Colour of the piece" options={COLOURS} chosen={[colour]} onPress={setColour} />
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Press type="submit" disabled={text.piece.trim() === ''}>
        Put it on the list
      </Press>
    </Box>
  );
}
