'use client';

import { Box } from '@chakra-ui/react';
import type { Mail } from '@/model/mail';
import type { Actor } from '@/model/people';
import { PageHead } from '../frame/PageHead';
import { longInstant } from '../kit/dates';
import { EmptyState } from '../kit/Notice';
import { PressLink } from '../kit/Press';

/** What would be sent by mail: to whom, about which unit, and the message itself as a file. */
export function Outbox({ actor, mails }: { readonly actor: Actor; readonly mails: readonly Mail[] }) {
  return (
    <>
      <PageHead title="Outbox" actor={actor} back={{ href: '/waiting', words: 'What waits' }} />
      <Box as="main" padding="16px" maxWidth="900px">
        <Box color="second" marginBottom="12px">
          Nothing leaves the house by itself: whatever sends for the shop takes these files. Each holds the
          letter’s link, so that only who sends letters sees them.
        </Box>
        {mails.length === 0 && <EmptyState>No letter was mailed yet.</EmptyState>}
        {mails.map(({ id, peg, recipient, subject, by, at }) => (
          <Box
            key={id}
            data-mail={id}
            display="flex"
            gap="12px"
            alignItems="center"
            flexWrap="wrap"
            borderBottom="1px solid"
            borderColor="rule"
            paddingBlock="8px"
          >
            <Box flex="1 1 320px" minWidth="0" overflowWrap="anywhere">
              <strong>{subject}</strong>
              <Box fontSize="13px" color="second">
                to {recipient}, {longInstant(at)}, {by}
              </Box>
            </Box>
            <PressLink href={`/jobs/${peg}?station=hand-over`}>Peg {peg}</PressLink>
            <PressLink href={`/api/v1/outbox/${id}`}>The message (.eml)</PressLink>
          </Box>
        ))}
      </Box>
    </>
  );
}
