'use client';

import { Box, chakra, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import type { RankedCause, Weighed } from '@/core/causes/diagnose';
import type { Names } from '@/core/causes/names';
import { tellProbability } from '@/core/causes/tellProbability';
import { Press } from '../kit/Press';
import { Beam } from './Beam';

interface CauseRowProps {
  readonly cause: RankedCause;
  readonly open: boolean;
  readonly names: Names;
  readonly isSeen: (finding: string) => boolean;
  readonly onToggle: () => void;
  readonly onFinding: (finding: string) => void;
}

/** One cause: how probable, in words and in figures, and its beam; opened, what speaks for it and what against. */
export function CauseRow({ cause, open, names, isSeen, onToggle, onFinding }: CauseRowProps) {
  const [asList, setAsList] = useState(false);
  return (
    <Box data-testid={`cause-${cause.id}`} paddingBlock={open ? '6px' : '2px'}>
      <Press
        kind="quiet"
        width="100%"
        justifyContent="space-between"
        textDecoration="none"
        paddingInline="0"
        minHeight={open ? '34px' : '32px'}
        aria-expanded={open}
        whiteSpace="normal"
        textAlign="left"
        data-cause-row={cause.id}
        onClick={onToggle}
      >
        <Box as="span" fontSize={open ? '20px' : '15px'} lineHeight={open ? '24px' : '20px'} fontWeight={650}>
          {names.of(cause.id)}
        </Box>
        <Box as="span" fontSize={open ? '20px' : '15px'} fontWeight={650} whiteSpace="nowrap">
          {tellProbability(cause.probability)}
        </Box>
      </Press>
      <Beam cause={cause} open={open} nameOf={names.of} isSeen={isSeen} onFinding={onFinding} />
      {open && (
        <Flex gap="4px 16px" fontSize="13px" lineHeight="18px" wrap="wrap" align="baseline">
          <Box flex="1 1 auto" color="second">
            {Math.round(cause.probability * 1000) / 10} %, from a base rate of{' '}
            {Math.round(cause.prior * 1000) / 10} %
          </Box>
          <Press
            kind="quiet"
            minHeight="32px"
            paddingInline="0"
            fontSize="13px"
            aria-expanded={asList}
            onClick={() => setAsList(!asList)}
          >
            {asList ? 'Hide the list' : 'What speaks for it and against it, as a list'}
          </Press>
          {asList && (
            <>
              <Sides title="speaks for it" list={cause.for} {...{ names, isSeen, onFinding }} />
              <Sides title="speaks against it" list={cause.against} {...{ names, isSeen, onFinding }} />
            </>
          )}
        </Flex>
      )}
    </Box>
  );
}

/** So many of a side stand in the list; the beam has them all. */
const NAMED = 12;

interface SidesProps extends Pick<CauseRowProps, 'names' | 'isSeen' | 'onFinding'> {
  readonly title: string;
  readonly list: readonly Weighed[];
}

function Sides({ title, list, names, isSeen, onFinding }: SidesProps) {
  if (list.length === 0) return null;
  return (
    <Box flex="1 1 200px" minWidth="0">
      <Box color="second">{title}</Box>
      {list.slice(0, NAMED).map(({ finding }) => (
        <chakra.button
          key={finding}
          type="button"
          display="block"
          minHeight="24px"
          maxWidth="100%"
          overflow="hidden"
          textOverflow="ellipsis"
          whiteSpace="nowrap"
          textAlign="left"
          textDecoration="underline"
          textUnderlineOffset="3px"
          onClick={() => onFinding(finding)}
        >
          {isSeen(finding) ? '' : 'Not there: '}
          {names.of(finding)}
        </chakra.button>
      ))}
      {list.length > NAMED && <Box color="second">and {list.length - NAMED} more</Box>}
    </Box>
  );
}
