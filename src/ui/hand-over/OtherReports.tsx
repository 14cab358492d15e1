'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import type { PaperDocument } from '@/model/paper';
import { type OfJob, useBench } from '../job/useBench';
import { ErrorNotice } from '../kit/Notice';
import { Press, PressLink } from '../kit/Press';
import { send } from '../kit/send';
import { IssuedReport } from './IssuedReport';

const KINDS: readonly {
  readonly kind: PaperDocument['kind'];
  readonly words: string;
  readonly what: string;
}[] = [
  {
    kind: 'colleague',
    words: 'Issue it for colleagues',
    what: 'All checks with their limits, how everything lay, evidence, cause and decisions: enough to rebuild from.',
  },
  { kind: 'parts', words: 'Issue the list of parts', what: 'By supplier, with what each part is told by.' },
];

/** Reports for colleagues and of the parts: each kind frozen by itself, a later one says what changed. */
export function OtherReports({ job }: OfJob) {
  const { rights } = useBench();
  const { reports, job: head } = job.snapshot;
  const [trouble, setTrouble] = useState('');
  const [busy, setBusy] = useState(false);
  const issue = async (kind: PaperDocument['kind']) => {
    setBusy(true);
    const answer = await send('POST', `/api/v1/jobs/${head.id}/reports`, { kind });
    setTrouble(answer.ok ? '' : answer.refusal.message);
    await job.refresh();
    setBusy(false);
  };
  return (
    <Box
      as="section"
      aria-label="Other reports"
      marginTop="24px"
      borderTop="2px solid"
      borderColor="ink"
      paddingTop="8px"
    >
      <Heading as="h3" fontSize="16px">
        For colleagues, and of the parts
      </Heading>
      {KINDS.map(({ kind, words, what }) => (
        <Box key={kind} marginTop="8px">
          {reports
            .filter((report) => report.kind === kind)
            .map((report) => (
              <IssuedReport key={report.number} job={job} report={report} />
            ))}
          {rights.includes('report.issue') && (
            <Flex gap="12px" align="center" wrap="wrap" marginTop="8px">
              <Press disabled={busy} onClick={() => void issue(kind)}>
                {words}
              </Press>
              <Box as="span" fontSize="13px" color="second" flex="1 1 240px">
                {what}
              </Box>
            </Flex>
          )}
        </Box>
      ))}
      {rights.includes('bundle.move') && (
        <Flex gap="12px" align="center" wrap="wrap" marginTop="12px">
          <PressLink href={`/api/v1/jobs/${head.id}/bundle`} download>
            The whole job as a bundle (ZIP)
          </PressLink>
          <Box as="span" fontSize="13px" color="second" flex="1 1 240px">
            With its photographs and all that it was judged by, for another shop or another program.
          </Box>
        </Flex>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}
