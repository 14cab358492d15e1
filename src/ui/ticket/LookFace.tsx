'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { modesOf } from '@/core/catalogs/words';
import { describeFinding } from '@/core/report/describeFinding';
import {
  type DamageMode,
  NOTHING_TO_SEE,
  SEVERITIES,
  type Severity,
  STORY_ROLES,
  type StoryRole,
} from '@/model/damage';
import { CaptureLine } from '../job/CaptureLine';
import { type OfPart, useBench } from '../job/useBench';
import { Field, Select, TextInput } from '../kit/Field';
import { EmptyState } from '../kit/Notice';
import { Press } from '../kit/Press';
import { GradePanel } from './GradePanel';

const STORY_WORDS: Record<StoryRole, string> = {
  unknown: 'Not said yet',
  'first-failure': 'Suspected first failure',
  'dragged-along': 'Dragged along',
  'from-earlier': 'From an earlier time',
  'this-strip': 'Made in this strip (tool mark)',
};

/** What is seen: mode, place, extent, in three taps; then the grade. */
export function LookFace(props: OfPart) {
  const { part, job } = props;
  const { rights } = useBench();
  const { position } = part;
  const findings = job.snapshot.findings.filter(
    (finding) => finding.positionId === position.id && !finding.struck?.slip,
  );
  return (
    <Box>
      {findings.length === 0 && (
        <EmptyState>What is seen on this part comes here. Choose a word below.</EmptyState>
      )}
      {findings.map((finding) => (
        <CaptureLine key={finding.id} kind="finding" capture={finding} job={job}>
          {describeFinding(finding, position.family, job.snapshot.catalogs)}
          {finding.story !== 'unknown' && <em> {STORY_WORDS[finding.story]}.</em>}
        </CaptureLine>
      ))}
      {rights.includes('capture.take') && <NewFinding {...props} />}
      <GradePanel {...props} />
    </Box>
  );
}

function NewFinding({ part: { position }, job }: OfPart) {
  const { tellKept } = useBench();
  const [mode, setMode] = useState<DamageMode>();
  const [place, setPlace] = useState('');
  const note = async (
    chosen: DamageMode,
    where: string,
    severity: Severity,
    extent: Record<string, unknown> = {},
  ) => {
    setMode(undefined);
    const content = {
      positionId: position.id,
      mode: chosen.id,
      place: where,
      severity,
      story: 'unknown',
      note: '',
      ...extent,
    };
    const taken = job.take('finding', content);
    tellKept({ kind: 'finding', captureId: taken.id, words: `${position.name}: ${chosen.term} noted` });
    await taken.kept;
    await job.sendWaiting();
  };
  const choose = (chosen: DamageMode) => {
    if (chosen.id === NOTHING_TO_SEE) return void note(chosen, 'everywhere', 'light');
    setMode(chosen);
    setPlace(chosen.places.length === 1 ? chosen.places[0]! : '');
  };
  if (!mode) {
    return (
      <Box marginTop="12px">
        <Heading as="h3" fontSize="16px" marginBottom="8px">
          What do you see?
        </Heading>
        <Flex wrap="wrap" gap="8px" maxHeight="264px" overflowY="auto">
          {modesOf(job.snapshot.catalogs, position.family).map((word) => (
            <Press
              key={word.id}
              size="bench"
              fontSize="15px"
              flexDirection="column"
              gap="0"
              kind={word.id === NOTHING_TO_SEE ? 'main' : 'plain'}
              onClick={() => choose(word)}
            >
              {word.term}
              <Box as="span" fontWeight={400} fontSize="13px" lineHeight="16px">
                {word.workshop}
              </Box>
            </Press>
          ))}
        </Flex>
      </Box>
    );
  }
  return (
    <Box marginTop="12px" borderLeft="4px solid" borderColor="metal" paddingLeft="12px">
      <Flex justify="space-between" align="center">
        <Heading as="h3" fontSize="16px">
          {mode.term}
        </Heading>
        <Press kind="quiet" onClick={() => setMode(undefined)}>
          another word
        </Press>
      </Flex>
      <Box color="second">{mode.plain}</Box>
      <Heading as="h4" fontSize="15px" marginTop="8px">
        Where?
      </Heading>
      <Flex wrap="wrap" gap="8px">
        {mode.places.map((where) => (
          <Press
            key={where}
            size="bench"
            fontSize="15px"
            chosen={where === place}
            aria-pressed={where === place}
            onClick={() => setPlace(where)}
          >
            {where}
          </Press>
        ))}
      </Flex>
      {place && (
        <HowMuch mode={mode} onNote={(severity, extent) => void note(mode, place, severity, extent)} />
      )}
    </Box>
  );
}

interface HowMuchProps {
  readonly mode: DamageMode;
  readonly onNote: (severity: Severity, extent: Record<string, unknown>) => void;
}

function HowMuch({ mode, onNote }: HowMuchProps) {
  const [count, setCount] = useState('');
  const [share, setShare] = useState('');
  const [story, setStory] = useState<StoryRole>('unknown');
  const [words, setWords] = useState('');
  const countError = count !== '' && !/^\d{1,3}$/.test(count) ? 'a whole number' : undefined;
  const shareNumber = Number(share.replace(',', '.'));
  const shareError =
    share !== '' && !(shareNumber >= 0 && shareNumber <= 100) ? 'a share from 0 to 100 %' : undefined;
  const extent = {
    story,
    note: words,
    ...(count === '' ? {} : { count: Number(count) }),
    ...(share === '' ? {} : { share: shareNumber / 100 }),
  };
  return (
    <Box marginTop="8px">
      <Flex gap="12px">
        {mode.countOf && (
          <Field label={`How many ${mode.countOf}`} error={countError}>
            {(wiring) => (
              <TextInput
                {...wiring}
                value={count}
                inputMode="numeric"
                onChange={(event) => setCount(event.target.value)}
              />
            )}
          </Field>
        )}
        {mode.shareOf && (
          <Field label={`Per cent of ${mode.shareOf}`} error={shareError}>
            {(wiring) => (
              <TextInput
                {...wiring}
                value={share}
                inputMode="decimal"
                onChange={(event) => setShare(event.target.value)}
              />
            )}
          </Field>
        )}
      </Flex>
      <Flex gap="12px">
        <Field label="Its part in the story">
          {(wiring) => (
            <Select {...wiring} value={story} onChange={(event) => setStory(event.target.value as StoryRole)}>
              {STORY_ROLES.map((role) => (
                <option key={role} value={role}>
                  {STORY_WORDS[role]}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Field label="In your own words">
          {(wiring) => (
            <TextInput
              {...wiring}
              value={words}
              maxLength={400}
              onChange={(event) => setWords(event.target.value)}
            />
          )}
        </Field>
      </Flex>
      <Heading as="h4" fontSize="15px" marginBottom="4px">
        How severe? This notes it.
      </Heading>
      <Flex gap="8px">
        {SEVERITIES.map((severity) => (
          <Press
            key={severity}
            size="bench"
            kind="main"
            flex="1"
            disabled={Boolean(countError || shareError)}
            onClick={() => onNote(severity, extent)}
          >
            {severity}
          </Press>
        ))}
      </Flex>
    </Box>
  );
}
