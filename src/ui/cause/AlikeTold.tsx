'use client';

import { Box } from '@chakra-ui/react';
import { scoreAlike } from '@/core/causes/alike';
import type { Names } from '@/core/causes/names';
import type { ToldCauses } from '@/workers/causes';

/** Two causes that score alike, and what decides between them. */
export function AlikeTold({ told, names }: { readonly told: ToldCauses; readonly names: Names }) {
  const alike = scoreAlike(told.causes, told.next);
  if (!alike) return null;
  const [one, other] = alike.causes;
  return (
    <Box data-testid="alike" borderLeft="4px solid" borderColor="metal" paddingLeft="10px" marginBlock="4px">
      {names.of(one)} and {names.of(other).toLowerCase()} score alike.{' '}
      {alike.decides
        ? `What decides: ${alike.decides.node.question}`
        : 'Nothing that is left to look at decides between them.'}
    </Box>
  );
}
