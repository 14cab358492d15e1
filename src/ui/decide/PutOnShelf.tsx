'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { readAmount } from '@/core/planning/money';
import type { Money } from '@/model/money';
import { type OfJob, useBench } from '../job/useBench';
import { Select, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';

const GIVEN_UP: ReadonlySet<string> = new Set(['scrap', 'exchange', 'best-of-several']);

/** Of a unit that is given up, sound parts go on the shelf, each with its price. */
export function PutOnShelf({ job, money }: OfJob & { readonly money: Money }) {
  const { rights } = useBench();
  const sound = job.parts.filter(({ position, grade }) => grade !== null && grade <= 2 && !position.oneUse);
  const [part, setPart] = useState('');
  const [price, setPrice] = useState('');
  const [told, setTold] = useState('');
  const [trouble, setTrouble] = useState('');
  if (!rights.includes('prices.keep') || !GIVEN_UP.has(job.snapshot.unitDecision?.decision ?? ''))
    return null;
  if (sound.length === 0) return null;
  const put = async () => {
    const amount = readAmount(price, money);
    if (amount === undefined) return setTrouble(`“${price}” is no amount.`);
    const positionId = part || sound[0]!.position.id;
    const answer = await send('POST', '/api/v1/shelf', {
      jobId: job.snapshot.job.id,
      positionId,
      price: amount,
    });
    setTrouble(answer.ok ? '' : answer.refusal.message);
    if (!answer.ok) return;
    setTold(
      `${job.parts.find(({ position }) => position.id === positionId)?.position.name} lies on the shelf.`,
    );
    setPrice('');
  };
  return (
    <Box marginTop="8px" data-testid="put-on-shelf">
      <strong>{sound.length} sound parts can go on the shelf</strong>
      <Flex
        as="form"
        gap="6px"
        wrap="wrap"
        onSubmit={(event) => {
          event.preventDefault();
          void put();
        }}
      >
        <Select aria-label="Which part" value={part} onChange={(event) => setPart(event.target.value)}>
          {sound.map(({ position, grade }) => (
            <option key={position.id} value={position.id}>
              {position.name}, grade {grade}
            </option>
          ))}
        </Select>
        <TextInput
          aria-label={`Its price, ${money.sign}`}
          placeholder={`Price, ${money.sign}`}
          value={price}
          onChange={(event) => setPrice(event.target.value)}
        />
        <Press type="submit" disabled={price.trim() === ''}>
          On the shelf
        </Press>
      </Flex>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Box role="status">{told}</Box>
    </Box>
  );
}
