'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import type { Recorded } from '@/core/strip/recordsOf';
import { RECHECK_KINDS } from '@/model/records/proved';
import type { OfJob } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { DateInput } from '../kit/DateInput';
import { longDate } from '../kit/dates';
import { Field, TextField } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';

const KIND_WORDS = { 'running-in': 'Running in', 're-check': 'Looked at again' } as const;

interface LookAgainProps extends OfJob {
  readonly dates: readonly Recorded<'recheck'>[];
  readonly mayBuild: boolean;
}

/** Days on which somebody looks again, for the shop’s and the owner’s calendars. */
export function LookAgain({ job, dates, mayBuild }: LookAgainProps) {
  const keep = useKeep(job);
  const [kind, setKind] = useState<(typeof RECHECK_KINDS)[number]>('running-in');
  const [on, setOn] = useState('');
  const [words, setWords] = useState('');
  const [trouble, setTrouble] = useState('');
  const note = async () => {
    if (on === '') return setTrouble('On which day?');
    if (words.trim() === '') return setTrouble('What is looked at?');
    const wrong = await keep(
      { what: 'recheck', kind, on, words: words.trim() },
      `${KIND_WORDS[kind]}: ${on}`,
    );
    setTrouble(wrong ?? '');
    if (wrong !== undefined) return;
    setOn('');
    setWords('');
  };
  return (
    <Box as="section" aria-label="Dates" marginTop="16px">
      <Heading as="h3" fontSize="18px">
        Running in, and another look
      </Heading>
      {dates.map(({ id, content }) => (
        <Box key={id}>
          {longDate(content.on)}: {KIND_WORDS[content.kind].toLowerCase()}, {content.words}
        </Box>
      ))}
      {dates.length > 0 && (
        <a href={`/api/v1/jobs/${job.snapshot.job.id}/dates`} download>
          For a calendar (iCalendar)
        </a>
      )}
      {mayBuild && (
        <Box
          as="form"
          marginTop="8px"
          onSubmit={(event) => {
            event.preventDefault();
            void note();
          }}
        >
          <Flex gap="4px" marginBottom="8px" role="group" aria-label="What for">
            {RECHECK_KINDS.map((each) => (
              <Press
                key={each}
                chosen={kind === each}
                aria-pressed={kind === each}
                onClick={() => setKind(each)}
              >
                {KIND_WORDS[each]}
              </Press>
            ))}
          </Flex>
          <Field label="On which day">{(wiring) => <DateInput {...wiring} value={on} onDay={setOn} />}</Field>
          <TextField label="What is done or looked at" value={words} onText={setWords} maxLength={200} />
          {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
          <Press type="submit">Note the day</Press>
        </Box>
      )}
    </Box>
  );
}
