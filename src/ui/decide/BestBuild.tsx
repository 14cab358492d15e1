'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import type { OptionsTold } from '@/core/planning/options';
import { Press } from '../kit/Press';

interface BuildProps {
  readonly told: OptionsTold;
  /** Pegs of units that aren't to be taken from. */
  readonly left: readonly number[];
  readonly onLeft: (pegs: readonly number[]) => void;
}

/** The best unit that can be built from several, from which of them, and what is left for the shelf. */
export function BestBuild({ told: { build, remaining, sisters }, left, onLeft }: BuildProps) {
  const [open, setOpen] = useState(false);
  if (sisters.length === 0) return null;
  const byPeg = new Map<string, string[]>();
  for (const { name, peg } of build) {
    const from = peg === undefined ? 'new' : `peg ${peg}`;
    byPeg.set(from, [...(byPeg.get(from) ?? []), name]);
  }
  return (
    <Box fontSize="13px" lineHeight="18px" data-testid="best-build">
      <Press
        kind="quiet"
        minHeight="36px"
        paddingInline="0"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        The best unit that can be built from several
      </Press>
      {open && (
        <>
          <Flex gap="6px" wrap="wrap" role="group" aria-label="Units to build from">
            {sisters.map((peg) => (
              <Press
                key={peg}
                minHeight="40px"
                chosen={!left.includes(peg)}
                aria-pressed={!left.includes(peg)}
                onClick={() =>
                  onLeft(left.includes(peg) ? left.filter((each) => each !== peg) : [...left, peg])
                }
              >
                Peg {peg}
              </Press>
            ))}
          </Flex>
          {build.length === 0 && <Box>No whole unit comes of these.</Box>}
          {[...byPeg].map(([from, names]) => (
            <Box key={from}>
              <strong>{from}:</strong> {names.join(', ')}
            </Box>
          ))}
          <Box marginTop="4px">
            <strong>Left for the shelf:</strong>{' '}
            {remaining.length === 0
              ? 'nothing'
              : remaining.map(({ peg, name, grade }) => `${name}, grade ${grade}, of peg ${peg}`).join('; ')}
          </Box>
        </>
      )}
    </Box>
  );
}
