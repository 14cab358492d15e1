'use client';

import { Box } from '@chakra-ui/react';
import { useCallback, useEffect, useState } from 'react';
import { tellMoney } from '@/core/planning/money';
import type { Quote, QuoteAnswer } from '@/model/quote';
import { type OfJob, useBench } from '../job/useBench';
import { longInstant } from '../kit/dates';
import { TextField } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';

/** What the owner answered to the letters of this job, what he asked, and the reply that stands in his letter. */
export function OwnerAnswers({ job }: OfJob) {
  const { rights } = useBench();
  const { job: head, records, reports } = job.snapshot;
  const [answers, setAnswers] = useState<readonly QuoteAnswer[]>([]);
  const issued = reports.length;
  const load = useCallback(async () => {
    if (issued === 0) return;
    const answer = await send<QuoteAnswer[]>('GET', `/api/v1/jobs/${head.id}/answers?of=${issued}`);
    if (answer.ok) setAnswers(answer.value);
  }, [head.id, issued]);
  useEffect(() => void load(), [load]);
  if (answers.length === 0) return null;
  const quote = records.flatMap(({ content }) => (content.what === 'quote-made' ? [content] : [])).at(-1);
  return (
    <Box as="section" aria-label="What the owner answered" data-testid="owner-answers" paddingBlock="8px">
      {answers.map((answer) => (
        <Box key={answer.id} borderLeft="4px solid" borderColor="metal" paddingLeft="12px" marginBlock="6px">
          <Chosen {...{ answer, quote }} peg={head.peg} />
          {answer.question && (
            <Asked
              answer={answer}
              {...(rights.includes('quote.send') ? { jobId: head.id } : {})}
              onReplied={() => void load()}
            />
          )}
        </Box>
      ))}
    </Box>
  );
}

interface ChosenProps {
  readonly answer: QuoteAnswer;
  readonly quote: Quote | undefined;
  readonly peg: number;
}

function Chosen({ answer: { slip, name, at, number, takenBackAt }, quote, peg }: ChosenProps) {
  if (!slip) return null;
  const { lines = [], toPay = slip.total } = slip;
  const chosen = [slip.name, ...lines.map((line) => line.name)].join(' and ');
  return (
    <>
      <strong>{takenBackAt ? <s>{chosen}</s> : chosen}</strong>
      {quote && `, ${tellMoney(toPay, quote)} with tax`}: {name}, {longInstant(at)}, to letter {peg}-{number}
      {takenBackAt && `; taken back ${longInstant(takenBackAt)}`}
    </>
  );
}

interface AskedProps {
  readonly answer: QuoteAnswer;
  /** Left out for who may not reply. */
  readonly jobId?: string;
  readonly onReplied: () => void;
}

function Asked({ answer, jobId, onReplied }: AskedProps) {
  const { id, name, at, question, reply, repliedBy, repliedAt } = answer;
  const [words, setWords] = useState('');
  const [trouble, setTrouble] = useState('');
  const say = async () => {
    const sent = await send('POST', `/api/v1/jobs/${jobId}/answers/${id}`, { words });
    setTrouble(sent.ok ? '' : sent.refusal.message);
    onReplied();
  };
  return (
    <Box>
      {name} asks, {longInstant(at)}: {question}
      {reply && (
        <Box fontWeight={650}>
          {repliedBy}, {longInstant(repliedAt!)}: {reply}
        </Box>
      )}
      {!reply && jobId && (
        <Box
          as="form"
          onSubmit={(event) => {
            event.preventDefault();
            void say();
          }}
        >
          <TextField
            label={`Reply to ${name}`}
            hint="It stands in the letter, under the question, with your name."
            value={words}
            onText={setWords}
            maxLength={600}
          />
          <Press type="submit" disabled={words.trim() === ''}>
            Reply
          </Press>
        </Box>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}
