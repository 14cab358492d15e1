'use client';

import { Box, Heading } from '@chakra-ui/react';
import Link from 'next/link';
import { useState } from 'react';
import type { OfJob } from '../job/useBench';
import { TextField } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';

/** A unit that was described while it came apart becomes a type of the shop: the next one like it is booked in with it. */
export function KeepAsType({ job }: OfJob) {
  const { unitType } = job.snapshot;
  const [title, setTitle] = useState(unitType.title);
  const [trouble, setTrouble] = useState('');
  const [kept, setKept] = useState<string>();
  const keep = async () => {
    const newId = idOf(title);
    if (newId === '') return setTrouble('What is it called? It is chosen by this name at the counter.');
    const answer = await send('POST', `/api/v1/jobs/${job.snapshot.job.id}/type-of-shop`, { newId, title });
    if (!answer.ok) return setTrouble(answer.refusal.message);
    setTrouble('');
    setKept(newId);
  };
  return (
    <Box
      as="form"
      marginTop="24px"
      data-testid="keep-as-type"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <Heading as="h3" fontSize="16px">
        Keep it as a type of the shop
      </Heading>
      {kept ? (
        <Box>
          It stands among the <Link href={`/unit-types/${kept}`}>unit types</Link> as {title}; this job stays
          with its own.
        </Box>
      ) : (
        <>
          <TextField
            label="Name of the type"
            hint={`${unitType.positions.length} parts, ${unitType.steps.length} steps and ${unitType.checks.length} checks go with it; limits are set on its sheet.`}
            value={title}
            onText={setTitle}
          />
          {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
          <Press type="submit">Keep it</Press>
        </>
      )}
    </Box>
  );
}

/** Small letters, figures and dashes, as ids are. */
const idOf = (title: string): string =>
  title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 48);
