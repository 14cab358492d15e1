'use client';

import { Box, chakra, Flex } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { tinykeys } from 'tinykeys';
import { Pop } from '../kit/Pop';
import { Press } from '../kit/Press';
import { typesInto } from './typesInto';

export const KeyCap = chakra('kbd', {
  base: {
    border: '1px solid',
    borderColor: 'currentColor',
    paddingInline: '6px',
    fontSize: '12px',
    lineHeight: '18px',
    fontFamily: 'body',
    minWidth: '20px',
    textAlign: 'center',
  },
});

/** A key, and what it does. */
export type KeyWords = readonly (readonly [key: string, what: string])[];

/** The shortcuts of the page, opened by `?`. */
export function KeysHelp({ keys }: { readonly keys: KeyWords }) {
  const [open, setOpen] = useState(false);
  useEffect(
    () =>
      tinykeys(window, {
        'Shift+?': (event) => {
          if (!typesInto(event.target)) setOpen((shown) => !shown);
        },
      }),
    [],
  );
  return (
    <Box display={{ base: 'none', md: 'block' }}>
      <Pop
        label="Keys"
        width="320px"
        open={open}
        onOpen={setOpen}
        trigger={
          <Press kind="onBlue" border="none" paddingInline="8px" aria-label="Keys">
            <KeyCap fontSize="15px" lineHeight="22px">
              ?
            </KeyCap>
          </Press>
        }
      >
        {keys.map(([key, what]) => (
          <Flex key={key} justify="space-between" gap="12px" paddingBlock="4px">
            <span>{what}</span>
            <KeyCap whiteSpace="nowrap">{key}</KeyCap>
          </Flex>
        ))}
      </Pop>
    </Box>
  );
}
