'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import type { Names } from '@/core/causes/names';
import { unplaced } from '@/core/causes/placeNetwork';
import { proposeWords } from '@/core/causes/proposeWords';
import type { Conclusion } from '@/model/conclusion';
import { SURENESS, SURENESS_WORDS, type Sureness } from '@/model/job';
import type { ToldCauses } from '@/workers/causes';
import { keptOr } from '../job/keptOr';
import { LostVersions } from '../job/LostVersions';
import { type OfJob, useBench } from '../job/useBench';
import { longInstant } from '../kit/dates';
import { Field, Select, TextArea, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { Checked } from './Checked';

interface ConclusionFormProps extends OfJob {
  /** Nothing is ranked without network and without a kept network: then the conclusion is in words alone. */
  readonly told: ToldCauses | undefined;
  readonly names: Names | undefined;
  readonly isSeen: (finding: string) => boolean;
  readonly evidence: Pick<Conclusion, 'findings' | 'soft'>;
  /** The ranking on the screen rests on findings that are only assumed: nothing is concluded from that. */
  readonly assumed: boolean;
  readonly networkRevision: number;
  readonly rates: Readonly<Record<string, number>>;
  readonly firstFailure: string;
  readonly onFirstFailure: (positionId: string) => void;
}

/** So many of the ranking are offered. */
const OFFERED = 6;

/** What the inspector says, free to differ from the ranking: causes, place, how sure, in words for colleagues and for the owner. */
export function ConclusionForm(props: ConclusionFormProps) {
  const {
    job,
    told,
    names,
    isSeen,
    evidence,
    assumed,
    networkRevision,
    rates,
    firstFailure,
    onFirstFailure,
  } = props;
  const { rights, tellKept } = useBench();
  const { cause } = job.snapshot;
  const mayNote = rights.includes('cause.note');
  const [roots, setRoots] = useState<readonly string[]>(cause?.conclusion?.roots ?? []);
  const [words, setWords] = useState(cause?.words ?? '');
  const [plainWords, setPlainWords] = useState(cause?.plainWords ?? '');
  const [sureness, setSureness] = useState<Sureness>(cause?.sureness ?? 'possible');
  const [reason, setReason] = useState(cause?.conclusion?.reason ?? '');
  const [trouble, setTrouble] = useState('');
  const ranked = told?.causes ?? [];
  const offered = [
    ...ranked.slice(0, OFFERED).map(({ id }) => id),
    ...roots.filter((id) => !ranked.slice(0, OFFERED).some((each) => each.id === id)),
  ];
  const differs = ranked[0] !== undefined && roots.length > 0 && !roots.includes(ranked[0].id);
  const toggle = (id: string) =>
    setRoots((before) =>
      before.includes(id) ? before.filter((each) => each !== id) : [...before, id].slice(-4),
    );
  const propose = () => {
    if (!names) return;
    const proposed = proposeWords(
      ranked.filter(({ id }) => roots.includes(id)),
      ranked.filter(({ id }) => !roots.includes(id)),
      isSeen,
      { of: names.of, plain: (id) => names.node(id)?.plain ?? names.of(id) },
    );
    setWords(proposed.words);
    setPlainWords(proposed.plainWords);
    setSureness(proposed.sureness);
    const place = roots.map((id) => unplaced(id).place).find((each) => each !== undefined);
    if (place && firstFailure === '') onFirstFailure(place.split('·')[0]!);
  };
  const save = async () => {
    const conclusion = {
      ...{ roots, networkRevision, rates, ...evidence, reason },
      ranking: ranked.slice(0, 10).map(({ id, probability }) => ({ id, probability })),
    };
    const taken = job.take('cause', {
      ...{ version: cause?.version ?? 0, words, plainWords, sureness },
      ...(firstFailure ? { firstFailure } : {}),
      ...(told && networkRevision > 0 ? { conclusion } : {}),
    });
    const wrong = await keptOr(taken, 'note it again');
    setTrouble(wrong);
    if (wrong === '') tellKept({ words: `The cause is noted. ${SURENESS_WORDS[sureness]}.` });
    void job.sendWaiting();
  };
  return (
    <Box
      as="section"
      aria-label="What the inspector says"
      data-testid="conclusion"
      borderTop="2px solid"
      borderColor="ink"
      paddingTop="6px"
      marginTop="12px"
    >
      <Heading as="h3" fontSize="20px">
        What the inspector says
      </Heading>
      {cause && (
        <Box color="second" marginBottom="8px">
          Noted by {cause.by}, {longInstant(cause.at)}. {SURENESS_WORDS[cause.sureness]}.
          {!cause.conclusion && ' In words only: nothing was ranked then.'}
          {(cause.words !== words || cause.plainWords !== plainWords) && (
            <Box color="ink">
              What holds: “{cause.words}” – “{cause.plainWords}”. Below stands what you write.
            </Box>
          )}
        </Box>
      )}
      {names && offered.length > 0 && (
        <Flex gap="6px" wrap="wrap" marginBottom="8px" role="group" aria-label="Which causes">
          {offered.map((id) => (
            <Press
              key={id}
              chosen={roots.includes(id)}
              aria-pressed={roots.includes(id)}
              disabled={!mayNote}
              onClick={() => toggle(id)}
            >
              {names.of(id)}
            </Press>
          ))}
          {mayNote && (
            <Press kind="main" disabled={roots.length === 0 || assumed} onClick={propose}>
              Propose words
            </Press>
          )}
          {mayNote && (roots.length === 0 || assumed) && (
            <Box flex="1 0 100%" fontSize="13px" lineHeight="18px" color="second">
              {assumed
                ? 'Words are proposed from what was found: take back first what is only assumed.'
                : 'Choose one of these causes, and words are proposed from what speaks for it.'}
            </Box>
          )}
        </Flex>
      )}
      {differs && mayNote && (
        <Field label="The ranking puts another first. Why this one?">
          {(wiring) => (
            <TextInput
              {...wiring}
              value={reason}
              maxLength={300}
              onChange={(event) => setReason(event.target.value)}
            />
          )}
        </Field>
      )}
      <FirstFailure {...{ job, mayNote, firstFailure, onFirstFailure }} />
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
      {assumed && mayNote && (
        <Box marginBottom="8px">
          Some findings are only assumed: go back to what is before anything is concluded.
        </Box>
      )}
      {mayNote && (
        <Press
          kind="main"
          size="bench"
          disabled={
            assumed || words.trim() === '' || plainWords.trim() === '' || (differs && reason.trim() === '')
          }
          onClick={() => void save()}
        >
          Note the cause
        </Press>
      )}
      {cause && mayNote && <Checked job={job} cause={cause} offered={offered} names={names} />}
    </Box>
  );
}

interface FirstFailureProps extends OfJob {
  readonly mayNote: boolean;
  readonly firstFailure: string;
  readonly onFirstFailure: (positionId: string) => void;
}

function FirstFailure({ job, mayNote, firstFailure, onFirstFailure }: FirstFailureProps) {
  const worst = job.parts.filter(({ grade }) => grade !== null && grade >= 3);
  return (
    <Field label="What failed first">
      {(wiring) => (
        <Select
          {...wiring}
          value={firstFailure}
          disabled={!mayNote}
          onChange={(event) => onFirstFailure(event.target.value)}
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
  );
}
