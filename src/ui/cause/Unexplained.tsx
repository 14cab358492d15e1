'use client';

import { Box, Heading } from '@chakra-ui/react';
import type { Gathered } from '@/core/causes/evidence/gathered';
import type { Names } from '@/core/causes/names';
import type { ToldCauses } from '@/workers/causes';
import { Press } from '../kit/Press';

interface UnexplainedProps {
  readonly told: ToldCauses;
  readonly names: Names;
  /** Pieces of debris that nobody knows the source of. */
  readonly debris: readonly string[];
  readonly contradicted: readonly Gathered[];
  readonly onOpen: (node: string) => void;
}

/** What no cause of the network explains, what contradicts itself, and pieces without a source. */
export function Unexplained({ told, names, debris, contradicted, onOpen }: UnexplainedProps) {
  const { unexplained } = told;
  if (unexplained.length === 0 && debris.length === 0 && contradicted.length === 0) return null;
  return (
    <Box as="section" aria-label="Nothing explains this yet" data-testid="unexplained" paddingBlock="8px">
      <Heading as="h3" fontSize="20px">
        Nothing explains this yet
      </Heading>
      {unexplained.map(({ finding, probability }) => (
        <Box key={finding}>
          <Press kind="quiet" paddingInline="0" minHeight="32px" onClick={() => onOpen(finding)}>
            {names.of(finding)}
          </Press>{' '}
          comes from none of these causes, {Math.round(probability * 100)} in 100.
        </Box>
      ))}
      {contradicted.map(({ node, from }) => (
        <Box key={node}>
          <Press kind="quiet" paddingInline="0" minHeight="32px" onClick={() => onOpen(node)}>
            {names.of(node)}
          </Press>{' '}
          contradicts itself, so it counts for nothing: {from.map(({ source }) => source.words).join('; ')}.
        </Box>
      ))}
      {debris.map((piece) => (
        <Box key={piece}>
          {piece}: nobody knows yet where it comes from. One step further: what it may have passed through
          isn’t known to be sound.
        </Box>
      ))}
    </Box>
  );
}
