import { Box, Flex, Heading } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { formatNumber } from '@/core/quantity/format';
import type { ReportDocument } from '@/model/report';
import { longDate } from '../kit/dates';
import { PegPlate } from '../kit/PegPlate';
import type { MadeDrawing } from './drawForLetter';
import { LetterFound } from './LetterFound';
import { LetterPart } from './LetterPart';
import { LetterRest } from './LetterRest';
import { SureScale } from './SureScale';

interface ReportPaperProps {
  readonly document: ReportDocument;
  readonly photographUrl: (id: string) => string;
  readonly drawing: MadeDrawing | undefined;
  /** Under the title: which letter, when, until when it is to be answered. */
  readonly opening?: ReactNode;
  /** What is offered, where the owner looks for it: behind what is proposed. */
  readonly offer?: ReactNode;
}

/** The customer’s report as it reads on a screen, down to a phone's width: a letter, in plain words. */
export function ReportPaper({ document: report, photographUrl, drawing, opening, offer }: ReportPaperProps) {
  const { unit, shop, cause, proposal } = report;
  return (
    <Box as="article" maxWidth="600px" marginInline="auto" lineHeight="20px" fontStretch="100%">
      <Flex
        justify="space-between"
        align="center"
        gap="12px"
        borderBottom="2px solid"
        borderColor="metal"
        paddingBottom="8px"
      >
        <div>
          <Box fontWeight={650} fontSize="18px">
            {shop.name}
          </Box>
          <Box color="second" fontSize="13px">
            {[shop.place, shop.contact].filter(Boolean).join(' · ')}
          </Box>
        </div>
        <PegPlate peg={unit.peg} width={62} />
      </Flex>
      <Heading as="h1" fontSize="26px" lineHeight="32px" marginTop="16px">
        {unit.title}, {unit.machine}
      </Heading>
      <Box color="second" fontSize="13px">
        For {unit.customer}. Peg {unit.peg}
        {unit.serial ? `, serial ${unit.serial}` : ''}
        {unit.distanceKm === null ? '' : `, ${formatNumber(unit.distanceKm, 0)} km`}. Due{' '}
        {longDate(unit.dueOn)}.
      </Box>
      {opening}
      <LetterPart title="What you told us">
        <Box borderLeft="2px solid" borderColor="ink" paddingLeft="12px">
          “{report.complaint}”
          {report.symptoms.length > 0 && (
            <Box color="second" fontSize="13px">
              {report.symptoms.join('; ')}
            </Box>
          )}
        </Box>
      </LetterPart>
      <LetterFound document={report} {...{ drawing, photographUrl }} />
      <LetterPart title="Why">
        <p>{cause?.words ?? 'The cause is not known yet.'}</p>
        {cause && (
          <>
            <SureScale words={cause.sureness} />
            <Box color="second">
              How sure we are: {cause.sureness}.
              {cause.firstFailure ? ` What failed first, as far as we can tell: ${cause.firstFailure}.` : ''}
            </Box>
          </>
        )}
      </LetterPart>
      <LetterPart title="What we propose">
        <p>{proposal ? `${proposal.decision}. ${proposal.reason}` : 'Nothing is decided yet.'}</p>
        {report.partDecisions.map(({ decision, parts }) => (
          <p key={decision}>
            <strong>{decision}:</strong> {parts.join(', ')}
          </p>
        ))}
      </LetterPart>
      {offer}
      <LetterRest document={report} />
      {report.watch && (
        <LetterPart title="What to watch">
          <p>{report.watch}</p>
        </LetterPart>
      )}
      <LetterPart title="Please note">
        {report.cautions.map(({ title, words }) => (
          <p key={title}>
            <strong>{title}.</strong> {words}
          </p>
        ))}
      </LetterPart>
    </Box>
  );
}
