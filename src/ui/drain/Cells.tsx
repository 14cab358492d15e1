import { Box, Flex } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { Press } from '../kit/Press';

interface CellsProps<Word extends string> {
  readonly label: string;
  readonly hint?: string;
  readonly words: readonly Word[];
  readonly chosen: readonly Word[];
  readonly picture?: (word: Word) => ReactNode;
  /** Left out for who may not say it. */
  readonly onPress?: ((word: Word) => void) | undefined;
}

/** Words side by side, each with its picture over it; what is chosen is filled. */
export function Cells<Word extends string>({
  label,
  hint,
  words,
  chosen,
  picture,
  onPress,
}: CellsProps<Word>) {
  return (
    <Box role="group" aria-label={label} marginTop="8px">
      <Box fontSize="13px">
        <strong>{label}</strong>
        {hint && (
          <Box as="span" color="second">
            {' '}
            {hint}
          </Box>
        )}
      </Box>
      <Flex wrap="wrap">
        {words.map((word) => (
          <Press
            key={word}
            chosen={chosen.includes(word)}
            aria-pressed={chosen.includes(word)}
            disabled={!onPress}
            _disabled={{ color: chosen.includes(word) ? 'brass' : 'second', cursor: 'default' }}
            flex="1 1 44px"
            minWidth="44px"
            minHeight={picture ? '60px' : '44px'}
            paddingInline="4px"
            borderRadius="0"
            marginRight="-1px"
            flexDirection="column"
            fontSize="13px"
            lineHeight="15px"
            onClick={() => onPress?.(word)}
          >
            {picture?.(word)}
            {word}
          </Press>
        ))}
      </Flex>
    </Box>
  );
}
