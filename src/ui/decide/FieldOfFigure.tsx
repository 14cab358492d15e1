'use client';

import { chakra } from '@chakra-ui/react';
import { useState } from 'react';
import { parseReading } from '@/core/quantity/parseReading';
import { TextInput } from '../kit/Field';
import { Press } from '../kit/Press';

interface FieldOfFigureProps {
  readonly label: string;
  readonly onFigure: (value: number) => Promise<void>;
}

/** One figure, put down with Enter; what is none says so and stays. */
export function FieldOfFigure({ label, onFigure }: FieldOfFigureProps) {
  const [raw, setRaw] = useState('');
  const [trouble, setTrouble] = useState('');
  return (
    <chakra.form
      display="inline-flex"
      gap="4px"
      alignItems="center"
      onSubmit={(event) => {
        event.preventDefault();
        const parsed = parseReading(raw);
        setTrouble(parsed.ok ? '' : parsed.message);
        if (!parsed.ok) return;
        void onFigure(parsed.value);
        setRaw('');
      }}
    >
      <TextInput
        aria-label={label}
        aria-invalid={trouble !== ''}
        title={trouble}
        width="84px"
        minHeight="36px"
        inputMode="decimal"
        value={raw}
        onChange={(event) => setRaw(event.target.value)}
      />
      <Press type="submit" minHeight="36px" disabled={raw.trim() === ''}>
        Put down
      </Press>
      {trouble && <chakra.span color="oxide">{trouble}</chakra.span>}
    </chakra.form>
  );
}
