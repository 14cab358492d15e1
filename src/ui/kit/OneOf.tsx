'use client';

import { Box, Flex } from '@chakra-ui/react';
import { Press } from './Press';

interface OneOfProps<Option extends string> {
  readonly label: string;
  readonly options: readonly Option[];
  readonly chosen: readonly Option[];
  readonly onPress: (option: Option) => void;
}

/** A row of keys of which one (or several) hold: quicker under a glove than a list that opens. */
export function OneOf<Option extends string>({ label, options, chosen, onPress }: OneOfProps<Option>) {
  return (
    <Box marginBottom="12px">
      <Box fontSize="15px" marginBottom="4px">
        {label}
      </Box>
      <Flex role="group" aria-label={label} wrap="wrap" gap="4px">
        {options.map((option) => (
          <Press
            key={option}
            chosen={chosen.includes(option)}
            aria-pressed={chosen.includes(option)}
            onClick={() => onPress(option)}
          >
            {option}
          </Press>
        ))}
      </Flex>
    </Box>
  );
}
