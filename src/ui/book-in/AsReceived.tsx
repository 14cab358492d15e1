'use client';

import { Box } from '@chakra-ui/react';
import { AS_RECEIVED, type Received } from '@/model/symptoms';
import { TextField } from '../kit/Field';
import { OneOf } from '../kit/OneOf';

/** What the unit looked like before anybody touched or washed it. */
export function AsReceived({
  received,
  onChange,
}: {
  readonly received: Received;
  readonly onChange: (received: Received) => void;
}) {
  const { signs } = received;
  return (
    <Box role="group" aria-label="What it looked like">
      <OneOf
        label="What it looked like when it came"
        options={AS_RECEIVED}
        chosen={signs}
        onPress={(sign) =>
          onChange({
            ...received,
            signs: signs.includes(sign) ? signs.filter((each) => each !== sign) : [...signs, sign],
          })
        }
      />
      <TextField
        label="More about how it looked"
        value={received.note}
        onText={(note) => onChange({ ...received, note })}
      />
    </Box>
  );
}

/** The same in one line; empty where nothing was noted. */
export const receivedWords = ({ signs, note }: Received): string =>
  [...signs, note].filter((words) => words !== '').join(', ');
