'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import type { Recorded } from '@/core/strip/recordsOf';
import { UNIT_SYMBOL } from '@/model/units';
import { type OfJob, useBench } from '../job/useBench';
import { TextField } from '../kit/Field';
import { figureOf } from '../kit/figureOf';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';

/** A figure that was taken once is worth asking for: it becomes a check, with limits where somebody knows them, and its first reading. */
export function FigureToCheck({ job, figure }: OfJob & { readonly figure: Recorded<'figure'> }) {
  const { rights, place } = useBench();
  const [isOpen, setOpen] = useState(false);
  const [typed, setTyped] = useState({ min: '', max: '', source: '' });
  const [trouble, setTrouble] = useState('');
  if (!rights.includes('unit-type.describe') || job.waiting.has(figure.id)) return null;
  if (!isOpen)
    return (
      <Press kind="quiet" onClick={() => setOpen(true)}>
        make it a check
      </Press>
    );
  const { positionId, raw, unit, gaugeId } = figure.content;
  const { id, version } = job.snapshot.job;
  const make = async () => {
    const [min, max] = [figureOf(typed.min), figureOf(typed.max)];
    for (const [text, limit] of [
      [typed.min, min],
      [typed.max, max],
    ] as const)
      if (limit !== undefined && Number.isNaN(limit)) return setTrouble(`“${text}” is no figure.`);
    const answer = await send<{ checkId: string }>('POST', `/api/v1/jobs/${id}/checks/from-figure`, {
      ...{ version, figureId: figure.id, source: typed.source },
      ...(min === undefined ? {} : { min }),
      ...(max === undefined ? {} : { max }),
    });
    if (!answer.ok) return setTrouble(answer.refusal.message);
    const { checkId } = answer.value;
    await job.refresh();
    await job.take('reading', { positionId, checkId, place: '', raw, unit, gaugeId }).kept;
    await job.strike('record', figure.id, 'it became a check');
    place.goTo({ check: checkId });
  };
  const field = (name: keyof typeof typed, label: string) => (
    <Box flex={name === 'source' ? '2 1 200px' : '1 1 90px'}>
      <TextField
        label={label}
        inputMode={name === 'source' ? 'text' : 'decimal'}
        value={typed[name]}
        onText={(text) => setTyped({ ...typed, [name]: text })}
      />
    </Box>
  );
  return (
    <Box
      as="form"
      data-testid="figure-to-check"
      onSubmit={(event) => {
        event.preventDefault();
        void make();
      }}
    >
      <Flex gap="8px" wrap="wrap">
        {field('min', `At least, ${UNIT_SYMBOL[unit]}`)}
        {field('max', `At most, ${UNIT_SYMBOL[unit]}`)}
        {field('source', 'Where the limit comes from')}
      </Flex>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Flex gap="8px">
        <Press type="submit" kind="main">
          Make it a check{typed.min === '' && typed.max === '' ? ' without a limit' : ''}
        </Press>
        <Press kind="quiet" onClick={() => setOpen(false)}>
          not now
        </Press>
      </Flex>
    </Box>
  );
}
