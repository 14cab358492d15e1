'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import { modesOf } from '@/core/catalogs/words';
import type { PartState } from '@/core/wear/partStanding';
import { type DamageMode, EARLIER_REPAIR, NOTHING_TO_SEE, type Severity } from '@/model/damage';
import { type FindingExtent, HowMuch } from '../finding/HowMuch';
import { wordsBeside } from '../finding/wordsBeside';
import { KeyCap } from '../frame/KeysHelp';
import { typesInto } from '../frame/typesInto';
import type { BenchJob } from '../job/useJob';
import { TextInput } from '../kit/Field';
import { Press } from '../kit/Press';
import { namesOf } from './useGrading';

interface FindingKeysProps {
  readonly job: BenchJob;
  readonly parts: readonly PartState[];
  readonly onNote: (mode: DamageMode, place: string, severity: Severity, extent: FindingExtent) => void;
  readonly onBack: () => void;
}

/** The letters that choose among more than nine words: all but those that do something on the sheet. */
const SIGNS = '123456789abcdefghijklqrstuvwxyz';

/** Word, place, severity: three taps, or three keys. */
export function FindingKeys({ job, parts, onNote, onBack }: FindingKeysProps) {
  const family = parts[0]!.position.family;
  const modes = modesOf(job.snapshot.catalogs, family).filter(
    ({ id }) => id !== NOTHING_TO_SEE && id !== EARLIER_REPAIR,
  );
  const [mode, setMode] = useState<DamageMode>();
  const [place, setPlace] = useState<string>();
  const [wanted, setWanted] = useState('');
  const holder = useRef<HTMLDivElement>(null);
  const search = useRef<HTMLInputElement>(null);
  useEffect(() => holder.current?.focus(), []);
  const chooseMode = (chosen: DamageMode) => {
    setMode(chosen);
    setPlace(chosen.places.length === 1 ? chosen.places[0] : undefined);
  };
  const options: readonly { readonly words: string; readonly below?: string; readonly take: () => void }[] =
    !mode
      ? modes
          .filter((each) => isFound(each, wanted))
          .map((each) => ({ words: each.term, below: wordsBeside(each), take: () => chooseMode(each) }))
      : place === undefined
        ? mode.places.map((each) => ({ words: each, take: () => setPlace(each) }))
        : [];
  const question = !mode ? 'What do you see?' : place === undefined ? 'Where?' : 'How severe? This notes it.';
  return (
    <Box
      ref={holder}
      tabIndex={-1}
      data-testid="finding-keys"
      outline="none"
      onKeyDown={(event) => {
        if (event.ctrlKey || event.metaKey || event.altKey) return;
        if (event.key === 'Escape') {
          event.preventDefault();
          event.stopPropagation();
          if (place !== undefined && mode && mode.places.length > 1) setPlace(undefined);
          else if (mode) setMode(undefined);
          else onBack();
          return;
        }
        if (typesInto(event.target)) {
          // The only word that is left is meant.
          if (event.target !== search.current || event.key !== 'Enter' || options.length !== 1) return;
          event.preventDefault();
          options[0]!.take();
          holder.current?.focus();
          return;
        }
        if (event.key === '/' && !mode) {
          event.preventDefault();
          search.current?.focus();
          return;
        }
        const severity =
          place === undefined
            ? null
            : holder.current?.querySelector(`[data-severity="${CSS.escape(event.key)}"]`);
        if (severity instanceof HTMLElement) {
          event.preventDefault();
          event.stopPropagation();
          severity.click();
          return;
        }
        const option = options[SIGNS.indexOf(event.key.toLowerCase())];
        if (!option) return;
        event.preventDefault();
        event.stopPropagation();
        option.take();
        holder.current?.focus();
      }}
    >
      <Flex justify="space-between" align="center" gap="8px">
        <Heading as="h3" fontSize="16px">
          {namesOf(parts)}
          {mode ? `: ${mode.term}${place ? `, ${place}` : ''}` : ''}. {question}
        </Heading>
        {!mode && (
          <TextInput
            ref={search}
            width="180px"
            aria-label="Search the words"
            placeholder="/ search"
            value={wanted}
            maxLength={40}
            onChange={(event) => setWanted(event.target.value)}
          />
        )}
        <Press kind="quiet" onClick={onBack}>
          Back
        </Press>
      </Flex>
      {mode && <Box color="second">{mode.plain}</Box>}
      {mode && place !== undefined && (
        <HowMuch
          job={job}
          positions={parts.map(({ position }) => position)}
          mode={mode}
          keys
          onNote={(severity, extent) => onNote(mode, place, severity, extent)}
        />
      )}
      <Flex wrap="wrap" gap="6px" maxHeight="40vh" overflowY="auto" paddingBlock="4px">
        {options.map(({ words, below, take }, index) => (
          <Press key={words} size="bench" fontSize="15px" paddingInline="10px" onClick={take}>
            {SIGNS[index] && (
              <KeyCap aria-hidden="true" display={{ base: 'none', lg: 'inline-block' }}>
                {SIGNS[index]}
              </KeyCap>
            )}
            <Box as="span" textAlign="left">
              {words}
              {below && (
                <Box as="span" display="block" fontWeight={400} fontSize="13px" lineHeight="16px">
                  {below}
                </Box>
              )}
            </Box>
          </Press>
        ))}
      </Flex>
    </Box>
  );
}

const isFound = ({ term, workshop, own = '', plain }: DamageMode, wanted: string): boolean =>
  [term, workshop, own, plain].some((words) => words.toLowerCase().includes(wanted.trim().toLowerCase()));
