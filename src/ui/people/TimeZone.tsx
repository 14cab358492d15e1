'use client';

import { Box, Heading } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Field, Select } from '../kit/Field';
import { send } from '../kit/send';

export interface ShopZone {
  /** Empty: the machine's. */
  readonly own: string;
  readonly inForce: string;
}

/** By which clock the shop counts its days. */
export function TimeZone({ zone }: { readonly zone: ShopZone }) {
  const router = useRouter();
  const [refusal, setRefusal] = useState('');
  const choose = async (timeZone: string) => {
    const answer = await send('PUT', '/api/v1/shop/time-zone', { timeZone });
    setRefusal(answer.ok ? '' : answer.refusal.message);
    if (answer.ok) router.refresh();
  };
  return (
    <Box as="section" padding="0 16px 16px" maxWidth="420px">
      <Heading as="h2" marginBottom="8px">
        The shop’s days
      </Heading>
      <Field
        label="Time zone"
        hint={`“Today”, due dates and report dates are told by it. In force: ${zone.inForce}.`}
        error={refusal || undefined}
      >
        {(wiring) => (
          <Select {...wiring} value={zone.own} onChange={(event) => void choose(event.target.value)}>
            <option value="">As this computer</option>
            {Intl.supportedValuesOf('timeZone').map((name) => (
              <option key={name} value={name}>
                {name}
              </option>
            ))}
          </Select>
        )}
      </Field>
    </Box>
  );
}
