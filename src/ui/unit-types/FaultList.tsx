'use client';

import { Box } from '@chakra-ui/react';
import { placeInWords } from '@/core/faultWords';
import type { Fault } from '@/core/unit-type/fault';
import { Press } from '../kit/Press';

const BLOCKS: Record<Fault['blocks'], string> = {
  train: 'keeps the train from being solved',
  section: 'keeps it from being drawn',
  nothing: 'a hint, it keeps nothing from working',
};

/** Everything that is wrong with a description, what each fault blocks, and the way to its place. */
export function FaultList({
  faults,
  of,
  onGo,
}: {
  /** The description that they are of: its parts and lists are called by their names. */
  readonly of?: unknown;
  readonly faults: readonly Fault[];
  readonly onGo?: (path: string) => void;
}) {
  if (faults.length === 0) return <Box>Nothing is wrong with it.</Box>;
  return (
    <Box as="ul" paddingLeft="20px" data-testid="faults">
      {faults.map(({ path, message, blocks }) => (
        <Box as="li" key={`${path} ${message}`} color={blocks === 'nothing' ? undefined : 'oxide'}>
          {onGo ? (
            <Press kind="quiet" color="inherit" paddingInline="0" onClick={() => onGo(path)}>
              {path === '' ? 'The whole' : placeInWords(path, of)}
            </Press>
          ) : (
            <strong>{path === '' ? 'The whole' : placeInWords(path, of)}</strong>
          )}
          : {message} ({BLOCKS[blocks]})
        </Box>
      ))}
    </Box>
  );
}
