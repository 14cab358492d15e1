'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { formatNumber } from '@/core/quantity/format';
import { wrenchHolds } from '@/core/setup/torqueStages';
import { TextInput } from '../kit/Field';
import { figureOf } from '../kit/figureOf';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import { useKept } from '../kit/useKept';

const NONE = { min: '', max: '' };

/** The wrench in hand by its range, and whether that bars a value, N·m. A range that nobody gave bars nothing. */
export function useWrenchInHand(value: number | undefined) {
  const [range, setRange] = useKept<typeof NONE>('wrench in hand', NONE);
  const [min, max] = [figureOf(range.min), figureOf(range.max)];
  const isKnown = max !== undefined && max > 0 && !Number.isNaN(min ?? 0);
  const isBarred = value !== undefined && isKnown && !wrenchHolds(value, { min: min ?? 0, max });
  return { range, setRange, isBarred };
}

interface TheWrenchProps {
  /** N·m that it must hold now. */
  readonly value: number;
  readonly inHand: ReturnType<typeof useWrenchInHand>;
  readonly pull: { readonly bolt: number; readonly bolts: number; readonly isLast: boolean };
  readonly onPull: (pull: { readonly peak: number; readonly turned: boolean }) => void;
}

/** Whether the wrench in hand may be trusted with this value, and the bench’s own electronic one, whose pulls are ticks with a figure. */
export function TheWrench({ value, inHand: { range, setRange, isBarred }, pull, onPull }: TheWrenchProps) {
  const [trouble, setTrouble] = useState('');
  const fromWrench = async () => {
    const answer = await send<{ peak: number; turned: boolean }>('POST', '/api/v1/bench-wrench', {
      value,
      ...pull,
    });
    setTrouble(answer.ok ? '' : answer.refusal.message);
    if (answer.ok) onPull(answer.value);
  };
  return (
    <Box marginTop="6px">
      <Flex gap="6px" align="center" wrap="wrap" fontSize="13px">
        <span>Wrench in hand, N·m:</span>
        {(['min', 'max'] as const).map((end) => (
          <TextInput
            key={end}
            aria-label={end === 'min' ? 'Its range from' : 'Its range to'}
            placeholder={end === 'min' ? 'from' : 'to'}
            inputMode="decimal"
            width="76px"
            value={range[end]}
            onChange={(event) => setRange({ ...range, [end]: event.target.value })}
          />
        ))}
        <Press kind="quiet" onClick={() => void fromWrench()}>
          Pull the bench’s wrench (simulated)
        </Press>
      </Flex>
      {isBarred && (
        <Box color="oxide" fontWeight={650} data-testid="wrong-wrench">
          Not with this wrench: {formatNumber(value, 0)} N·m lies outside 20 to 95 % of its range. Take
          another one.
        </Box>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}
