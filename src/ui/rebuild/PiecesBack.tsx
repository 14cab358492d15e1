import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import type { PieceIn } from '@/core/rebuild/piecesIn';
import { TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';

interface PiecesBackProps {
  readonly pieces: readonly PieceIn[];
  readonly onCount?: (positionId: string, counted: number) => Promise<string | undefined>;
}

/** What lies on the bench still, counted down to zero: pieces that nobody has put in, that are missing, or of which there are too many. */
export function PiecesBack({ pieces, onCount }: PiecesBackProps) {
  const open = pieces.filter(({ state }) => state !== 'all-in');
  const left = open.reduce((sum, { expected, inside = 0 }) => sum + Math.max(0, expected - inside), 0);
  return (
    <Box as="section" aria-label="On the bench" marginTop="16px" data-testid="pieces-back">
      <Heading as="h3" fontSize="18px">
        {left === 0
          ? 'Nothing lies on the bench'
          : `${left} ${left === 1 ? 'piece lies' : 'pieces lie'} on the bench`}
      </Heading>
      {open.map((piece) => (
        <PieceLine key={piece.position.id} piece={piece} {...(onCount ? { onCount } : {})} />
      ))}
    </Box>
  );
}

function PieceLine({ piece, onCount }: { readonly piece: PieceIn } & Pick<PiecesBackProps, 'onCount'>) {
  const { position, expected, inside, state } = piece;
  const [counted, setCounted] = useState(String(expected));
  const [trouble, setTrouble] = useState('');
  const isBad = state === 'missing' || state === 'too-many';
  return (
    <Flex
      gap="10px"
      align="center"
      wrap="wrap"
      minHeight="48px"
      borderBottom="1px solid"
      borderColor="rule"
      as="form"
      onSubmit={(event) => {
        event.preventDefault();
        if (!/^\d{1,4}$/.test(counted)) return setTrouble(`“${counted}” is no count.`);
        void onCount?.(position.id, Number(counted)).then((wrong) => setTrouble(wrong ?? ''));
      }}
    >
      <Box flex="1 1 180px" color={isBad ? 'oxide' : undefined} fontWeight={isBad ? 650 : 400}>
        {position.name}
        {inside === undefined ? `, ${expected}` : `: ${inside} of ${expected} in`}
      </Box>
      {onCount && (
        <>
          <TextInput
            aria-label={`${position.name}, how many are in`}
            inputMode="numeric"
            width="72px"
            value={counted}
            onChange={(event) => setCounted(event.target.value)}
          />
          <Press type="submit">in</Press>
        </>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Flex>
  );
}
