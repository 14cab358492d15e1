import { Box } from '@chakra-ui/react';
import type { Check } from '@/model/checks';
import type { JobBeside } from '@/model/earlier';
import { longDate } from '../kit/dates';
import { useFigures } from '../kit/figures';

interface BesideWordsProps {
  readonly beside: readonly JobBeside[];
  readonly check: Check;
  readonly positionId: string;
  readonly decimals: number;
}

/** Beside a reading: what this very unit left the house with, and what a sister was found and left with. */
export function BesideWords({ beside, check, positionId, decimals }: BesideWordsProps) {
  const figures = useFigures(check.unit, decimals);
  const told = beside.flatMap(({ peg, kind, bookedAt, handedOverAt, values }) => {
    const value = values.find((each) => each.checkId === check.id && each.positionId === positionId);
    if (!value) return [];
    const parts = [
      value.left === undefined ? '' : `left with ${figures.quantity(value.left)}`,
      value.found === undefined ? '' : `found with ${figures.quantity(value.found)}`,
    ].filter(Boolean);
    const who = kind === 'earlier' ? `Itself, peg ${peg}` : `A sister, peg ${peg}`;
    return [`${who}, ${longDate(handedOverAt ?? bookedAt)}: ${parts.join(', ')}`];
  });
  if (told.length === 0) return null;
  return (
    <Box fontSize="13px" lineHeight="18px" data-testid="beside">
      {told.map((words) => (
        <Box key={words}>{words}</Box>
      ))}
    </Box>
  );
}
