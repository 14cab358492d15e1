'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { tellOpen } from '@/core/open/tellOpen';
import { GRADES, type Grade } from '@/model/damage';
import { evidenceOf } from '../job/evidenceOf';
import { keptOr } from '../job/keptOr';
import { type OfPart, useBench } from '../job/useBench';
import { Field, TextInput } from '../kit/Field';
import { GradeLine, GradeMark, gradeWords } from '../kit/GradeMark';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';

/** What the rules propose and why; a person keeps it or changes it, a change asks for a reason. */
export function GradePanel({ part, job }: OfPart) {
  const { rights } = useBench();
  const { proposal, position, openQuestions } = part;
  const entry = job.snapshot.grades.find((grade) => grade.positionId === position.id);
  const [changing, setChanging] = useState(false);
  const [reason, setReason] = useState('');
  const [trouble, setTrouble] = useState('');
  const put = async (grade: Grade) => {
    const taken = job.take('grade', {
      ...{ positionId: position.id, version: entry?.version ?? 0, grade, reason },
      ...{ proposed: proposal.grade, rulesRevision: proposal.rulesRevision },
      evidence: evidenceOf(job, position.id),
    });
    const wrong = await keptOr(taken, 'grade it again');
    setTrouble(wrong);
    if (wrong !== '') return;
    setChanging(false);
    setReason('');
    await job.sendWaiting();
  };
  return (
    <Box marginTop="16px" borderTop="2px solid" borderColor="ink" paddingTop="8px">
      <Heading as="h3" fontSize="16px">
        Grade
      </Heading>
      <Box>
        {entry ? (
          <>
            <GradeLine grade={entry.grade} /> by {entry.by}
            {entry.reason ? `: ${entry.reason}` : ''}
          </>
        ) : (
          'Nobody has graded it.'
        )}
      </Box>
      <Flex align="center" gap="12px" marginTop="8px" data-testid="proposal">
        <GradeMark grade={proposal.grade} size={40} />
        <Box>
          <Box fontWeight={650}>
            {proposal.grade === null
              ? 'The rules propose nothing yet'
              : `The rules propose ${gradeWords(proposal.grade)}`}
          </Box>
          {proposal.reasons.map((why) => (
            <Box key={why.rule} fontSize="13px" lineHeight="18px" color="second">
              {why.grade}: {why.words}
            </Box>
          ))}
          {proposal.note && (
            <Box fontSize="13px" lineHeight="18px" color="second">
              {proposal.note}
            </Box>
          )}
        </Box>
      </Flex>
      {openQuestions.length > 0 && (
        <Box fontSize="13px" marginTop="4px">
          Open: {openQuestions.map(tellOpen).join('; ')}
        </Box>
      )}
      {rights.includes('grade.set') && proposal.grade !== null && (
        <Flex gap="8px" marginTop="8px" wrap="wrap">
          {entry?.grade !== proposal.grade && (
            <Press kind="main" size="bench" onClick={() => void put(proposal.grade as Grade)}>
              Grade it {gradeWords(proposal.grade)}
            </Press>
          )}
          <Press size="bench" onClick={() => setChanging(!changing)} aria-expanded={changing}>
            Another grade
          </Press>
        </Flex>
      )}
      {changing && (
        <Box marginTop="8px">
          <Field label="Why another grade?">
            {(wiring) => (
              <TextInput
                {...wiring}
                value={reason}
                maxLength={300}
                onChange={(event) => setReason(event.target.value)}
              />
            )}
          </Field>
          <Flex gap="8px" wrap="wrap">
            {GRADES.map((grade) => (
              <Press
                key={grade}
                size="bench"
                disabled={reason.trim() === '' && grade !== proposal.grade}
                onClick={() => void put(grade)}
              >
                <GradeMark grade={grade} /> {gradeWords(grade)}
              </Press>
            ))}
          </Flex>
        </Box>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}
