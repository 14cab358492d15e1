'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useCallback, useEffect, useState } from 'react';
import type { BeforeIssue } from '@/core/open/beforeIssue';
import type { ReportDocument } from '@/model/report';
import { type OfJob, useBench } from '../job/useBench';
import { longInstant } from '../kit/dates';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { Press, PressLink } from '../kit/Press';
import { send } from '../kit/send';
import { ReportPaper } from '../report/ReportPaper';
import { BesideSection } from '../section/BesideSection';
import { IssueIt } from './IssueIt';
import { OffTheRack } from './OffTheRack';
import { StillOnDevices } from './StillOnDevices';

interface Draft {
  readonly document: ReportDocument;
  readonly changes: readonly string[];
  readonly nextNumber: number;
  readonly before: BeforeIssue;
}

/** The customer's report: what it would say now, its issues so far, and the link that the customer gets. */
export function HandOverStation({ job }: OfJob) {
  const { rights } = useBench();
  const { reports, job: head } = job.snapshot;
  const [draft, setDraft] = useState<Draft>();
  const [refusal, setRefusal] = useState('');
  const load = useCallback(async () => {
    const answer = await send<Draft>('GET', `/api/v1/jobs/${head.id}/reports`);
    if (answer.ok) setDraft(answer.value);
    else setRefusal(answer.refusal.message);
  }, [head.id]);
  useEffect(() => void load(), [load]);
  const issue = async (reason: string) => {
    const answer = await send('POST', `/api/v1/jobs/${head.id}/reports`, { reason });
    setRefusal(answer.ok ? '' : answer.refusal.message);
    await job.refresh();
    await load();
  };
  return (
    <BesideSection
      job={job}
      marked={job.parts.filter(({ standing }) => standing === 'attention').map(({ position }) => position.id)}
      note="Marked: what the customer is told of first."
    >
      <StillOnDevices job={job} />
      {reports.length === 0 && (
        <EmptyState>
          No report has been issued. An issue is frozen with its number and digest; a later one says what
          changed.
        </EmptyState>
      )}
      {reports.map((report) => (
        <Box
          key={report.number}
          borderBottom="1px solid"
          borderColor="rule"
          paddingBlock="8px"
          data-testid={`issue-${report.number}`}
        >
          <strong>
            Report {head.peg}-{report.number}
          </strong>
          , {longInstant(report.issuedAt)}, {report.issuedBy}
          <Box fontSize="13px" color="second" overflowWrap="anywhere">
            digest {report.digest}
          </Box>
          {report.changes.length > 0 && <Box fontSize="13px">What changed: {report.changes.join(' ')}</Box>}
          <Flex gap="8px" wrap="wrap" marginTop="8px">
            <PressLink href={`/jobs/${head.peg}/reports/${report.number}`}>Read it</PressLink>
            <PressLink href={`/api/v1/jobs/${head.id}/reports/${report.number}/pdf`}>PDF, A4</PressLink>
            <PressLink href={`/api/v1/jobs/${head.id}/reports/${report.number}/pdf?paper=letter`}>
              PDF, Letter
            </PressLink>
            {rights.includes('report.issue') && <CustomerLink jobId={head.id} number={report.number} />}
          </Flex>
        </Box>
      ))}
      {refusal && <ErrorNotice>{refusal}</ErrorNotice>}
      {draft && (
        <Box marginTop="16px">
          <Flex justify="space-between" align="center" gap="12px" wrap="wrap">
            <Heading as="h3" fontSize="16px">
              What issue {draft.nextNumber} would say now
            </Heading>
          </Flex>
          <IssueIt
            key={draft.nextNumber}
            before={draft.before}
            waitingHere={job.waiting.size}
            words={`Issue report ${head.peg}-${draft.nextNumber}`}
            {...(rights.includes('report.issue') ? { onIssue: (reason) => void issue(reason) } : {})}
          />
          {reports.length > 0 && (
            <Box color="second">
              {draft.changes.length > 0
                ? `Against the last issue: ${draft.changes.join(' ')}`
                : 'Nothing changed since the last issue.'}
            </Box>
          )}
          <Box
            border="1.5px solid"
            borderColor="rule"
            padding={{ base: '12px', md: '28px' }}
            marginTop="12px"
          >
            <ReportPaper
              document={draft.document}
              photographUrl={(id) => `/api/v1/jobs/${head.id}/photographs/${id}?size=1280`}
            />
          </Box>
        </Box>
      )}
      <OffTheRack job={job} mayHandOver={rights.includes('job.hand-over')} />
    </BesideSection>
  );
}

function CustomerLink({ jobId, number }: { readonly jobId: string; readonly number: number }) {
  const [link, setLink] = useState<{ url: string; expiresAt: string }>();
  const [words, setWords] = useState('');
  const make = async () => {
    const answer = await send<{ token: string; expiresAt: string }>(
      'POST',
      `/api/v1/jobs/${jobId}/reports/${number}/link`,
    );
    if (answer.ok)
      setLink({
        url: `${window.location.origin}/letter/${answer.value.token}`,
        expiresAt: answer.value.expiresAt,
      });
    else setWords(answer.refusal.message);
  };
  const withdraw = async () => {
    const answer = await send<{ withdrawn: number }>(
      'DELETE',
      `/api/v1/jobs/${jobId}/reports/${number}/link`,
    );
    setLink(undefined);
    setWords(
      answer.ok
        ? `${answer.value.withdrawn} link${answer.value.withdrawn === 1 ? '' : 's'} withdrawn.`
        : answer.refusal.message,
    );
  };
  return (
    <>
      <Press onClick={() => void make()}>Link for the customer</Press>
      <Press kind="quiet" onClick={() => void withdraw()}>
        withdraw links
      </Press>
      {words && <Box role="status">{words}</Box>}
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
