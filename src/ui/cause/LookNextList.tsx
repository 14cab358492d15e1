'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import type { LookNext } from '@/core/causes/lookNext';
import type { Names } from '@/core/causes/names';
import { tellProbability } from '@/core/causes/tellProbability';
import { KeyCap } from '../frame/KeysHelp';
import { Press } from '../kit/Press';

interface LookNextListProps {
  readonly next: readonly LookNext[];
  readonly names: Names;
  readonly mayAnswer: boolean;
  readonly onAnswer: (finding: string, says: 'seen' | 'absent' | 'cannot-tell') => void;
  readonly onAssume: (finding: string, seen: boolean) => void;
}

/** What to look at next: where, how long it takes, and what each answer would say. */
export function LookNextList({ next, names, mayAnswer, onAnswer, onAssume }: LookNextListProps) {
  return (
    <Box
      as="section"
      aria-label="Look at next"
      data-testid="look-next"
      borderTop="2px solid"
      borderColor="ink"
      paddingTop="6px"
    >
      <Heading as="h3" fontSize="20px">
        Look at next
      </Heading>
      {next.length === 0 && (
        <Box>
          <strong>Stop here.</strong> No check that is left tells enough for the time that it takes.
        </Box>
      )}
      {next.map(({ finding, node, minutes, ifSeen, ifAbsent }, index) => (
        <Box key={finding} borderBottom="1px solid" borderColor="rule" paddingBlock="6px" data-look={finding}>
          <Flex gap="10px" align="baseline">
            <KeyCap>{index + 1}</KeyCap>
            <Box flex="1">
              <strong>{node.question}</strong>
              <Box fontSize="13px" lineHeight="18px" color="second">
                {names.place(finding) ? `${names.place(finding)}: ` : ''}
                {node.look}.{node.outside ? ' Outside of the unit: look there before opening further.' : ''}
                {node.lost ? ` Look first: ${node.lost}.` : ''}
              </Box>
              <Box fontSize="13px" lineHeight="18px">
                Seen: {names.of(ifSeen.leading).toLowerCase()}, {tellProbability(ifSeen.probability)}. Not
                there: {names.of(ifAbsent.leading).toLowerCase()}, {tellProbability(ifAbsent.probability)}.
              </Box>
            </Box>
            <Box whiteSpace="nowrap">{minutes} min</Box>
          </Flex>
          <Flex gap="6px" marginTop="4px" wrap="wrap">
            {mayAnswer && (
              <>
                <Press minHeight="40px" onClick={() => onAnswer(finding, 'seen')}>
                  Seen
                </Press>
                <Press minHeight="40px" onClick={() => onAnswer(finding, 'absent')}>
                  Looked for, not there
                </Press>
                <Press minHeight="40px" onClick={() => onAnswer(finding, 'cannot-tell')}>
                  Can’t be told
                </Press>
              </>
            )}
            <Press kind="quiet" minHeight="40px" onClick={() => onAssume(finding, true)}>
              What if seen?
            </Press>
            <Press kind="quiet" minHeight="40px" onClick={() => onAssume(finding, false)}>
              What if not?
            </Press>
          </Flex>
        </Box>
      ))}
    </Box>
  );
}
