'use client';

import { Box, chakra, Flex } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { tinykeys } from 'tinykeys';
import { Press } from '../kit/Press';

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

/** The shortcuts of the page, opened by `?`. */
export function KeysHelp({ keys }: { readonly keys: readonly (readonly [string, string])[] }) {
  const [open, setOpen] = useState(false);
  useEffect(
    () =>
      tinykeys(window, {
        'Shift+?': (event) => {
          if (!(event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement))
            setOpen((shown) => !shown);
        },
        Escape: () => setOpen(false),
      }),
    [],
  );
  return (
    <Box position="relative" display={{ base: 'none', md: 'block' }}>
      <Press kind="onBlue" border="none" onClick={() => setOpen(!open)} aria-expanded={open}>
        Keys <KeyCap>?</KeyCap>
      </Press>
      {open && (
        <Box
          position="absolute"
          right="0"
          top="48px"
          zIndex={30}
          bg="paper"
          color="ink"
          border="2px solid"
          borderColor="ink"
          padding="16px"
          width="280px"
        >
          {keys.map(([key, what]) => (
            <Flex key={key} justify="space-between" paddingBlock="4px">
              <span>{what}</span>
              <KeyCap>{key}</KeyCap>
            </Flex>
          ))}
        </Box>
      )}
    </Box>
  );
}
