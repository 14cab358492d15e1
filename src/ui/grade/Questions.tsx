'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { type AskedQuestion, askedOf } from '@/core/wear/askedOf';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { longInstant } from '../kit/dates';
import { Field, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { SpotOnPicture } from './SpotOnPicture';

interface QuestionsProps extends OfJob {
  /** Of one part alone. */
  readonly positionId?: string;
  readonly onGo?: (positionId: string) => void;
}

/** What colleagues were asked: the open ones with their answers, and the settled ones below them. */
export function Questions({ job, positionId, onGo }: QuestionsProps) {
  const all = askedOf(job.snapshot.records).filter(
    ({ question }) => positionId === undefined || question.content.positionId === positionId,
  );
  if (all.length === 0) return null;
  const inOrder = [...all.filter(({ settled }) => !settled), ...all.filter(({ settled }) => settled)];
  return (
    <Box as="section" aria-label="Questions to colleagues" data-testid="questions" marginTop="8px">
      {inOrder.map((asked) => (
        <OneQuestion key={asked.question.id} asked={asked} job={job} {...(onGo ? { onGo } : {})} />
      ))}
    </Box>
  );
}

interface OneQuestionProps extends OfJob {
  readonly asked: AskedQuestion;
  readonly onGo?: (positionId: string) => void;
}

function OneQuestion({ asked: { question, answers, settled }, job, onGo }: OneQuestionProps) {
  const { rights } = useBench();
  const keep = useKeep(job);
  const [words, setWords] = useState('');
  const [trouble, setTrouble] = useState('');
  const { positionId, photographId, spot } = question.content;
  const part = job.snapshot.unitType.positions.find(({ id }) => id === positionId);
  const photograph = job.photographs.find(({ id }) => id === photographId);
  const put = async (what: 'answered' | 'question-settled') => {
    const content = { what, askedId: question.id, words: words.trim() };
    const wrong = await keep(content, what === 'answered' ? 'Answered' : 'The question is settled');
    setTrouble(wrong ?? '');
    if (wrong === undefined) setWords('');
  };
  return (
    <Box borderTop="1.5px solid" borderColor="ink" paddingBlock="8px">
      <Flex justify="space-between" gap="8px" align="baseline" wrap="wrap">
        <Heading as="h3" fontSize="16px" color={settled ? 'second' : undefined}>
          {settled ? 'Settled: ' : 'Asked: '}
          {question.content.words}
        </Heading>
        {onGo && part && (
          <Press kind="quiet" minHeight="32px" onClick={() => onGo(part.id)}>
            {part.name}
          </Press>
        )}
      </Flex>
      <Box fontSize="13px" color="second">
        {question.author}, {longInstant(question.deviceTime)}
      </Box>
      {photograph && !photograph.waiting && (
        <SpotOnPicture jobId={job.snapshot.job.id} photograph={photograph} spot={spot} />
      )}
      {answers.map(({ id, author, content }) => (
        <Box key={id}>
          <strong>{author}:</strong> {content.words}
        </Box>
      ))}
      {settled && (
        <Box>
          Settled by {settled.author}
          {settled.content.words ? `: ${settled.content.words}` : '.'}
        </Box>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      {!settled && rights.includes('question.ask') && (
        <Flex gap="8px" align="flex-end">
          <Box flex="1">
            <Field label="Your answer, or how it was settled">
              {(wiring) => (
                <TextInput
                  {...wiring}
                  value={words}
                  maxLength={300}
                  onChange={(event) => setWords(event.target.value)}
                />
              )}
            </Field>
          </Box>
          <Press marginBottom="12px" disabled={words.trim() === ''} onClick={() => void put('answered')}>
            Answer
          </Press>
          <Press marginBottom="12px" kind="quiet" onClick={() => void put('question-settled')}>
            Settled
          </Press>
        </Flex>
      )}
    </Box>
  );
}
