'use client';

import { Box, Flex } from '@chakra-ui/react';
import { Global } from '@emotion/react';
import type { Quote, QuoteAnswer } from '@/model/quote';
import type { ReportDocument } from '@/model/report';
import type { ReportIssueHead } from '@/model/snapshot';
import { longDate, longInstant } from '../kit/dates';
import { PressLink } from '../kit/Press';
import type { MadeDrawing } from './drawForLetter';
import { LetterQuestions } from './LetterQuestions';
import { NIGHT_OF_READER, ON_PAPER } from './nightOfReader';
import { type ChosenBefore, OfferForm } from './OfferForm';
import { Receipt } from './Receipt';
import { ReportPaper } from './ReportPaper';

/** For the owner: how he answers, and where his answer stands. */
export interface LetterReply {
  /** Where the forms go. */
  readonly action: string;
  readonly answer: QuoteAnswer | undefined;
  readonly questions: readonly QuoteAnswer[];
  readonly isOver: boolean;
  readonly hasBegun: boolean;
  /** The offer with the days that hold if it is answered today. */
  readonly quoteToday: Quote | undefined;
  /** Until when the link opens, ISO. */
  readonly until: string;
  readonly before: ChosenBefore | undefined;
  readonly today: string;
}

interface LetterPageProps {
  readonly document: ReportDocument;
  readonly issue: ReportIssueHead;
  readonly drawing: MadeDrawing | undefined;
  readonly photographBase: string;
  readonly photographEnd: string;
  readonly pdfUrl: string;
  readonly back?: string;
  readonly reply?: LetterReply;
}

/** An issued report on the screen, with what changed, its digest, and the paper version; where the owner reads it, his reply. */
export function LetterPage({
  document,
  issue,
  drawing,
  photographBase,
  photographEnd,
  pdfUrl,
  back,
  reply,
}: LetterPageProps) {
  const number = `${document.unit.peg}-${issue.number}`;
  return (
    <Box as="main" padding={{ base: '16px', md: '32px' }} maxWidth="664px" margin="0 auto">
      <Global styles={reply ? [NIGHT_OF_READER, ON_PAPER] : [ON_PAPER]} />
      <Flex className="not-on-paper" justify="flex-end" gap="8px" marginBottom="8px">
        {back && <PressLink href={back}>Back to the job</PressLink>}
        <PressLink href={pdfUrl}>As PDF</PressLink>
      </Flex>
      <ReportPaper
        {...{ document, drawing }}
        photographUrl={(id) => `${photographBase}${id}${photographEnd}`}
        opening={<Opening {...{ document, issue, number, reply }} />}
        offer={<Offer {...{ document, number, reply }} />}
      />
      <Box marginTop="24px" fontSize="13px" color="second" overflowWrap="anywhere">
        {issue.issuedBy}, {document.shop.name}.{' '}
        {reply && `This page shows this one job, until ${longDate(reply.until)}. `}
        Frozen when issued. Digest {issue.digest}
      </Box>
    </Box>
  );
}

type OpeningProps = Pick<LetterPageProps, 'document' | 'issue' | 'reply'> & { readonly number: string };

function Opening({ document, issue, number, reply }: OpeningProps) {
  const canAnswer = reply && document.quote && !reply.answer && !reply.isOver;
  return (
    <>
      <Box color="second" fontSize="13px">
        Report {number}, {longInstant(issue.issuedAt)}, {issue.issuedBy}
      </Box>
      {canAnswer && (
        <Box marginTop="8px">
          Please choose on the slip below by <strong>{longDate(reply.until)}</strong>.
        </Box>
      )}
      {issue.changes.length > 0 && (
        <Box borderLeft="4px solid" borderColor="metal" paddingLeft="12px" marginTop="12px">
          <strong>What changed since issue {issue.previous ?? issue.number - 1}:</strong>
          {issue.changes.map((change) => (
            <Box key={change}>{change}</Box>
          ))}
        </Box>
      )}
    </>
  );
}

/** Until when the days in the letter hold; after that the slips below name new ones. */
function DaysHold({ quote: { daysHoldUntil }, today }: { readonly quote: Quote; readonly today: string }) {
  if (daysHoldUntil === undefined) return null;
  return (
    <Box marginTop="20px" fontWeight={650} data-testid="days-hold">
      {today > daysHoldUntil
        ? `The days in our letter held until ${longDate(daysHoldUntil)}. Chosen today, it is ready on the days below.`
        : `The days below hold if you choose by ${longDate(daysHoldUntil)}; after that it takes longer.`}
    </Box>
  );
}

type OfferProps = Pick<LetterPageProps, 'document' | 'reply'> & { readonly number: string };

function Offer({ document: { quote }, number, reply }: OfferProps) {
  if (!quote) return reply ? <LetterQuestions {...reply} /> : null;
  if (!reply) return <OfferForm quote={quote} />;
  const { answer, isOver, action, before, today } = reply;
  const isOpen = !answer && !isOver;
  return (
    <Box id="answer">
      {isOver && (
        <Box borderLeft="4px solid" borderColor="oxide" paddingLeft="12px" marginTop="20px">
          We have sent you a newer offer since. Please answer that one; this one is over.
        </Box>
      )}
      {isOpen && <DaysHold quote={quote} today={today} />}
      {/* The question comes before the reply, as one would ask before one agrees. */}
      <OfferForm
        quote={isOpen ? (reply.quoteToday ?? quote) : quote}
        between={<LetterQuestions {...reply} />}
        {...(isOpen ? { action, before, today } : {})}
      />
      {answer && <Receipt {...{ answer, quote, number, action }} hasBegun={reply.hasBegun} />}
    </Box>
  );
}
