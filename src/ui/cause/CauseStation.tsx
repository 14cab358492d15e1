'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { SURENESS, SURENESS_WORDS, type Sureness } from '@/model/job';
import { keptOr } from '../job/keptOr';
import { LostVersions } from '../job/LostVersions';
import { type OfJob, useBench } from '../job/useBench';
import { longInstant } from '../kit/dates';
import { Field, Select, TextArea } from '../kit/Field';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { BesideSection } from '../section/BesideSection';

/** The inspector's own conclusion: what failed first, why, how sure. Reckoning from evidence will stand beside it. */
export function CauseStation({ job }: OfJob) {
  const { rights } = useBench();
  const { cause } = job.snapshot;
  const [words, setWords] = useState(cause?.words ?? '');
  const [plainWords, setPlainWords] = useState(cause?.plainWords ?? '');
  const [sureness, setSureness] = useState<Sureness>(cause?.sureness ?? 'possible');
  const [firstFailure, setFirstFailure] = useState(cause?.firstFailure ?? '');
  const [trouble, setTrouble] = useState('');
  const mayNote = rights.includes('cause.note');
  const worst = job.parts.filter(({ grade }) => grade !== null && grade >= 3);
  const save = async () => {
    const taken = job.take('cause', {
      ...{ version: cause?.version ?? 0, words, plainWords, sureness },
      ...(firstFailure ? { firstFailure } : {}),
    });
    setTrouble(await keptOr(taken, 'note it again'));
    void job.sendWaiting();
  };
  return (
    <BesideSection
      job={job}
      marked={firstFailure ? [firstFailure] : []}
      note={mayNote ? 'Marked: what failed first. Tap the part that did.' : 'Marked: what failed first.'}
      {...(mayNote ? { onOpen: setFirstFailure } : {})}
    >
      <Box>
        {cause ? (
          <Box color="second" marginBottom="8px">
            Noted by {cause.by}, {longInstant(cause.at)}. {SURENESS_WORDS[cause.sureness]}.
            {(cause.words !== words || cause.plainWords !== plainWords) && (
              <Box color="ink">
                What holds: “{cause.words}” – “{cause.plainWords}”. Below stands what you write.
              </Box>
            )}
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
                  {grade === null ? ', not graded' : `, grade ${grade}`}
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
        <LostVersions
          {...{ job, kind: 'cause', holds: cause }}
          tell={({ words: theirs, plainWords: plain }) => `“${theirs}” – “${plain}”`}
        />
        {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
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
    </BesideSection>
  );
}
