'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import { handTestsOf } from '@/core/wear/handTests';
import type { PartState } from '@/core/wear/partStanding';
import type { HandTest } from '@/model/damage';
import { HAND_RESULTS, type HandResult } from '@/model/records/hand-test';
import { KeyCap } from '../frame/KeysHelp';
import type { BenchJob } from '../job/useJob';
import { Field, TextInput } from '../kit/Field';
import { CautionSign, EmptyState } from '../kit/Notice';
import { Press } from '../kit/Press';
import { namesOf } from './useGrading';

interface HandTestKeysProps {
  readonly job: BenchJob;
  readonly parts: readonly PartState[];
  readonly onTried: (test: HandTest, result: HandResult, note: string) => void;
  readonly onBack: () => void;
}

/** A test by hand: how it is done and what counts as passed stands beside the three answers. */
export function HandTestKeys({ job, parts, onTried, onBack }: HandTestKeysProps) {
  const tests = handTestsOf(job.snapshot.catalogs, parts[0]!.position.family);
  const [chosen, setChosen] = useState<HandTest | undefined>(tests.length === 1 ? tests[0] : undefined);
  const [note, setNote] = useState('');
  const holder = useRef<HTMLDivElement>(null);
  useEffect(() => holder.current?.focus(), []);
  const lacks = chosen?.needsNote !== undefined && note.trim() === '';
  const answers: Record<HandResult, string> = {
    pass: chosen?.passWord ?? '',
    fail: chosen?.failWord ?? '',
    'cannot-say': `can’t say: ${chosen?.cannotSay ?? ''}`,
  };
  const press = (index: number) => {
    const [test, result] = [tests[index], HAND_RESULTS[index]];
    if (!chosen && test) setChosen(test);
    else if (chosen && result && !lacks) onTried(chosen, result, note.trim());
  };
  return (
    <Box
      ref={holder}
      tabIndex={-1}
      outline="none"
      data-testid="hand-test-keys"
      onKeyDown={(event) => {
        if (event.key === 'Escape') {
          event.preventDefault();
          event.stopPropagation();
          if (chosen && tests.length > 1) setChosen(undefined);
          else onBack();
        } else if (/^[1-9]$/.test(event.key) && !(event.target instanceof HTMLInputElement)) {
          event.preventDefault();
          event.stopPropagation();
          press(Number(event.key) - 1);
        }
      }}
    >
      <Flex justify="space-between" align="center" gap="8px">
        <Heading as="h3" fontSize="16px">
          {namesOf(parts)}: {chosen ? chosen.title : 'which test by hand?'}
        </Heading>
        <Press kind="quiet" onClick={onBack}>
          Back
        </Press>
      </Flex>
      {tests.length === 0 && <EmptyState>No test by hand is described for parts of this kind.</EmptyState>}
      {chosen && (
        <Box marginBottom="4px">
          <Box>{chosen.how}</Box>
          <Box>
            <strong>Passed:</strong> {chosen.pass}
          </Box>
          {chosen.caution && <CautionSign title="Mind" words={chosen.caution} />}
          {chosen.needsNote && (
            <Field label={`Say ${chosen.needsNote}`}>
              {(wiring) => (
                <TextInput
                  {...wiring}
                  value={note}
                  maxLength={200}
                  onChange={(event) => setNote(event.target.value)}
                />
              )}
            </Field>
          )}
        </Box>
      )}
      <Flex wrap="wrap" gap="6px">
        {(chosen ? HAND_RESULTS.map((result) => answers[result]) : tests.map(({ title }) => title)).map(
          (words, index) => (
            <Press
              key={words}
              size="bench"
              fontSize="15px"
              disabled={chosen !== undefined && lacks}
              onClick={() => press(index)}
            >
              <KeyCap aria-hidden="true">{index + 1}</KeyCap>
              {words}
            </Press>
          ),
        )}
      </Flex>
    </Box>
  );
}
