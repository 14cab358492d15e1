'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import type { BundlePreview } from '@/model/bundle';
import { longDate, longInstant } from '../kit/dates';
import { TextField } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { PegPlate } from '../kit/PegPlate';
import { Press, PressLink } from '../kit/Press';
import { send } from '../kit/send';

interface TakeInProps {
  readonly preview: BundlePreview;
  readonly onDone: (peg: number) => void;
}

const MB = 1_000_000;

/** What a bundle holds and what taking it in does, before anything is done. */
export function TakeIn({ preview, onDone }: TakeInProps) {
  const { bundleId, shop, madeAt, title, machine, customer, bookedAt, homePeg, here } = preview;
  const [peg, setPeg] = useState(String(preview.peg));
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState('');
  const takeIn = async () => {
    setBusy(true);
    const answer = await send<{ peg: number }>('POST', `/api/v1/bundles/${bundleId}`, { peg: Number(peg) });
    setBusy(false);
    if (answer.ok) onDone(answer.value.peg);
    else setTrouble(answer.refusal.message);
  };
  return (
    <Box border="2px solid" borderColor="ink" padding="12px" marginTop="12px" data-testid="bundle-preview">
      <Flex gap="12px" align="center">
        <PegPlate peg={homePeg} />
        <div>
          <Heading as="h2" fontSize="18px">
            {title}, {machine}
          </Heading>
          <Box color="second">
            {customer}. Booked in {longDate(bookedAt)} at {shop}; bundle of {longInstant(madeAt)}.
          </Box>
        </div>
      </Flex>
      <Box as="ul" paddingLeft="18px" marginBlock="8px">
        <li>
          {preview.photographs} photographs, {preview.recordings > 0 && `${preview.recordings} recordings, `}
          {Math.ceil(preview.bytes / MB)} MB
          {preview.missing > 0 && `; ${preview.missing} were missing there already`}
        </li>
        {preview.people.length > 0 && <li>By name alone, without an account: {preview.people.join(', ')}</li>}
        {preview.along.length > 0 && <li>Comes along, for this job alone: {preview.along.join('; ')}</li>}
      </Box>
      {here !== null ? (
        <Flex gap="12px" align="center" wrap="wrap">
          <span>This very job is here already, on peg {here}. It isn’t taken in twice.</span>
          <PressLink href={`/jobs/${here}`}>Open it</PressLink>
        </Flex>
      ) : (
        <Flex
          as="form"
          gap="12px"
          align="flex-end"
          wrap="wrap"
          onSubmit={(event) => {
            event.preventDefault();
            void takeIn();
          }}
        >
          <TextField
            label="On which peg"
            hint={preview.peg === homePeg ? 'Its own is free here.' : `Its own, ${homePeg}, is taken here.`}
            value={peg}
            onText={setPeg}
            maxLength={6}
          />
          <Press kind="main" type="submit" disabled={busy || !/^\d+$/.test(peg)} marginBottom="12px">
            Take it in
          </Press>
        </Flex>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}
