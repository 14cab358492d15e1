import { Box, Flex } from '@chakra-ui/react';
import type { ReactNode } from 'react';

interface InstrumentProps {
  readonly number: number;
  /** It is the one to work at: a blue disc with a brass figure. */
  readonly current?: boolean;
  readonly title: string;
  readonly note: string;
  readonly drawing: ReactNode;
  readonly figure: string;
  readonly verdict: string;
  readonly bad?: boolean;
  readonly children?: ReactNode;
}

/** One of the four that a set-up is read by: what it is, its drawing, its figure, and the word for it. */
export function Instrument({
  number,
  current = false,
  title,
  note,
  drawing,
  figure,
  verdict,
  bad = false,
  children,
}: InstrumentProps) {
  return (
    <Box borderTop="1px solid" borderColor="rule" paddingBlock="8px" data-instrument={title}>
      <Flex gap="14px" align="flex-start" wrap="wrap">
        <Flex
          align="center"
          justify="center"
          boxSize="26px"
          borderRadius="50%"
          fontWeight={650}
          bg={current ? 'blue' : undefined}
          color={current ? 'brass' : undefined}
        >
          {number}
        </Flex>
        <Box width="106px">
          <strong>{title}</strong>
          <Box fontSize="13px" lineHeight="17px" color="second">
            {note}
          </Box>
        </Box>
        <Box flex="1 1 190px" minWidth="0">
          {drawing}
        </Box>
        <Box width="96px">
          <Box fontSize="26px" lineHeight="30px">
            {figure}
          </Box>
          <Box fontWeight={650} fontSize="15px" lineHeight="19px" color={bad ? 'oxide' : undefined}>
            {verdict}
          </Box>
        </Box>
      </Flex>
      {children && <Box paddingLeft="40px">{children}</Box>}
    </Box>
  );
}
