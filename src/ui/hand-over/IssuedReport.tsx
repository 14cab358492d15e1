import { Box, Flex } from '@chakra-ui/react';
import type { ReportIssueHead } from '@/model/snapshot';
import type { OfJob } from '../job/useBench';
import { useBench } from '../job/useBench';
import { longInstant } from '../kit/dates';
import { PressLink } from '../kit/Press';
import { CustomerLink } from './CustomerLink';
import { KIND_WORDS } from './kindWords';

/** One report that was issued: what it is, what changed, and in which forms it is had. */
export function IssuedReport({ job, report }: OfJob & { readonly report: ReportIssueHead }) {
  const { rights } = useBench();
  const { id, peg, customerContact } = job.snapshot.job;
  const { number, kind = 'customer', issuedAt, issuedBy, digest, changes } = report;
  const file = (as: string) => `/api/v1/jobs/${id}/reports/${number}/${as}`;
  return (
    <Box borderBottom="1px solid" borderColor="rule" paddingBlock="8px" data-testid={`issue-${number}`}>
      <strong>
        Report {peg}-{number}
      </strong>
      , {KIND_WORDS[kind]}, {longInstant(issuedAt)}, {issuedBy}
      <Box fontSize="13px" color="second" overflowWrap="anywhere">
        digest {digest}
      </Box>
      {changes.length > 0 && <Box fontSize="13px">What changed: {changes.join(' ')}</Box>}
      <Flex gap="8px" wrap="wrap" marginTop="8px">
        <PressLink href={kind === 'customer' ? `/jobs/${peg}/reports/${number}` : file('html')}>
          Read it
        </PressLink>
        <PressLink href={file('pdf')}>PDF, A4</PressLink>
        <PressLink href={`${file('pdf')}?paper=letter`}>PDF, Letter</PressLink>
        <PressLink href={file('html')} download>
          HTML
        </PressLink>
        <PressLink href={file('csv')}>CSV</PressLink>
        <PressLink href={file('json')}>JSON</PressLink>
        {kind === 'customer' && rights.includes('quote.send') && (
          <CustomerLink jobId={id} number={number} contact={customerContact} />
        )}
      </Flex>
    </Box>
  );
}
