'use client';

import { Box, Flex } from '@chakra-ui/react';
import { inventory } from '@/core/strip/inventory';
import type { Position } from '@/model/unitType';
import type { OfJob } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { Press } from '../kit/Press';
import { CountLine, countedAs } from './CountLine';

/** The pieces of one step: all there at one press, or counted one by one where there are several or something is wrong. */
export function CountPieces({ positions, ...props }: OfJob & { readonly positions: readonly Position[] }) {
  const keep = useKeep(props.job);
  const lines = inventory({ positions }, props.job.snapshot.records);
  const open = lines.filter(({ state }) => state === 'not-counted');
  if (lines.length === 0) return null;
  const allThere = async () => {
    for (const { position, expected } of open)
      await keep(
        { what: 'count', version: 2, positionId: position.id, ...countedAs(position, expected), note: '' },
        `${position.name}: all there`,
      );
  };
  return (
    <Box marginTop="8px" data-testid="pieces-of-step">
      <Flex justify="space-between" align="center" wrap="wrap" gap="8px">
        <strong>Pieces of this step</strong>
        {open.length > 0 && (
          <Press size="bench" onClick={() => void allThere()}>
            {open.length === 1 ? 'It is there' : `All ${open.length} are there`}
          </Press>
        )}
      </Flex>
      {lines.map((line) => (
        <CountLine key={line.position.id} {...props} line={line} />
      ))}
    </Box>
  );
}
