'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { tellOpen } from '@/core/open/tellOpen';
import { type InventoryLine, inventoryQuestion } from '@/core/strip/inventory';
import type { Position } from '@/model/unitType';
import type { OfJob } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { TextInput } from '../kit/Field';
import { figureOf } from '../kit/figureOf';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';

/** What “there” says: as many as belong there, where the type says how many; else that it is there, and no figure. */
export const countedAs = ({ quantity }: Position, expected: number): { counted?: number } =>
  quantity === undefined ? {} : { counted: expected };

const countedBefore = (count: InventoryLine['count']): { counted?: number } =>
  count?.content.counted === undefined ? {} : { counted: count.content.counted };

/** One kind of piece: how many belong there, how many were counted, and whether they are the right ones. */
export function CountLine({ line, ...props }: OfJob & { readonly line: InventoryLine }) {
  const { position, expected, count, state } = line;
  const keep = useKeep(props.job);
  const [text, setText] = useState('');
  const [trouble, setTrouble] = useState('');
  const question = inventoryQuestion(line);
  const take = async (over: { counted?: number | undefined; wrong?: boolean }) => {
    const content = {
      ...({ what: 'count', version: 2, positionId: position.id, note: '' } as const),
      ...over,
    };
    const words = over.counted === undefined ? 'there' : `${over.counted} counted`;
    const wrong = await keep(content, `${position.name}: ${words}`);
    setTrouble(wrong ?? '');
    if (!wrong) setText('');
  };
  const counted = figureOf(text);
  return (
    <Box borderBottom="1px solid" borderColor="rule" paddingBlock="4px" data-piece={position.id}>
      <Flex align="center" gap="12px" wrap="wrap">
        <Box flex="1 1 220px">
          {position.name}
          <Box as="span" fontSize="13px" color="second">
            {' '}
            {expected === 1 ? '' : `${expected} belong there`}
          </Box>
        </Box>
        <Box flex="1 1 200px" color={question ? 'oxide' : 'second'}>
          {question ? tellOpen(question) : state === 'not-counted' ? 'not counted' : 'all there'}
        </Box>
        <Flex gap="4px">
          {expected > 1 && (
            <TextInput
              aria-label={`${position.name}, counted`}
              width="84px"
              inputMode="numeric"
              value={text}
              onChange={(event) => setText(event.target.value)}
              onKeyDown={(event) => {
                if (event.key !== 'Enter') return;
                // The step around it is done by its own key, never by a count's Enter.
                event.preventDefault();
                if (text.trim() !== '') void take({ counted });
              }}
            />
          )}
          <Press
            onClick={() => void take(counted === undefined ? countedAs(position, expected) : { counted })}
          >
            {text.trim() === '' ? (expected > 1 ? `All ${expected} there` : 'There') : 'Take'}
          </Press>
          <Press onClick={() => void take({ counted: 0 })} aria-label={`${position.name} is missing`}>
            Missing
          </Press>
          <Press
            onClick={() =>
              void take({ ...countedAs(position, expected), ...countedBefore(count), wrong: true })
            }
            aria-label={`${position.name} is not what belongs there`}
          >
            Wrong
          </Press>
        </Flex>
      </Flex>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}
