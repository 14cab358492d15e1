import { Box, Flex } from '@chakra-ui/react';
import { placeOnScale, SURE_SCALE } from '@/core/report/sureness';

/** How sure we are, as four words on a rule with a triangle at the one that holds. */
export function SureScale({ words }: { readonly words: string }) {
  const holds = placeOnScale(words);
  if (holds === undefined) return null;
  const last = SURE_SCALE.length - 1;
  return (
    <Box
      marginTop="14px"
      role="img"
      aria-label={`How sure we are: ${SURE_SCALE[holds]}, of ${SURE_SCALE.join(', ')}`}
    >
      <Box position="relative" borderTop="1.5px solid" borderColor="ink" height="8px">
        {SURE_SCALE.map((word, at) => (
          <Box
            key={word}
            position="absolute"
            left={`${(at / last) * 100}%`}
            marginLeft={at === last ? '-1.5px' : '0'}
            height="8px"
            borderLeft="1.5px solid"
            borderColor="ink"
          />
        ))}
        <Box
          position="absolute"
          left={`${(holds / last) * 100}%`}
          top="-12px"
          marginLeft="-8px"
          border="8px solid transparent"
          borderTopColor="metal"
          borderBottomWidth="0"
        />
      </Box>
      <Flex justify="space-between" fontSize="13px">
        {SURE_SCALE.map((word, at) => (
          <Box
            as="span"
            key={word}
            color={at === holds ? undefined : 'second'}
            fontWeight={at === holds ? 650 : 400}
          >
            {word}
          </Box>
        ))}
      </Flex>
    </Box>
  );
}
