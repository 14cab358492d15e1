'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import type { OfJob } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { Select, TextField } from '../kit/Field';
import { figureOf } from '../kit/figureOf';
import { ErrorNotice } from '../kit/Notice';
import { OneOf } from '../kit/OneOf';
import { Press } from '../kit/Press';
import { useKept } from '../kit/useKept';

const COLOURS = ['grey', 'yellow', 'black'] as const;
/** Debris that was trapped is found long after draining: it belongs into the same balance. */
const WHERE = [
  'in the oil',
  'on the magnet',
  'in the sump',
  'in a port',
  'in a tube',
  'in a pocket',
] as const;
const KINDS = [
  'half a needle',
  'a roller',
  'corner of a tooth',
  'a sliver',
  'dust',
  'a piece of ring',
  'a piece of clip',
] as const;

const NO_PIECE = { piece: '', where: 'in the sump', length: '', diameter: '', photographId: '' };

/** One piece: what it is, its colour, where it lay, how large, and its photograph. */
export function PieceForm({ job, onDone }: OfJob & { readonly onDone: () => void }) {
  const keep = useKeep(job);
  const [text, setText, forget] = useKept(`piece of debris ${job.snapshot.job.id}`, NO_PIECE);
  const [colour, setColour] = useState<(typeof COLOURS)[number]>();
  const [trouble, setTrouble] = useState('');
  const first = useRef<HTMLDivElement>(null);
  useEffect(() => first.current?.querySelector('input')?.focus(), []);
  const pictures = job.photographs.filter(({ struck }) => !struck);
  const add = async () => {
    const [lengthMm, diameterMm] = [figureOf(text.length), figureOf(text.diameter)];
    if (text.piece.trim() === '') return setTrouble('What is it? Half a needle, the corner of a tooth.');
    if (!colour) return setTrouble('Of which colour? It tells where it may be from.');
    for (const [typed, figure] of [
      [text.length, lengthMm],
      [text.diameter, diameterMm],
    ] as const)
      if (figure !== undefined && Number.isNaN(figure)) return setTrouble(`“${typed}” is no figure.`);
    const wrong = await keep(
      {
        ...{ what: 'debris', piece: text.piece, where: text.where, colour },
        ...(lengthMm === undefined ? {} : { lengthMm }),
        ...(diameterMm === undefined ? {} : { diameterMm }),
        ...(text.photographId === '' ? {} : { photographId: text.photographId }),
      },
      `${text.piece} is in the balance`,
    );
    setTrouble(wrong ?? '');
    if (wrong) return;
    forget();
    onDone();
  };
  return (
    <Box
      as="form"
      border="2px solid"
      borderColor="ink"
      padding="10px"
      marginBottom="8px"
      data-testid="piece-form"
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <Box ref={first}>
        <TextField
          label="A piece that was found"
          value={text.piece}
          onText={(piece) => setText({ ...text, piece })}
        />
      </Box>
      <OneOf
        label="or one of these"
        options={KINDS}
        chosen={KINDS.filter((kind) => kind === text.piece)}
        onPress={(piece) => setText({ ...text, piece })}
      />
      <OneOf
        label="Colour of the piece"
        options={COLOURS}
        chosen={colour ? [colour] : []}
        onPress={setColour}
      />
      <OneOf
        label="Where it lay"
        options={WHERE}
        chosen={WHERE.filter((each) => each === text.where)}
        onPress={(where) => setText({ ...text, where })}
      />
      <Flex gap="12px" wrap="wrap" css={{ '& > *': { flex: '1 1 120px' } }}>
        <TextField label="or elsewhere" value={text.where} onText={(where) => setText({ ...text, where })} />
        <TextField
          label="Length, mm"
          inputMode="decimal"
          value={text.length}
          onText={(length) => setText({ ...text, length })}
        />
        <TextField
          label="Diameter, mm"
          inputMode="decimal"
          value={text.diameter}
          onText={(diameter) => setText({ ...text, diameter })}
        />
        {pictures.length > 0 && (
          <Select
            aria-label="Its photograph"
            value={text.photographId}
            onChange={(event) => setText({ ...text, photographId: event.target.value })}
          >
            <option value="">no photograph of it</option>
            {pictures.map(({ id, fileName }) => (
              <option key={id} value={id}>
                {fileName}
              </option>
            ))}
          </Select>
        )}
      </Flex>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Press type="submit" kind="take" size="bench">
        Set the piece down
      </Press>
    </Box>
  );
}
