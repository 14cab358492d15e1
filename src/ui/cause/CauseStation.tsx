'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { SURENESS, SURENESS_WORDS, type Sureness } from '@/model/job';
import type { Cause } from '@/model/snapshot';
import type { StationProps } from '../bench/StationWork';
import { longInstant } from '../kit/dates';
import { Field, Select, TextArea } from '../kit/Field';
import { EmptyState } from '../kit/Notice';
import { Press } from '../kit/Press';
import { RefusalNotice } from '../kit/RefusalNotice';
import { type RefusalAnswer, send } from '../kit/send';

/** The inspector's own conclusion: what failed first, why, how sure. Reckoning from evidence will stand beside it. */
export function CauseStation({ job, rights }: StationProps) {
  const { cause, job: head } = job.snapshot;
  const [words, setWords] = useState(cause?.words ?? '');
  const [plainWords, setPlainWords] = useState(cause?.plainWords ?? '');
  const [sureness, setSureness] = useState<Sureness>(cause?.sureness ?? 'possible');
  const [firstFailure, setFirstFailure] = useState(cause?.firstFailure ?? '');
  const [refusal, setRefusal] = useState<RefusalAnswer>();
  const mayNote = rights.includes('cause.note');
  const worst = job.parts.filter(({ grade }) => grade !== null && grade >= 3);
  const save = async () => {
    const answer = await send('PUT', `/api/v1/jobs/${head.id}/cause`, {
      version: cause?.version ?? 0,
      words,
      plainWords,
      sureness,
      ...(firstFailure ? { firstFailure } : {}),
    });
    setRefusal(answer.ok ? undefined : answer.refusal);
    await job.refresh();
  };
  return (
    <Box maxWidth="760px">
      {cause ? (
        <Box color="second" marginBottom="8px">
          Noted by {cause.by}, {longInstant(cause.at)}. {SURENESS_WORDS[cause.sureness]}.
        </Box>
      ) : (
        <EmptyState>What failed first, what it dragged along, and why. Nothing is noted yet.</EmptyState>
      )}
      <Field label="What failed first">
        {(wiring) => (
          <Select
            {...wiring}
            value={firstFailure}
            disabled={!mayNote}
            onChange={(event) => setFirstFailure(event.target.value)}
          >
            <option value="">Not known</option>
            {[...worst, ...job.parts.filter((part) => !worst.includes(part))].map(({ position, grade }) => (
              <option key={position.id} value={position.id}>
                {position.name}
                {grade === null ? '' : `, grade ${grade}`}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Field label="Cause, for colleagues">
        {(wiring) => (
          <TextArea
            {...wiring}
            rows={4}
            value={words}
            readOnly={!mayNote}
            maxLength={1200}
            onChange={(event) => setWords(event.target.value)}
          />
        )}
      </Field>
      <Field
        label="In plain words, for the customer"
        hint="Say what supports it. Never that somebody is to blame."
      >
        {(wiring) => (
          <TextArea
            {...wiring}
            rows={4}
            value={plainWords}
            readOnly={!mayNote}
            maxLength={1200}
            onChange={(event) => setPlainWords(event.target.value)}
          />
        )}
      </Field>
      <Box marginBottom="4px">How sure?</Box>
      <Flex gap="8px" wrap="wrap" marginBottom="16px" role="group" aria-label="How sure?">
        {SURENESS.map((id) => (
          <Press
            key={id}
            chosen={id === sureness}
            aria-pressed={id === sureness}
            disabled={!mayNote}
            onClick={() => setSureness(id)}
          >
            {SURENESS_WORDS[id]}
          </Press>
        ))}
      </Flex>
      <RefusalNotice<Cause>
        refusal={refusal}
        tell={(theirs) =>
          `“${theirs.words}” – “${theirs.plainWords}” (${SURENESS_WORDS[theirs.sureness].toLowerCase()}), by ${theirs.by}`
        }
      />
      {mayNote && (
        <Press
          kind="main"
          size="bench"
          disabled={words.trim() === '' || plainWords.trim() === ''}
          onClick={() => void save()}
        >
          Note the cause
        </Press>
      )}
    </Box>
  );
}
