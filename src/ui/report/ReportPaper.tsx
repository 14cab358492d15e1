import { Box, chakra, Flex, Grid, Heading } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { formatNumber } from '@/core/quantity/format';
import { groupOpen, groupWorn } from '@/core/report/groupOpen';
import type { ReportDocument, ReportPart } from '@/model/report';
import { longDate } from '../kit/dates';
import { GradeMark } from '../kit/GradeMark';
import { MarksLayer } from '../picture/MarksLayer';

interface ReportPaperProps {
  readonly document: ReportDocument;
  readonly photographUrl: (id: string) => string;
}

/** The report as it reads on a screen, down to a phone's width: a letter, in plain words. */
export function ReportPaper({ document: report, photographUrl }: ReportPaperProps) {
  const { unit, shop, cause, proposal } = report;
  const { unseen, questioned } = groupOpen(report.open);
  const worn = groupWorn(report.worn);
  return (
    <Box as="article" maxWidth="760px" lineHeight="22px">
      <Box borderBottom="2px solid" borderColor="metal" paddingBottom="8px">
        <Box fontWeight={650} fontSize="18px">
          {shop.name}
        </Box>
        <Box color="second">{[shop.place, shop.contact].filter(Boolean).join(' · ')}</Box>
      </Box>
      <Heading as="h2" fontSize="26px" lineHeight="32px" marginTop="16px">
        {unit.title}, {unit.machine}
      </Heading>
      <Box color="second">
        For {unit.customer}. Peg {unit.peg}
        {unit.serial ? `, serial ${unit.serial}` : ''}
        {unit.distanceKm === null ? '' : `, ${formatNumber(unit.distanceKm, 0)} km`}. Due{' '}
        {longDate(unit.dueOn)}.
      </Box>
      <Part title="Your complaint">
        <p>“{report.complaint}”</p>
        {report.symptoms.length > 0 && <Box color="second">{report.symptoms.join('; ')}</Box>}
      </Part>
      <Part title="What we found">
        {report.damaged.length === 0 && <p>No part was graded “on the edge” or worse.</p>}
        {report.damaged.map((part) => (
          <DamagedPart key={part.positionId} part={part} photographUrl={photographUrl} />
        ))}
      </Part>
      <Part title="Why">
        <p>{cause?.words ?? 'The cause is not known yet.'}</p>
        {cause && (
          <Box color="second">
            How sure we are: {cause.sureness}.
            {cause.firstFailure ? ` What failed first, as far as we can tell: ${cause.firstFailure}.` : ''}
          </Box>
        )}
      </Part>
      <Part title="What we propose">
        <p>{proposal ? `${proposal.decision}. ${proposal.reason}` : 'Nothing is decided yet.'}</p>
        {report.partDecisions.map(({ decision, parts }) => (
          <p key={decision}>
            <strong>{decision}:</strong> {parts.join(', ')}
          </p>
        ))}
      </Part>
      {(report.evidence ?? []).length > 0 && (
        <Part title="What else we saw">
          {report.evidence?.map(({ title, lines }) => (
            <p key={title}>
              <strong>{title}:</strong> {lines.join(' ')}
            </p>
          ))}
        </Part>
      )}
      {worn.within.length > 0 && (
        <Part title="Worn, within limits">
          <PartNames parts={worn.within} />
        </Part>
      )}
      {worn.byEye.length > 0 && (
        <Part title="Worn, judged by eye: no limit is known">
          <PartNames parts={worn.byEye} />
        </Part>
      )}
      {report.sound.length > 0 && (
        <Part title="Looked at and sound">
          <PartNames parts={report.sound} />
        </Part>
      )}
      {report.open.length > 0 && (
        <Part title="Not settled">
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
        </Part>
      )}
      {report.watch && (
        <Part title="What to watch">
          <p>{report.watch}</p>
        </Part>
      )}
      <Part title="Cautions">
        {report.cautions.map(({ title, words }) => (
          <p key={title}>
            <strong>{title}.</strong> {words}
          </p>
        ))}
      </Part>
    </Box>
  );
}

function Part({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <Box as="section" marginTop="20px">
      <Heading as="h3" fontSize="18px" borderBottom="1px solid" borderColor="rule" marginBottom="6px">
        {title}
      </Heading>
      {children}
    </Box>
  );
}

function PartNames({ parts }: { readonly parts: readonly ReportPart[] }) {
  return (
    <Flex wrap="wrap" gap="4px 16px">
      {parts.map((part) => (
        <Box key={part.positionId} data-good={part.positionId}>
          {part.name} ({part.grade}, {part.gradeWord})
        </Box>
      ))}
    </Flex>
  );
}

function DamagedPart({
  part,
  photographUrl,
}: {
  readonly part: ReportPart;
  readonly photographUrl: (id: string) => string;
}) {
  return (
    <Box marginBlock="12px">
      <Flex gap="10px" align="center">
        <GradeMark grade={part.grade} size={32} />
        <Heading as="h4" fontSize="16px" color={part.grade >= 4 ? 'oxide' : undefined}>
          {part.name}: {part.grade}, {part.gradeWord}
        </Heading>
      </Flex>
      {part.seen.map((line) => (
        <p key={line}>{line}</p>
      ))}
      {part.measured.map(({ title, value, limit, source, plain }) => (
        <p key={title}>
          <strong>{title}:</strong> {value}; limit: {limit}
          {source ? ` (${source})` : ''}. {plain}
        </p>
      ))}
      <p>
        <strong>Decision:</strong> {part.decision}
      </p>
      <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} gap="10px" marginTop="6px">
        {part.photographs.map(({ id, caption, marks, width = 0, height = 0 }, index) => (
          <chakra.figure key={id} margin="0">
            <Box position="relative" border="1px solid" borderColor="rule" lineHeight="0">
              <chakra.img src={photographUrl(id)} alt={`${caption}, photograph ${index + 1}`} width="100%" />
              {marks && (
                <chakra.svg viewBox={`0 0 ${width} ${height}`} position="absolute" inset="0" width="100%">
                  <MarksLayer marks={marks} picture={{ width, height }} />
                </chakra.svg>
              )}
            </Box>
            <chakra.figcaption fontSize="13px" color="second">
              {caption}, photograph {index + 1}
            </chakra.figcaption>
          </chakra.figure>
        ))}
      </Grid>
    </Box>
  );
}
