'use client';

import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { pairsOfPosition } from '@/core/gearing/countablePairs';
import type { OfJob } from '../job/useBench';
import { Press } from '../kit/Press';
import { PairCount } from './PairCount';

/** Where a gear is in hand its teeth can be counted: each pair that it belongs to, with what was counted, and what speaks against it. */
export function TeethCounted({
  job,
  positions,
  isOpen = false,
}: OfJob & { readonly positions: readonly string[]; readonly isOpen?: boolean }) {
  const { unitType, identities } = job.snapshot;
  const [opened, setOpened] = useState<string>();
  const pairs = new Map(
    positions.flatMap((id) => pairsOfPosition(unitType, id)).map((pair) => [pair.id, pair]),
  );
  return [...pairs.values()].map((pair) => {
    const entry = identities.find(({ pairId }) => pairId === pair.id);
    const inConflict = job.parts.some(({ openQuestions }) =>
      openQuestions.some((question) => question.code === 'identity-conflict' && question.pairId === pair.id),
    );
    const open = opened === pair.id || ((inConflict || (isOpen && !entry)) && opened === undefined);
    return (
      <Box key={pair.id} marginTop="12px" data-testid="teeth-counted">
        <Press
          kind="quiet"
          aria-expanded={open}
          color={inConflict ? 'oxide' : undefined}
          onClick={() => setOpened(open ? '' : pair.id)}
        >
          {pair.name}:{' '}
          {entry
            ? `${entry.pinionTeeth} and ${entry.ringTeeth} teeth counted${inConflict ? ', and they don’t agree' : ''}`
            : 'teeth not counted yet'}
        </Press>
        {open && <PairCount job={job} pair={pair} />}
      </Box>
    );
  });
}
