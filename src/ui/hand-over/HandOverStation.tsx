'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useCallback, useEffect, useState } from 'react';
import type { BeforeIssue } from '@/core/open/beforeIssue';
import type { ReportDocument } from '@/model/report';
import { type OfJob, useBench } from '../job/useBench';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { send } from '../kit/send';
import { drawForLetter } from '../report/drawForLetter';
import { OfferForm } from '../report/OfferForm';
import { ReportPaper } from '../report/ReportPaper';
import { BesideSection } from '../section/BesideSection';
import { IssuedReport } from './IssuedReport';
import { IssueIt } from './IssueIt';
import { OffTheRack } from './OffTheRack';
import { OtherReports } from './OtherReports';
import { OwnerAnswers } from './OwnerAnswers';
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
  const customers = reports.filter(({ kind = 'customer' }) => kind === 'customer');
  const [draft, setDraft] = useState<Draft>();
  const [refusal, setRefusal] = useState('');
  const load = useCallback(async () => {
    const answer = await send<Draft>('GET', `/api/v1/jobs/${head.id}/reports`);
    if (answer.ok) setDraft(answer.value);
    else setRefusal(answer.refusal.message);
  }, [head.id]);
  // Anew with every report, of whichever kind: its number counts them all.
  const issued = reports.length;
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is asked for again when something was issued
  useEffect(() => void load(), [load, issued]);
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
      <OwnerAnswers job={job} />
      {customers.length === 0 && (
        <EmptyState>
          No report has been issued. An issue is frozen with its number and digest; a later one says what
          changed.
        </EmptyState>
      )}
      {customers.map((report) => (
        <IssuedReport key={report.number} job={job} report={report} />
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
          {customers.length > 0 && (
            <Box color="second">
              {draft.changes.length > 0
                ? `Against the last issue: ${draft.changes.join(' ')}`
                : 'Nothing changed since the last issue.'}
            </Box>
          )}
        </Box>
      )}
      <OtherReports job={job} />
      <OffTheRack job={job} mayHandOver={rights.includes('job.hand-over')} />
      {draft && (
        <Box border="1.5px solid" borderColor="rule" padding={{ base: '12px', md: '28px' }} marginTop="12px">
          <ReportPaper
            document={draft.document}
            photographUrl={(id) => `/api/v1/jobs/${head.id}/photographs/${id}?size=1280`}
            drawing={drawForLetter(draft.document, job.snapshot.unitType)}
            offer={draft.document.quote && <OfferForm quote={draft.document.quote} />}
          />
        </Box>
      )}
    </BesideSection>
  );
}
