'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { identityKeysOf, identityOfPart, tellIdentity } from '@/core/strip/identityOfPart';
import { IDENTITY_KEYS, type IdentityKey } from '@/model/offers';
import type { Position } from '@/model/unitType';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { TextInput } from '../kit/Field';
import { figureOf } from '../kit/figureOf';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';

/** What stands on a part and by what it is told from one that looks like it: an order is held against it. */
export function MarksOfPart({ job, position }: OfJob & { readonly position: Position }) {
  const { rights } = useBench();
  const keep = useKeep(job);
  const keys = IDENTITY_KEYS.filter(({ id }) => identityKeysOf(position.family).includes(id));
  const found = identityOfPart(position, job.snapshot);
  const [opened, setOpened] = useState(false);
  const [mark, setMark] = useState('');
  const [typed, setTyped] = useState<Partial<Record<IdentityKey, string>>>({});
  const [trouble, setTrouble] = useState('');
  const told = tellIdentity(found);
  if (!rights.includes('capture.take') && told === '') return null;
  const put = async () => {
    const figures = keys.map(({ id, name, unit }) => ({ id, name, unit, value: figureOf(typed[id] ?? '') }));
    const bad = figures.find(({ value }) => value !== undefined && !(value > 0));
    if (bad) return setTrouble(`“${typed[bad.id]}” is no ${bad.name}.`);
    const contents = [
      ...(mark.trim() === '' ? [] : [{ what: 'mark-read' as const, mark: mark.trim() }]),
      ...figures.flatMap(({ id, value }) =>
        value === undefined ? [] : [{ what: 'identity-measured' as const, key: id, value }],
      ),
    ];
    if (contents.length === 0) return setTrouble('Nothing was typed yet.');
    for (const content of contents) {
      const wrong = await keep({ ...content, positionId: position.id }, `${position.name}: read off it`);
      if (wrong) return setTrouble(wrong);
    }
    setTrouble('');
    setMark('');
    setTyped({});
    setOpened(false);
  };
  return (
    <Box marginTop="12px" data-testid="marks-of-part">
      <Press
        kind="quiet"
        whiteSpace="normal"
        textAlign="left"
        aria-expanded={opened}
        color={found.against ? 'oxide' : undefined}
        onClick={() => setOpened(!opened)}
      >
        {told === '' ? 'Number or mark on it: not read yet' : `Read off it: ${told}`}
      </Press>
      {opened && rights.includes('capture.take') && (
        <Flex
          as="form"
          gap="8px"
          wrap="wrap"
          align="flex-end"
          onSubmit={(event) => {
            event.preventDefault();
            void put();
          }}
        >
          <Box as="label" flex="1 1 150px" fontSize="13px">
            number or mark on it
            <TextInput
              autoFocus
              maxLength={60}
              value={mark}
              onChange={({ target }) => setMark(target.value)}
            />
          </Box>
          {keys.map(({ id, name, unit }) => (
            <Box as="label" key={id} flex="0 1 110px" fontSize="13px">
              {name}
              {unit && `, ${unit}`}
              <TextInput
                inputMode="decimal"
                value={typed[id] ?? ''}
                onChange={({ target }) => setTyped({ ...typed, [id]: target.value })}
              />
            </Box>
          ))}
          <Press type="submit" kind="take">
            Put it down
          </Press>
          {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
        </Flex>
      )}
    </Box>
  );
}
