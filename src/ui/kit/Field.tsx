'use client';

import { Box, chakra } from '@chakra-ui/react';
import { type ReactNode, useId } from 'react';

const box = {
  base: {
    width: '100%',
    minHeight: '44px',
    paddingInline: '12px',
    paddingBlock: '8px',
    border: '2px solid',
    borderColor: 'ink',
    borderRadius: '0',
    bg: 'field',
    color: 'ink',
    fontSize: '16px',
    lineHeight: '22px',
    _invalid: { borderColor: 'oxide' },
  },
};
export const TextInput = chakra('input', box);
export const TextArea = chakra('textarea', box);
export const Select = chakra('select', box);

export interface FieldProps {
  readonly label: string;
  readonly hint?: string;
  readonly error?: string | undefined;
  readonly children: (wiring: {
    id: string;
    'aria-describedby': string | undefined;
    'aria-invalid': boolean | undefined;
  }) => ReactNode;
}

/** A labelled field with its one-line help and, where something is wrong, a sentence that says what. */
export function Field({ label, hint, error, children }: FieldProps) {
  const id = useId();
  const about = error || hint ? `${id}-about` : undefined;
  return (
    <Box marginBottom="12px">
      <chakra.label htmlFor={id} display="block" marginBottom="7px" fontSize="15px">
        {label}
      </chakra.label>
      {children({ id, 'aria-describedby': about, 'aria-invalid': error ? true : undefined })}
      {about && (
        <Box
          id={about}
          fontSize="13px"
          lineHeight="18px"
          marginTop="4px"
          color={error ? 'oxide' : 'second'}
          role={error ? 'alert' : undefined}
        >
          {error ?? hint}
        </Box>
      )}
    </Box>
  );
}

interface TextFieldProps extends Omit<FieldProps, 'children'> {
  readonly value: string;
  readonly onText: (text: string) => void;
  /** The field is left. */
  readonly onDone?: () => void;
  readonly inputMode?: 'decimal' | 'numeric' | 'text';
  readonly maxLength?: number;
}

/** A labelled line of text that its owner holds: what is typed goes out as it is. */
export function TextField({
  value,
  onText,
  onDone,
  inputMode = 'text',
  maxLength,
  ...field
}: TextFieldProps) {
  return (
    <Field {...field}>
      {(wiring) => (
        <TextInput
          {...wiring}
          value={value}
          maxLength={maxLength}
          inputMode={inputMode}
          autoComplete="off"
          onChange={(event) => onText(event.target.value)}
          onBlur={onDone}
        />
      )}
    </Field>
  );
}
