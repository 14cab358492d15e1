'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { longInstant } from '../kit/dates';
import { TextField } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press, PressLink } from '../kit/Press';
import { send } from '../kit/send';

interface CustomerLinkProps {
  readonly jobId: string;
  readonly number: number;
  /** How the customer is reached, as it was put down at the counter: a mail address or something else. */
  readonly contact: string;
}

const mailIn = (contact: string): string => /[^\s<>,;]+@[^\s<>,;]+/.exec(contact)?.[0] ?? '';

/** How a letter reaches the customer: by mail, or by a link that somebody hands over; and how its links are ended. */
export function CustomerLink({ jobId, number, contact }: CustomerLinkProps) {
  const [link, setLink] = useState<{ url: string; expiresAt: string }>();
  const [mailing, setMailing] = useState(false);
  const [to, setTo] = useState(mailIn(contact));
  const [sent, setSent] = useState('');
  const [words, setWords] = useState('');
  const [trouble, setTrouble] = useState('');
  const base = `/api/v1/jobs/${jobId}/reports/${number}`;
  const make = async () => {
    const answer = await send<{ token: string; expiresAt: string }>('POST', `${base}/link`);
    setTrouble(answer.ok ? '' : answer.refusal.message);
    if (answer.ok)
      setLink({
        url: `${window.location.origin}/letter/${answer.value.token}`,
        expiresAt: answer.value.expiresAt,
      });
  };
  const mail = async () => {
    const answer = await send<{ mailId: string }>('POST', `${base}/mail`, { to });
    setTrouble(answer.ok ? '' : answer.refusal.message);
    if (!answer.ok) return;
    setMailing(false);
    setSent(answer.value.mailId);
    setWords(`The letter to ${to} lies in the outbox.`);
  };
  const withdraw = async () => {
    const answer = await send<{ withdrawn: number }>('DELETE', `${base}/link`);
    setTrouble(answer.ok ? '' : answer.refusal.message);
    if (!answer.ok) return;
    setLink(undefined);
    setSent('');
    const { withdrawn } = answer.value;
    setWords(`${withdrawn} link${withdrawn === 1 ? '' : 's'} withdrawn.`);
  };
  return (
    <>
      <Press kind="main" onClick={() => setMailing(!mailing)} aria-expanded={mailing}>
        Mail it
      </Press>
      <Press onClick={() => void make()}>Link for the customer</Press>
      <Press kind="quiet" onClick={() => void withdraw()}>
        withdraw links
      </Press>
      {mailing && (
        <Flex
          as="form"
          width="100%"
          gap="8px"
          align="flex-end"
          wrap="wrap"
          onSubmit={(event) => {
            event.preventDefault();
            void mail();
          }}
        >
          <TextField label="To which address" value={to} onText={setTo} maxLength={120} />
          <Press kind="main" type="submit" marginBottom="12px" disabled={to.trim() === ''}>
            Into the outbox
          </Press>
        </Flex>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      {words && (
        <Box role="status" width="100%">
          {words} {sent && <PressLink href={`/api/v1/outbox/${sent}`}>Look at it</PressLink>}
        </Box>
      )}
      {link && (
        <Box width="100%" fontSize="13px" overflowWrap="anywhere" data-testid="customer-link">
          <a href={link.url}>{link.url}</a>
          <Box color="second">
            Opens this report alone, until {longInstant(link.expiresAt)}. Copy it now: it is shown once.
          </Box>
        </Box>
      )}
    </>
  );
}
