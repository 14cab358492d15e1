'use client';

import { Box, Flex } from '@chakra-ui/react';
import type { Names } from '@/core/causes/names';
import { tellProbability } from '@/core/causes/tellProbability';
import type { ToldCauses } from '@/workers/causes';
import { suspectsOf } from './suspicion';

interface SuspectsProps {
  readonly told: ToldCauses;
  readonly names: Names;
  /** Where there is no drawing to stand beside. */
  readonly plates: boolean;
}

/** Where it may have begun, by share: the places that a cause belongs to, and the likeliest place and cause together. */
export function Suspects({ told, names, plates }: SuspectsProps) {
  const suspects = suspectsOf(told, names);
  const { firstFailure } = told;
  if (suspects.length === 0 || !firstFailure) return null;
  return (
    <Box data-testid="suspects">
      {plates && (
        <Flex gap="8px" wrap="wrap">
          {suspects.map(({ name, told: share, cause }) => (
            <Box key={name} bg="blue" color="onBlue" minWidth="128px" minHeight="48px" padding="4px 10px">
              <Box fontSize="13px" lineHeight="18px">
                {name}
              </Box>
              <Box fontSize="18px" lineHeight="22px" fontWeight={650} color="brass">
                {share}
              </Box>
              <Box fontSize="13px" lineHeight="18px">
                {cause}
              </Box>
            </Box>
          ))}
        </Flex>
      )}
      <Box fontSize="13px" color="second" marginTop="4px">
        Likeliest place and cause together: {names.of(`${firstFailure.root}@${firstFailure.place}`)},{' '}
        {tellProbability(firstFailure.probability)}.
      </Box>
    </Box>
  );
}
