'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import type { Recorded } from '@/core/strip/recordsOf';
import { waitingSamples } from '@/core/strip/waitingSamples';
import { CaptureLine } from '../job/CaptureLine';
import type { OfJob } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { TextField } from '../kit/Field';
import { figureOf } from '../kit/figureOf';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import { useKept } from '../kit/useKept';

/** A laboratory's answer, laid open for a person to take over. */
export interface Answered {
  readonly answersId: string;
  readonly sample: string;
  readonly distance: string;
  readonly table: string;
}

const ASK_EVERY_MS = 5000;
const EMPTY = { sample: '', distance: '' };

/** A sample goes to the laboratory, and comes back with its table after a while. */
export function SentSamples(props: OfJob & { readonly onAnswer: (answer: Answered) => void }) {
  const { job } = props;
  const keep = useKeep(props.job);
  const [{ sample, distance }, setText, forget] = useKept(`lab-sent ${job.snapshot.job.id}`, EMPTY);
  const [trouble, setTrouble] = useState('');
  const sendSample = async () => {
    const distanceKm = figureOf(distance);
    const wrong = await keep(
      { what: 'lab-sent', sample, ...(distanceKm === undefined ? {} : { distanceKm }) },
      `${sample} is on its way`,
    );
    setTrouble(wrong ?? '');
    if (!wrong) forget();
  };
  return (
    <Box marginTop="12px">
      {waitingSamples(job.snapshot.records).map((sent) => (
        <CaptureLine key={sent.id} kind="record" capture={{ ...sent, struck: null }} job={job}>
          <Waiting {...props} sent={sent} />
        </CaptureLine>
      ))}
      <Heading as="h4" fontSize="15px" marginTop="12px">
        Send a sample
      </Heading>
      <Flex
        as="form"
        gap="12px"
        wrap="wrap"
        align="flex-end"
        onSubmit={(event) => {
          event.preventDefault();
          void sendSample();
        }}
      >
        <Box flex="1 1 240px">
          <TextField
            label="What is written on the bottle"
            value={sample}
            onText={(typed) => setText({ sample: typed, distance })}
          />
        </Box>
        <Box flex="0 1 160px">
          <TextField
            label="Drawn at, km"
            value={distance}
            onText={(typed) => setText({ sample, distance: typed })}
            inputMode="decimal"
          />
        </Box>
        <Press type="submit" marginBottom="12px" disabled={sample.trim() === ''}>
          Send it to the laboratory
        </Press>
      </Flex>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}

type Reply = { readonly state: 'waiting' } | { readonly state: 'answered'; readonly table: string };

/** One sample on its way; asks the laboratory again and again until it answers. */
function Waiting({
  job,
  sent,
  onAnswer,
}: OfJob & { readonly sent: Recorded<'lab-sent'>; readonly onAnswer: (answer: Answered) => void }) {
  const [table, setTable] = useState<string>();
  const address = `/api/v1/jobs/${job.snapshot.job.id}/lab-answers/${sent.id}`;
  useEffect(() => {
    if (table !== undefined) return;
    let current = true;
    const ask = async () => {
      const answer = await send<Reply>('GET', address);
      if (current && answer.ok && answer.value.state === 'answered') setTable(answer.value.table);
    };
    void ask();
    const timer = setInterval(() => void ask(), ASK_EVERY_MS);
    return () => {
      current = false;
      clearInterval(timer);
    };
  }, [address, table]);
  const { sample, distanceKm } = sent.content;
  if (table === undefined)
    return (
      <span>
        <strong>{sample}</strong> is at the laboratory; its figures come here by themselves.
      </span>
    );
  return (
    <Flex gap="12px" align="center" wrap="wrap">
      <span>
        The laboratory has answered for <strong>{sample}</strong>.
      </span>
      <Press
        kind="main"
        onClick={() =>
          onAnswer({
            answersId: sent.id,
            sample,
            distance: distanceKm === undefined ? '' : String(distanceKm),
            table,
          })
        }
      >
        Look at its table
      </Press>
    </Flex>
  );
}
