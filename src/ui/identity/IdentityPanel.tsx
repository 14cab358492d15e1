'use client';

import { Box, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { ANY_PAIR, type CountablePair, countablePairs } from '@/core/gearing/countablePairs';
import type { OfJob } from '../job/useBench';
import { Field, Select } from '../kit/Field';
import { OtherRatio } from './OtherRatio';
import { PairCount } from './PairCount';

const UNDESCRIBED: CountablePair = { id: ANY_PAIR, name: 'The pair that was counted', pinion: 0, ring: 0 };

/** Teeth and splines counted by hand, held against the tag, the casting and the mate; and what another ratio would do. */
export function IdentityPanel({ job }: OfJob) {
  const { unitType, identities } = job.snapshot;
  const pairs = countablePairs(unitType);
  const offered = pairs.length > 0 ? pairs : [UNDESCRIBED];
  const [pairId, setPairId] = useState(offered[0]!.id);
  const pair = offered.find(({ id }) => id === pairId) ?? offered[0]!;
  const entry = identities.find((each) => each.pairId === pair.id);
  return (
    <Box
      as="section"
      aria-label="Ratio and identity"
      marginTop="32px"
      maxWidth="960px"
      data-testid="identity"
    >
      <Heading as="h2" fontSize="18px" marginBottom="8px">
        Ratio and identity
      </Heading>
      {offered.length > 1 && (
        <Field label="Pair">
          {(wiring) => (
            <Select {...wiring} value={pair.id} onChange={(event) => setPairId(event.target.value)}>
              {offered.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </Select>
          )}
        </Field>
      )}
      <PairCount job={job} pair={pair} />
      {entry && <OtherRatio pinionTeeth={entry.pinionTeeth} ringTeeth={entry.ringTeeth} />}
    </Box>
  );
}
