'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { familyName } from '@/core/catalogs/words';
import { FAMILIES } from '@/model/damage';
import { type OfJob, useBench } from '../job/useBench';
import { Field, Select, TextInput } from '../kit/Field';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';

/** For a unit that nobody has described: parts get a name and a kind as they come off. */
export function DescribePart({ job, described }: OfJob & { readonly described: boolean }) {
  const { rights } = useBench();
  const [name, setName] = useState('');
  const [family, setFamily] = useState<string>('gear-teeth');
  const [refusal, setRefusal] = useState('');
  const add = async () => {
    const answer = await send('POST', `/api/v1/jobs/${job.snapshot.job.id}/parts`, {
      name,
      family,
      version: job.snapshot.job.version,
    });
    if (!answer.ok) return setRefusal(answer.refusal.message);
    setRefusal('');
    setName('');
    await job.refresh();
  };
  return (
    <Box marginTop="16px" maxWidth="720px">
      {!described && (
        <EmptyState>
          This type of unit is not described yet: no drawing, no limits. Everything else works. Add parts as
          they come off.
        </EmptyState>
      )}
      {rights.includes('unit-type.describe') && (
        <Box
          as="form"
          onSubmit={(event) => {
            event.preventDefault();
            void add();
          }}
        >
          <Heading as="h3" fontSize="16px">
            A part that came off
          </Heading>
          <Flex gap="12px" wrap="wrap" align="flex-start">
            <Box flex="2 1 220px">
              <Field label="What it is">
                {(wiring) => (
                  <TextInput
                    {...wiring}
                    value={name}
                    maxLength={60}
                    onChange={(event) => setName(event.target.value)}
                  />
                )}
              </Field>
            </Box>
            <Box flex="1 1 200px">
              <Field label="Kind of part">
                {(wiring) => (
                  <Select {...wiring} value={family} onChange={(event) => setFamily(event.target.value)}>
                    {FAMILIES.map((id) => (
                      <option key={id} value={id}>
                        {familyName(job.snapshot.catalogs, id)}
                      </option>
                    ))}
                  </Select>
                )}
              </Field>
            </Box>
            <Press type="submit" kind="main" marginTop="24px" disabled={name.trim() === ''}>
              Add the part
            </Press>
          </Flex>
          {refusal && <ErrorNotice>{refusal}</ErrorNotice>}
        </Box>
      )}
    </Box>
  );
}
