import { Box } from '@chakra-ui/react';
import { tellOpen } from '@/core/open/tellOpen';
import type { OpenCode, OpenQuestion } from '@/model/openQuestion';
import type { OfJob } from '../job/useBench';
import { Press } from '../kit/Press';

export type Place = 'back' | 'rework' | 'set-up' | 'measured' | 'proof';

const PLACES: readonly (readonly [Place, string, readonly OpenCode[]])[] = [
  ['back', 'The way back', ['not-refitted', 'bolts-open', 'pieces-not-in']],
  ['rework', 'Rework', ['rework-open']],
  ['set-up', 'Set-up', ['set-up-open']],
  ['measured', 'Measured', ['not-measured-after']],
  ['proof', 'Proof', ['not-proved']],
];
const SHOWN = 3;

interface StillOpenProps extends OfJob {
  readonly open: readonly OpenQuestion[];
  readonly onGo: (view: Place) => void;
}

/** What keeps it from being closed, by where it is settled; each line goes there. What wants a signature stands below by itself. */
export function StillOpen({ job, open, onGo }: StillOpenProps) {
  const { positions } = job.snapshot.unitType;
  const words = (question: OpenQuestion) => {
    const part = positions.find(({ id }) => id === question.positionId)?.name;
    return part ? `${part}, ${lowerFirst(tellOpen(question))}` : tellOpen(question);
  };
  return PLACES.map(([place, name, codes]) => {
    const own = open.filter(({ code }) => codes.includes(code));
    if (own.length === 0) return null;
    const more = own.length - SHOWN;
    return (
      <Press
        key={place}
        kind="quiet"
        width="100%"
        justifyContent="flex-start"
        whiteSpace="normal"
        textAlign="left"
        textDecoration="none"
        borderTop="1px solid"
        borderColor="rule"
        paddingInline="0"
        data-still-open={place}
        onClick={() => onGo(place)}
      >
        <Box as="span" fontWeight={650} whiteSpace="nowrap">
          {name} {own.length}
        </Box>
        <Box as="span" color="second" fontSize="13px">
          {own.slice(0, SHOWN).map(words).join('; ')}
          {more > 0 ? `; and ${more} more` : ''}
        </Box>
      </Press>
    );
  });
}

const lowerFirst = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);
