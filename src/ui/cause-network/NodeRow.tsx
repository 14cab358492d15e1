'use client';

import { Box, Flex } from '@chakra-ui/react';
import { BASE_RATES, type CauseNode, STRENGTHS, type Strength } from '@/model/causeNetwork';
import { Select } from '../kit/Field';

interface NodeRowProps {
  readonly node: CauseNode;
  readonly before: CauseNode | undefined;
  readonly nameOf: (id: string) => string;
  readonly onChange: (node: CauseNode) => void;
}

const KINDS = { root: 'root cause', mechanism: 'mechanism', finding: 'finding' };

/** One node: what it is, how often it is there, and what it comes from how strongly. */
export function NodeRow({ node, before, nameOf, onChange }: NodeRowProps) {
  const changed = JSON.stringify(before) !== JSON.stringify(node);
  const { id, name, kind, at, from, base, question } = node;
  return (
    <Box
      data-testid={`node-${id}`}
      borderTop="1px solid"
      borderColor="rule"
      borderLeft={changed ? '4px solid' : undefined}
      borderLeftColor="metal"
      paddingLeft={changed ? '8px' : undefined}
      paddingBlock="8px"
    >
      <Flex justify="space-between" gap="12px" align="center">
        <Box>
          <strong>{name}</strong>{' '}
          <Box as="span" fontSize="13px" color="second">
            {KINDS[kind]}
            {at ? `, at each ${at}` : ''}
          </Box>
          {question && <Box fontSize="13px">{question}</Box>}
        </Box>
        {base && (
          <Select
            width="160px"
            aria-label={`How common: ${name}`}
            value={base}
            onChange={(event) => onChange({ ...node, base: event.target.value as keyof typeof BASE_RATES })}
          >
            {Object.keys(BASE_RATES).map((each) => (
              <option key={each}>{each}</option>
            ))}
          </Select>
        )}
      </Flex>
      {from.map(([parent, strength], index) => (
        <Flex key={parent} justify="space-between" align="center" gap="12px" marginTop="4px">
          <Box fontSize="13px">from {nameOf(parent)}</Box>
          <Select
            width="160px"
            aria-label={`How strongly ${name} comes from ${nameOf(parent)}`}
            value={strength}
            onChange={(event) =>
              onChange({
                ...node,
                from: from.map((arrow, at_) =>
                  at_ === index ? [parent, event.target.value as Strength] : arrow,
                ),
              })
            }
          >
            {Object.keys(STRENGTHS).map((each) => (
              <option key={each}>{each}</option>
            ))}
          </Select>
        </Flex>
      ))}
    </Box>
  );
}
