'use client';

import { Box, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { orderFound } from '@/core/strip/orderFound';
import { recordsOf } from '@/core/strip/recordsOf';
import type { StripPlan } from '@/core/strip/stripPlan';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { TextField } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';

type Props = OfJob & { readonly plan: StripPlan };

/** It came apart in another order than the type says: whoever did it proposes that order, the lead keeps it. */
export function BetterOrder(props: Props) {
  const { job, plan } = props;
  const { rights } = useBench();
  const { unitType, records } = job.snapshot;
  const order = orderFound(unitType, plan);
  const proposed = recordsOf(records, 'order').at(-1);
  if (!order) return null;
  return (
    <Box as="section" aria-label="Another order" marginTop="24px" data-testid="better-order">
      <Heading as="h3" fontSize="16px">
        It came apart in another order
      </Heading>
      <Box as="ol" paddingLeft="24px" fontSize="13px">
        {order.map(({ id, title }) => (
          <li key={id}>{title}</li>
        ))}
      </Box>
      {proposed && (
        <Box>
          Proposed by {proposed.author}: {proposed.content.why}
        </Box>
      )}
      {rights.includes('unit-type.keep') ? (
        <Keep {...props} why={proposed?.content.why ?? ''} />
      ) : (
        !proposed && <Propose {...props} />
      )}
    </Box>
  );
}

function Propose(props: OfJob) {
  const keep = useKeep(props.job);
  const [why, setWhy] = useState('');
  const [trouble, setTrouble] = useState('');
  return (
    <Box
      as="form"
      onSubmit={(event) => {
        event.preventDefault();
        void keep({ what: 'order', why }, 'The order is proposed').then((wrong) => setTrouble(wrong ?? ''));
      }}
    >
      <TextField label="Why it is better" value={why} onText={setWhy} />
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Press type="submit" disabled={why.trim() === ''}>
        Propose it for the type
      </Press>
    </Box>
  );
}

function Keep({ job, why }: OfJob & { readonly why: string }) {
  const [note, setNote] = useState(why);
  const [told, setTold] = useState('');
  const [trouble, setTrouble] = useState('');
  const keep = async () => {
    const answer = await send<{ revision: number }>('PUT', `/api/v1/jobs/${job.snapshot.job.id}/order`, {
      note,
    });
    setTrouble(answer.ok ? '' : answer.refusal.message);
    if (!answer.ok) return;
    setTold(`Kept as revision ${answer.value.revision} of the type.`);
    await job.refresh();
  };
  return (
    <Box
      as="form"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <TextField label="Why the type should have it so" value={note} onText={setNote} />
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      {told && <Box role="status">{told}</Box>}
      <Press type="submit" disabled={note.trim() === ''}>
        Keep this order for the type
      </Press>
    </Box>
  );
}
