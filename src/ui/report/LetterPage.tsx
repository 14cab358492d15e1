'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import type { ReportDocument } from '@/model/report';
import type { ReportIssueHead } from '@/model/snapshot';
import { longInstant } from '../kit/dates';
import { PressLink } from '../kit/Press';
import { ReportPaper } from './ReportPaper';

interface LetterPageProps {
  readonly document: ReportDocument;
  readonly issue: ReportIssueHead;
  readonly photographBase: string;
  readonly photographEnd: string;
  readonly pdfUrl: string;
  readonly back?: string;
}

/** An issued report on the screen, with what changed, its digest, and the paper version. */
export function LetterPage({
  document,
  issue,
  photographBase,
  photographEnd,
  pdfUrl,
  back,
}: LetterPageProps) {
  return (
    <Box as="main" padding={{ base: '16px', md: '32px' }} maxWidth="840px" margin="0 auto">
      <Flex justify="space-between" align="center" gap="12px" wrap="wrap" marginBottom="16px">
        <Box>
          <Heading as="h1" fontSize="18px">
            Report {document.unit.peg}-{issue.number}: {document.unit.title}
          </Heading>
          {longInstant(issue.issuedAt)}, {issue.issuedBy}
        </Box>
        <Flex gap="8px">
          {back && <PressLink href={back}>Back to the job</PressLink>}
          <PressLink href={pdfUrl} kind="main">
            As PDF
          </PressLink>
        </Flex>
      </Flex>
      {issue.changes.length > 0 && (
        <Box borderLeft="4px solid" borderColor="metal" paddingLeft="12px" marginBottom="16px">
          <strong>What changed since issue {issue.number - 1}:</strong>
          {issue.changes.map((change) => (
            <Box key={change}>{change}</Box>
          ))}
        </Box>
      )}
      <ReportPaper document={document} photographUrl={(id) => `${photographBase}${id}${photographEnd}`} />
      <Box marginTop="24px" fontSize="13px" color="second" overflowWrap="anywhere">
        Frozen when issued. Digest {issue.digest}
      </Box>
    </Box>
  );
}
