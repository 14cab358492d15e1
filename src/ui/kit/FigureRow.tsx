'use client';

import { Grid, type GridProps } from '@chakra-ui/react';
import { TextField } from './Field';

/** Figures beside each other that together make one sum; held by their owner as they are typed. */
export function FigureRow<Name extends string>({
  fields,
  text,
  onText,
  templateColumns = `repeat(${fields.length}, 1fr)`,
}: {
  readonly fields: readonly (readonly [name: Name, label: string])[];
  readonly text: Readonly<Record<Name, string>>;
  readonly onText: (name: Name, typed: string) => void;
  readonly templateColumns?: GridProps['templateColumns'];
}) {
  return (
    <Grid templateColumns={templateColumns} columnGap="12px">
      {fields.map(([name, label]) => (
        <TextField
          key={name}
          label={label}
          value={text[name]}
          onText={(typed) => onText(name, typed)}
          inputMode="decimal"
        />
      ))}
    </Grid>
  );
}
