'use client';

import { Box, Flex } from '@chakra-ui/react';
import { type Draft, doubled, type Json, moved, namedIn, withValue } from '@/core/unit-type/editType';
import type { TypeList } from '@/core/unit-type/lists';
import { added } from '@/core/unit-type/templates';
import { Select } from '../../kit/Field';
import { Press } from '../../kit/Press';
import { entryWords, LIST_WORDS } from './words';

interface EntryListProps {
  readonly draft: Draft;
  readonly list: TypeList;
  readonly index: number;
  /** Entries that something is wrong with, by number. */
  readonly faulty: ReadonlySet<number>;
  readonly change: (how: (draft: Draft) => Draft) => void;
  readonly onGo: (index: number) => void;
}

/** The entries of one list: choose, add, double, move, take away. */
export function EntryList({ draft, list, index, faulty, change, onGo }: EntryListProps) {
  const found = draft[list];
  const entries = (Array.isArray(found) ? found : []) as readonly Json[];
  const id = (entries[index] as { readonly id?: unknown } | undefined)?.id;
  const named = typeof id === 'string' ? namedIn(draft, list, id) : [];
  const move = (by: 1 | -1) => {
    change((now) => moved(now, list, index, by));
    onGo(Math.max(0, Math.min(entries.length - 1, index + by)));
  };
  return (
    <Box marginBottom="12px">
      {entries.length > 0 && (
        <Select
          aria-label={`Which of “${LIST_WORDS[list]}”`}
          value={index}
          onChange={(event) => onGo(Number(event.target.value))}
        >
          {entries.map((entry, number) => (
            <option key={number} value={number}>
              {faulty.has(number) ? '! ' : ''}
              {number + 1}. {entryWords(entry, number)}
            </option>
          ))}
        </Select>
      )}
      <Flex gap="4px" wrap="wrap" marginTop="8px">
        <Press
          onClick={() => {
            change((now) => added(now, list));
            onGo(entries.length);
          }}
        >
          Add one
        </Press>
        {entries[index] !== undefined && (
          <>
            <Press
              onClick={() => {
                change((now) => doubled(now, list, index));
                onGo(index + 1);
              }}
            >
              Double it
            </Press>
            <Press disabled={index === 0} onClick={() => move(-1)} aria-label="Earlier">
              ↑
            </Press>
            <Press disabled={index === entries.length - 1} onClick={() => move(1)} aria-label="Later">
              ↓
            </Press>
            <Press
              kind="danger"
              onClick={() => {
                change((now) => withValue(now, [list, index], undefined));
                onGo(Math.max(0, index - 1));
              }}
            >
              Take it away
            </Press>
          </>
        )}
      </Flex>
      {named.length > 0 && (
        <Box fontSize="13px" color="second" marginTop="4px">
          Named in {named.length === 1 ? 'one place' : `${named.length} places`}; without it they would be
          shown as faults.
        </Box>
      )}
    </Box>
  );
}
