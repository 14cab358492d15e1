'use client';

import { Box, chakra } from '@chakra-ui/react';
import { familyName } from '@/core/catalogs/words';
import { tellOpen } from '@/core/open/tellOpen';
import type { PartState } from '@/core/wear/partStanding';
import { partWords } from '@/core/wear/partWords';
import type { Catalogs } from '@/model/catalogs';
import { GradeLine } from '../kit/GradeMark';

interface PartListProps {
  readonly parts: readonly PartState[];
  readonly words: Pick<Catalogs, 'damage-words'>;
  readonly selected: string | undefined;
  readonly onOpen: (positionId: string) => void;
}

/** The same parts as the section, as a plain list. */
export function PartList({ parts, words, selected, onOpen }: PartListProps) {
  return (
    <Box as="ul" listStyleType="none" data-testid="part-list">
      {parts.map(({ position, grade, openQuestions }) => (
        <Box as="li" key={position.id} borderBottom="1px solid" borderColor="rule">
          <chakra.button
            type="button"
            display="grid"
            gridTemplateColumns={{ base: '1fr', md: '2fr 1.3fr 2fr' }}
            gap="4px 12px"
            width="100%"
            minHeight="48px"
            alignItems="center"
            textAlign="left"
            paddingInline="8px"
            cursor="pointer"
            fontStretch="87.5%"
            borderLeft="6px solid"
            borderColor={position.id === selected ? 'metal' : 'transparent'}
            data-row={position.id}
            onClick={() => onOpen(position.id)}
            aria-current={position.id === selected ? 'true' : undefined}
          >
            <span>
              <strong>{position.name}</strong>{' '}
              <chakra.span color="second" fontSize="13px">
                {familyName(words, position.family).toLowerCase()}
                {position.oneUse ? ', one-use' : ''}
              </chakra.span>
            </span>
            <GradeLine grade={grade} words={partWords({ grade, openQuestions })} />
            <chakra.span color="second" fontSize="13px">
              {openQuestions[0]
                ? `${openQuestions.length} open: ${tellOpen(openQuestions[0])}`
                : 'nothing open'}
            </chakra.span>
          </chakra.button>
        </Box>
      ))}
    </Box>
  );
}
