'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import type { Mark } from '@/model/pictureRecord';
import { Field, Select, TextInput } from '../kit/Field';
import { Press } from '../kit/Press';

interface ChosenMarkProps {
  readonly mark: Mark;
  readonly findings: readonly { readonly id: string; readonly words: string }[];
  readonly onChange: (mark: Mark) => void;
  readonly onRemove: () => void;
}

/** What a mark says and shows, and rubbing it out. */
export function ChosenMark({ mark, findings, onChange, onRemove }: ChosenMarkProps) {
  const [words, setWords] = useState(mark.words ?? '');
  return (
    <Box borderTop="1px solid" borderColor="rule" paddingTop="8px" marginTop="8px">
      {mark.shape === 'text' && (
        <Field label="Words on the picture">
          {(wiring) => (
            <TextInput
              {...wiring}
              value={words}
              maxLength={120}
              onChange={(event) => setWords(event.target.value)}
              onBlur={() => words.trim() !== '' && words !== mark.words && onChange({ ...mark, words })}
            />
          )}
        </Field>
      )}
      {mark.shape === 'pin' && (
        <Field label="The finding that it shows">
          {(wiring) => (
            <Select
              {...wiring}
              value={mark.findingId ?? ''}
              onChange={({ target: { value } }) => {
                const { findingId: _, ...rest } = mark;
                onChange(value ? { ...rest, findingId: value } : rest);
              }}
            >
              <option value="">none</option>
              {findings.map((finding) => (
                <option key={finding.id} value={finding.id}>
                  {finding.words}
                </option>
              ))}
            </Select>
          )}
        </Field>
      )}
      <Flex gap="8px">
        <Press kind="danger" onClick={onRemove}>
          Rub it out
        </Press>
      </Flex>
    </Box>
  );
}
