import { Box, chakra, Flex } from '@chakra-ui/react';
import { groupOpen, groupWorn } from '@/core/report/groupOpen';
import type { ReportDocument, ReportPart } from '@/model/report';
import { LetterPart } from './LetterPart';

/** What else was seen, what is worn or sound, what is not settled: the last always open, the rest folded for who wants it. */
export function LetterRest({ document: report }: { readonly document: ReportDocument }) {
  const worn = groupWorn(report.worn);
  return (
    <>
      <NotSettled report={report} />
      {(report.evidence ?? []).length > 0 && (
        <Folded title="What else we saw">
          {report.evidence?.map(({ title, lines }) => (
            <p key={title}>
              <strong>{title}:</strong> {lines.join(' ')}
            </p>
          ))}
        </Folded>
      )}
      <PartNames title="Worn, within limits" parts={worn.within} />
      <PartNames title="Worn, judged by eye: no limit is known" parts={worn.byEye} />
      <PartNames title="Looked at and sound" parts={report.sound} />
    </>
  );
}

function NotSettled({ report }: { readonly report: ReportDocument }) {
  const { unseen, questioned } = groupOpen(report.open);
  if (report.open.length === 0) return null;
  return (
    <LetterPart title="Not settled">
      <Box color="second">These are open questions. They are not a sign that a part is good.</Box>
      {report.issuedDespite && (
        <p>
          Issued all the same by {report.issuedDespite.by}:{' '}
          {report.issuedDespite.reason.replace(/[.\s]+$/, '')}.
        </p>
      )}
      {questioned.map(({ positionId, name, questions }) => (
        <p key={positionId} data-open={positionId}>
          <strong>{name}:</strong> {questions.join('; ')}
        </p>
      ))}
      {unseen.length > 0 && (
        <p>
          <strong>Not looked at:</strong>{' '}
          {unseen.map(({ positionId, name }, index) => (
            <span key={positionId} data-open={positionId}>
              {index > 0 ? ', ' : ''}
              {name}
            </span>
          ))}
        </p>
      )}
    </LetterPart>
  );
}

function PartNames({ title, parts }: { readonly title: string; readonly parts: readonly ReportPart[] }) {
  if (parts.length === 0) return null;
  return (
    <Folded title={`${title} (${parts.length})`}>
      <Flex wrap="wrap" gap="4px 16px">
        {parts.map((part) => (
          <Box key={part.positionId} data-good={part.positionId}>
            {part.name} ({part.grade}, {part.gradeWord})
          </Box>
        ))}
      </Flex>
    </Folded>
  );
}

const Folded = ({ title, children }: { readonly title: string; readonly children: React.ReactNode }) => (
  <chakra.details borderTop="1px solid" borderColor="rule" marginTop="8px" paddingTop="8px">
    <chakra.summary minHeight="44px" fontWeight={650} cursor="pointer" paddingTop="10px">
      {title}
    </chakra.summary>
    {children}
  </chakra.details>
);
