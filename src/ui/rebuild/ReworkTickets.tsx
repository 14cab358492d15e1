'use client';

import { Box, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { type ReworkTicket, reworkTickets } from '@/core/rebuild/reworkTickets';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { TextField } from '../kit/Field';
import { figureOf } from '../kit/figureOf';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { GaugeChoice, gaugesOf } from './GaugeChoice';
import { ReworkForm } from './ReworkForm';

const STATES: Readonly<Record<ReworkTicket['state'], string>> = {
  out: 'not measured since',
  within: 'within, it may go in',
  beyond: 'beyond its figures: it may not go in',
  'too-close': 'too close to call: it may not go in',
  dropped: 'dropped',
};

/** Parts that are worked on before they go back in: what, to which figure, by whom; measured before and after. */
export function ReworkTickets({ job }: OfJob) {
  const { rights } = useBench();
  const tickets = reworkTickets(job.snapshot);
  const mayBuild = rights.includes('rebuild.do');
  return (
    <Box data-testid="rework">
      <Heading as="h2" fontSize="20px">
        Rework
      </Heading>
      <Box color="second" marginBottom="8px">
        A part with a ticket goes back in once it was measured within its figures.
      </Box>
      {tickets.length === 0 && <EmptyState>No part is worked on.</EmptyState>}
      {tickets.map((ticket) => (
        <Ticket key={ticket.id} job={job} ticket={ticket} mayBuild={mayBuild} />
      ))}
      {mayBuild && <ReworkForm job={job} />}
    </Box>
  );
}

interface TicketProps extends OfJob {
  readonly ticket: ReworkTicket;
  readonly mayBuild: boolean;
}

function Ticket({ job, ticket, mayBuild }: TicketProps) {
  const { position, words, state } = ticket;
  const isOpen = state !== 'within' && state !== 'dropped';
  return (
    <Box
      border="2px solid"
      borderStyle={state === 'out' ? 'dashed' : 'solid'}
      borderColor={state === 'beyond' || state === 'too-close' ? 'oxide' : 'ink'}
      padding="10px 12px"
      marginBottom="8px"
      data-rework={position.id}
      data-state={state}
    >
      <Box fontSize="18px" fontWeight={650}>
        {position.name}: {STATES[state]}
      </Box>
      <Box>{words}</Box>
      {isOpen && mayBuild && <AfterTheWork job={job} ticket={ticket} />}
    </Box>
  );
}

function AfterTheWork({ job, ticket }: Omit<TicketProps, 'mayBuild'>) {
  const keep = useKeep(job);
  const { gauges, usual } = gaugesOf(job.snapshot, {
    id: '',
    unit: 'mm',
    gaugeKinds: ['micrometer', 'caliper'],
  });
  const [gaugeId, setGaugeId] = useState(usual);
  const [after, setAfter] = useState('');
  const [reason, setReason] = useState('');
  const [trouble, setTrouble] = useState('');
  const keepAfter = async () => {
    const figure = figureOf(after);
    if (figure === undefined || Number.isNaN(figure))
      return setTrouble(after.trim() === '' ? 'What does it measure now?' : `“${after}” is no figure.`);
    const wrong = await keep(
      { what: 'rework-back', of: ticket.id, after: figure, gaugeId, note: '' },
      `${ticket.position.name} was measured after the work`,
    );
    setTrouble(wrong ?? '');
    if (wrong === undefined) setAfter('');
  };
  const drop = async () => {
    if (reason.trim() === '') return setTrouble('Say why the work is dropped.');
    setTrouble(
      (await keep({ what: 'rework-dropped', of: ticket.id, reason: reason.trim() }, 'The work is dropped')) ??
        '',
    );
  };
  return (
    <Box
      as="form"
      marginTop="8px"
      onSubmit={(event) => {
        event.preventDefault();
        void keepAfter();
      }}
    >
      <TextField label="After the work, mm" value={after} onText={setAfter} inputMode="decimal" />
      <GaugeChoice gauges={gauges} value={gaugeId} onGauge={setGaugeId} />
      <Press kind="main" type="submit">
        Measured after
      </Press>
      <Box as="details" marginTop="8px">
        <Box as="summary" cursor="pointer" minHeight="44px" paddingTop="10px">
          The work is not done after all
        </Box>
        <TextField label="Why" value={reason} onText={setReason} maxLength={200} />
        <Press onClick={() => void drop()}>Drop it</Press>
      </Box>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}
