'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { tellSlack } from '@/core/planning/readyDay';
import type { WaitingJob, WaitingOrder } from '@/core/planning/waiting';
import type { Actor } from '@/model/people';
import { PageHead } from '../frame/PageHead';
import { longDate, shortDate } from '../kit/dates';
import { PegPlate } from '../kit/PegPlate';
import { PressLink } from '../kit/Press';

interface WaitingPageProps {
  readonly jobs: readonly WaitingJob[];
  readonly today: string;
  readonly actor: Actor;
}

/** What waits: for whoever orders first what must be ordered, for whoever builds first what can be built now, for all what holds whom. */
export function WaitingPage({ jobs, today, actor }: WaitingPageProps) {
  const orders = jobs.flatMap((job) => job.orders.map((order) => ({ job, order })));
  const sections: Record<string, ReactNode> = {
    order: (
      <Section key="order" title="To order" empty="Everything that must be new is ordered.">
        {jobs
          .filter(({ toOrder }) => toOrder.length > 0)
          .map((job) => (
            <JobLine key={job.peg} job={job} today={today} station="decide">
              {job.toOrder.length} {job.toOrder.length === 1 ? 'part' : 'parts'}: {some(job.toOrder)}
            </JobLine>
          ))}
      </Section>
    ),
    back: (
      <Section key="back" title="To send back" empty="Nothing that came is wrong.">
        {jobs
          .filter(({ toSendBack }) => toSendBack.length > 0)
          .map((job) => (
            <JobLine key={job.peg} job={job} today={today} station="decide" isBad>
              {job.isHandedOver && 'The unit is handed over. '}
              {job.toSendBack.join('; ')}
            </JobLine>
          ))}
      </Section>
    ),
    promised: (
      <Section
        key="promised"
        title="Later than promised"
        empty="No unit of which all is ordered comes later than promised."
      >
        {jobs
          .filter(({ ready }) => ready !== undefined && ready.slack < 0)
          .map((job) => (
            <JobLine key={job.peg} job={job} today={today} station="hand-over" isBad>
              last part {shortDate(job.ready!.partsOn, today)}, ready at the earliest{' '}
              {shortDate(job.ready!.readyOn, today)}: {tellSlack(job.ready!.slack)}. Tell {job.customer}{' '}
              today.
            </JobLine>
          ))}
      </Section>
    ),
    late: (
      <Section key="late" title="Late" empty="Nothing that was ordered is late.">
        {orders
          .filter(({ order }) => order.isLate)
          .map(({ job, order }) => (
            <JobLine key={`${job.peg} ${order.supplier}`} job={job} today={today} station="decide" isBad>
              {order.supplier}, expected {longDate(order.expected)}: {some(order.lines)}
            </JobLine>
          ))}
      </Section>
    ),
    coming: (
      <Section key="coming" title="On its way, or here" empty="Nothing is on its way.">
        {orders
          .filter(({ order }) => !order.isLate)
          .map(({ job, order }) => (
            <JobLine key={`${job.peg} ${order.supplier}`} job={job} today={today} station="decide">
              {order.supplier}: {tellOrder(order)}
            </JobLine>
          ))}
      </Section>
    ),
    answers: (
      <Section key="answers" title="Owners answered" empty="No owner has answered or asked.">
        {jobs
          .filter(({ answers }) => answers.length > 0)
          .map((job) => (
            <JobLine key={job.peg} job={job} today={today} station="hand-over">
              {job.answers.slice(-2).join('. ')}
            </JobLine>
          ))}
      </Section>
    ),
    build: (
      <Section key="build" title="Can be built now" empty="No unit has all its parts yet.">
        {jobs
          .filter(({ canRebuild }) => canRebuild)
          .map((job) => (
            <JobLine key={job.peg} job={job} today={today} station="rebuild">
              everything is decided and here
            </JobLine>
          ))}
      </Section>
    ),
    missing: (
      <Section key="missing" title="Waits for parts" empty="No unit waits for parts.">
        {jobs
          .filter(({ missing, canRebuild }) => missing.length > 0 && !canRebuild)
          .map((job) => (
            <JobLine key={job.peg} job={job} today={today} station="decide">
              not here yet: {some(job.missing)}
            </JobLine>
          ))}
      </Section>
    ),
    holds: (
      <Section key="holds" title="On hold" empty="Nothing is on hold.">
        {jobs
          .flatMap((job) => job.holds.map((hold) => ({ job, hold })))
          .sort((a, b) => (a.hold.until ?? '9').localeCompare(b.hold.until ?? '9'))
          .map(({ job, hold }) => (
            <JobLine
              key={`${job.peg} ${hold.since}`}
              job={job}
              today={today}
              station="decide"
              isBad={hold.isOver}
            >
              {hold.reason}. {hold.whoActs ? `Turn of ${hold.whoActs}. ` : ''}
              {hold.next ? `Next: ${hold.next}. ` : ''}Since {longDate(hold.since)}
              {hold.until ? `, ${hold.isOver ? 'was expected' : 'expected'} by ${longDate(hold.until)}` : ''}.
            </JobLine>
          ))}
      </Section>
    ),
  };
  const order =
    actor.role === 'assembler'
      ? ['build', 'missing', 'promised', 'holds', 'answers', 'late', 'back', 'coming', 'order']
      : ['answers', 'back', 'order', 'promised', 'late', 'coming', 'holds', 'missing', 'build'];
  return (
    <Box minHeight="100dvh">
      <PageHead title="What waits" actor={actor} back={{ href: '/?all', words: 'To the rack' }} />
      <Box padding="16px" maxWidth="1080px">
        <Flex gap="8px" wrap="wrap" marginBottom="8px">
          <PressLink href="/prices">Prices and shelf</PressLink>
          <PressLink href="/api/v1/waiting">As a calendar (iCalendar file)</PressLink>
        </Flex>
        {order.map((id) => sections[id])}
      </Box>
    </Box>
  );
}

/** Ordered, come and fit to go in are three things. */
function tellOrder({ state, lines, unchecked, expected }: WaitingOrder): string {
  const told = [
    lines.length > 0 ? `${some(lines)}, expected ${longDate(expected)}` : '',
    state === 'wrong' ? 'what came is not all what was ordered' : '',
    state === 'back' ? 'what was wrong of it went back' : '',
    unchecked.length > 0 ? `here, not laid beside the old part: ${some(unchecked)}` : '',
  ].filter(Boolean);
  return told.length > 0 ? told.join('; ') : 'all of it is here';
}

const some = (names: readonly string[]): string =>
  names.length <= 4 ? names.join(', ') : `${names.slice(0, 3).join(', ')} and ${names.length - 3} more`;

function Section({
  title,
  empty,
  children,
}: {
  readonly title: string;
  readonly empty: string;
  readonly children: ReactNode[];
}) {
  return (
    <Box as="section" aria-label={title} marginBottom="16px">
      <Heading as="h2" borderBottom="2px solid" borderColor="ink" paddingBottom="4px">
        {title}{' '}
        <Box as="span" fontSize="15px" fontWeight={400}>
          {children.length > 0 && children.length}
        </Box>
      </Heading>
      {children.length === 0 ? <Box color="second">{empty}</Box> : children}
    </Box>
  );
}

interface JobLineProps {
  readonly job: WaitingJob;
  readonly today: string;
  readonly station: string;
  readonly isBad?: boolean;
  readonly children: ReactNode;
}

function JobLine({ job, today, station, isBad = false, children }: JobLineProps) {
  return (
    <Flex
      gap="12px"
      align="center"
      borderBottom="1px solid"
      borderColor="rule"
      paddingBlock="6px"
      minHeight="56px"
    >
      <PegPlate peg={job.peg} />
      <Box flex="1" minWidth="0">
        <Box fontWeight={650}>{job.title}</Box>
        <Box color={isBad ? 'oxide' : undefined}>{children}</Box>
      </Box>
      <Box fontSize="13px" color={job.dueOn < today ? 'oxide' : 'second'} whiteSpace="nowrap">
        due {shortDate(job.dueOn, today)}
      </Box>
      <PressLink href={`/jobs/${job.peg}?station=${station}`}>Open</PressLink>
    </Flex>
  );
}
