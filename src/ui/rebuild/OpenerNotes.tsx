import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { recordsOf } from '@/core/strip/recordsOf';
import type { BenchRecord } from '@/model/snapshot';
import { TextField } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';

interface OpenerNotesProps {
  readonly records: readonly BenchRecord[];
  readonly onNote?: (words: string) => Promise<string | undefined>;
}

/** What the next one who opens it should know. */
export function OpenerNotes({ records, onNote }: OpenerNotesProps) {
  const [words, setWords] = useState('');
  const [trouble, setTrouble] = useState('');
  const notes = recordsOf(records, 'opener-note');
  if (notes.length === 0 && !onNote) return null;
  return (
    <Box as="section" aria-label="For the next opener" marginTop="16px">
      <Heading as="h3" fontSize="18px">
        For the next one who opens it
      </Heading>
      {notes.map(({ id, author, content }) => (
        <Box key={id} borderLeft="4px solid" borderColor="metal" paddingLeft="10px" marginBlock="4px">
          {content.words} ({author})
        </Box>
      ))}
      {onNote && (
        <Flex
          as="form"
          gap="8px"
          align="flex-end"
          wrap="wrap"
          onSubmit={(event) => {
            event.preventDefault();
            void onNote(words.trim()).then((wrong) => {
              setTrouble(wrong ?? '');
              if (wrong === undefined) setWords('');
            });
          }}
        >
          <Box flex="1 1 260px">
            <TextField
              label="A compound, an odd shim, a trick"
              value={words}
              onText={setWords}
              maxLength={400}
            />
          </Box>
          <Press type="submit" disabled={words.trim() === ''} marginBottom="12px">
            Note it
          </Press>
        </Flex>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}
