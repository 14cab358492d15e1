'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { restsOn } from '@/core/metrology/workedOut';
import type { JudgedCheck } from '@/core/wear/partStanding';
import { type OfJob, useBench } from '../job/useBench';
import { Press } from '../kit/Press';
import { VerdictView } from './VerdictView';

/** A check that is worked out from two others: what each of them says, the way to them, and the verdict on the difference. */
export function WorkedOut({ judged, job }: OfJob & { readonly judged: JudgedCheck }) {
  const { place } = useBench();
  const { check } = judged;
  const { unitType, gauges } = job.snapshot;
  const [of, less] = [check.difference?.of, check.difference?.less].map((id) =>
    restsOn(check, unitType.checks).find((each) => each.id === id),
  );
  const open = (each: typeof of) =>
    each && place.goTo({ part: each.positions[0]!, face: 'measure', check: each.id });
  return (
    <Box data-testid="worked-out">
      <Heading as="h3" fontSize="18px">
        {check.title}
      </Heading>
      <Box fontSize="13px" lineHeight="18px">
        {check.howTo}
      </Box>
      <Flex gap="8px" align="center" wrap="wrap" marginBlock="8px">
        {[of, less].map((each, index) => {
          if (!each) return null;
          const part = unitType.positions.find(({ id }) => id === each.positions[0])?.name ?? '';
          return (
            <Flex key={each.id} align="center" gap="8px">
              {index === 1 && <Box fontSize="20px">−</Box>}
              <Press onClick={() => open(each)}>
                {each.title}, {part}
              </Press>
            </Flex>
          );
        })}
      </Flex>
      {judged.judgement.word === 'not-measured' ? (
        <Box borderBottom="1px dashed" borderColor="ink" width="fit-content">
          Both have to be read first, each at all its places.
        </Box>
      ) : (
        <VerdictView judged={judged} gauges={gauges} />
      )}
    </Box>
  );
}
