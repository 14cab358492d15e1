'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { formatNumber } from '@/core/quantity/format';
import { convert } from '@/core/quantity/units';
import type { RecordOf } from '@/model/recordKinds';
import { TextField } from '../kit/Field';
import { figureOf } from '../kit/figureOf';
import { useReadsIn } from '../kit/figures';
import { Press } from '../kit/Press';

type Shims = NonNullable<RecordOf<'step'>['shims']>;

/** The shims of one stack, each with its thickness, in the order in which they lay. */
export function ShimPack({
  name,
  positionId,
  pieces,
  onChange,
}: {
  readonly name: string;
  readonly positionId: string;
  readonly pieces: Shims;
  readonly onChange: (pieces: Shims) => void;
}) {
  const [text, setText] = useState('');
  const unit = useReadsIn() === 'inch' ? 'thou' : 'mm';
  const typed = figureOf(text);
  // To a tenth of a micrometre: what a thou is in millimetres has no end of decimals that mean anything.
  const thicknessMm = typed && Number(convert(typed, unit, 'mm').toFixed(4));
  const show = (mm: number) => formatNumber(convert(mm, 'mm', unit), unit === 'mm' ? 2 : 1);
  const sum = pieces.reduce((all, piece) => all + piece.thicknessMm, 0);
  return (
    <Box marginBottom="12px">
      <Flex gap="8px" align="flex-end" wrap="wrap">
        <Box flex="0 1 240px">
          <TextField
            label={`${name}: a shim, ${unit}`}
            hint="As they lie, from the case inward."
            value={text}
            onText={setText}
            inputMode="decimal"
          />
        </Box>
        <Press
          marginBottom="36px"
          disabled={!thicknessMm}
          onClick={() => {
            onChange([...pieces, { positionId, thicknessMm: thicknessMm! }]);
            setText('');
          }}
        >
          Add the shim
        </Press>
        {pieces.map((piece, index) => (
          <Press
            key={index}
            marginBottom="36px"
            aria-label={`Take ${show(piece.thicknessMm)} ${unit} off`}
            onClick={() => onChange(pieces.filter((_, other) => other !== index))}
          >
            {show(piece.thicknessMm)} ×
          </Press>
        ))}
      </Flex>
      {pieces.length > 0 && (
        <Box>
          {pieces.length === 1 ? '1 shim' : `${pieces.length} shims`}, together{' '}
          <strong>
            {show(sum)} {unit}
          </strong>
        </Box>
      )}
    </Box>
  );
}
