'use client';

import { Box, Flex } from '@chakra-ui/react';
import type { ToldPlans } from '@/core/planning/suppliers';
import { Press } from '../kit/Press';

const STATE: Record<ToldPlans['suppliers'][number]['state'], string> = {
  'not-asked': 'not asked',
  waiting: 'asked, no answer yet',
  answered: 'answered',
  silent: 'no answer came',
};

interface SuppliersProps {
  readonly told: ToldPlans;
  readonly mayOrder: boolean;
  readonly onAsk: () => void;
}

/** Who was asked and what came of it; what of an answer makes no sense is told and not used. */
export function Suppliers({ told: { suppliers, refused, offers }, mayOrder, onAsk }: SuppliersProps) {
  const wasAsked = suppliers.some(({ state }) => state !== 'not-asked');
  const odd = [
    ...suppliers.flatMap(({ name, refused: own }) => own.map((words) => `${name}. ${words}`)),
    ...refused,
  ];
  return (
    <Box data-testid="suppliers" fontSize="13px" lineHeight="18px" paddingBlock="4px">
      <Flex gap="2px 12px" wrap="wrap" align="center">
        {suppliers.map(({ name, state, lines }) => (
          <Box key={name} color={state === 'silent' ? 'oxide' : undefined}>
            <strong>{name}</strong>: {STATE[state]}
            {state === 'answered' && `, ${lines} lines`}
          </Box>
        ))}
        {mayOrder && (
          <Press minHeight="40px" onClick={onAsk}>
            {wasAsked ? 'Ask again' : 'Ask for prices'}
          </Press>
        )}
      </Flex>
      {offers === 0 && !wasAsked && (
        <Box color="second">Nobody was asked, no price list is here and nothing of it lies on the shelf.</Box>
      )}
      {odd.length > 0 && (
        <Box color="oxide">
          Not used: {odd.slice(0, 3).join('. ')}
          {odd.length > 3 ? `, and ${odd.length - 3} more` : ''}.
        </Box>
      )}
    </Box>
  );
}
