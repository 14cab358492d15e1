'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { recordsOf } from '@/core/strip/recordsOf';
import { findActive } from '@/core/wear/active';
import { mostOf, whyNotSoMany } from '@/core/wear/extent';
import {
  type DamageMode,
  type FindingContent,
  SEVERITIES,
  type Severity,
  STORY_ROLES,
  STORY_WORDS,
  type StoryRole,
} from '@/model/damage';
import type { Position } from '@/model/unitType';
import { KeyCap } from '../frame/KeysHelp';
import type { BenchJob } from '../job/useJob';
import { Field, Select, TextInput } from '../kit/Field';
import { Press } from '../kit/Press';

export type FindingExtent = Partial<
  Pick<FindingContent, 'count' | 'share' | 'shareFrom' | 'photographId' | 'story' | 'note'>
>;

interface HowMuchProps {
  readonly job: BenchJob;
  readonly positions: readonly Position[];
  readonly mode: DamageMode;
  /** With the keys' signs, and the rest folded to one line: on the sheet. */
  readonly keys?: boolean;
  readonly onNote: (severity: Severity, extent: FindingExtent) => void;
}

/** How far the damage goes, what shows it and its part in the story, all left out at will; the severity notes it. */
export function HowMuch({ job, positions, mode, keys = false, onNote }: HowMuchProps) {
  const [count, setCount] = useState('');
  const [share, setShare] = useState('');
  const [picture, setPicture] = useState<ShowsIt>();
  const [story, setStory] = useState<StoryRole>('unknown');
  const [words, setWords] = useState('');
  const countError =
    count !== '' && !/^\d{1,3}$/.test(count)
      ? 'a whole number'
      : tooMany(job, positions, mode, count === '' ? undefined : Number(count));
  const percent = Number(share.replace(',', '.'));
  const shareError =
    share !== '' && !(percent >= 0 && percent <= 100) ? 'a share from 0 to 100 %' : undefined;
  const fromPicture = picture?.share !== undefined && share === tellShare(picture.share);
  const extent: FindingExtent = {
    ...{ story, note: words },
    ...(count === '' ? {} : { count: Number(count) }),
    ...(share === '' ? {} : { share: fromPicture ? picture.share! : percent / 100 }),
    ...(share !== '' && fromPicture ? { shareFrom: 'picture' as const } : {}),
    ...(picture ? { photographId: picture.photographId } : {}),
  };
  const [only] = positions;
  const most = only && positions.length === 1 ? mostOf(job.snapshot.unitType, only, mode) : undefined;
  const show = (chosen: ShowsIt | undefined) => {
    setPicture(chosen);
    if (chosen?.share !== undefined && mode.shareOf) setShare(tellShare(chosen.share));
  };
  const pictures = only && positions.length === 1 ? picturesOf(job, only.id) : [];
  const note = (severity: Severity) => {
    if (!countError && !shareError) onNote(severity, extent);
  };
  return (
    <Box
      marginTop="8px"
      onKeyDown={(event) => {
        // Enter in a field must not be lost: it goes on to how severe it is.
        if (event.key !== 'Enter' || !(event.target instanceof HTMLInputElement)) return;
        event.preventDefault();
        event.currentTarget.querySelector<HTMLElement>('[data-severity]')?.focus();
      }}
    >
      <Flex gap="12px" wrap="wrap">
        {mode.countOf && (
          <Box flex="1 1 120px">
            <Field
              label={`How many ${mode.countOf}${most === undefined ? '' : ` of ${most}`}`}
              error={countError || undefined}
            >
              {(wiring) => (
                <TextInput
                  {...wiring}
                  value={count}
                  inputMode="numeric"
                  onChange={(event) => setCount(event.target.value)}
                />
              )}
            </Field>
          </Box>
        )}
        {mode.shareOf && (
          <Box flex="1 1 120px">
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
          </Box>
        )}
        <Box flex="1 1 160px">
          <Field label="Its part in the story">
            {(wiring) => (
              <Select
                {...wiring}
                value={story}
                onChange={(event) => setStory(event.target.value as StoryRole)}
              >
                {STORY_ROLES.map((role) => (
                  <option key={role} value={role}>
                    {STORY_WORDS[role]}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        </Box>
        <Box flex="1 1 160px">
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
        </Box>
        {pictures.length > 0 && (
          <Box flex="1 1 200px">
            <Field label="Which photograph shows it">
              {(wiring) => (
                <Select
                  {...wiring}
                  value={picture?.photographId ?? ''}
                  onChange={(event) =>
                    show(pictures.find(({ photographId }) => photographId === event.target.value))
                  }
                >
                  <option value="">none</option>
                  {pictures.map(({ photographId, words: each }) => (
                    <option key={photographId} value={photographId}>
                      {each}
                    </option>
                  ))}
                </Select>
              )}
            </Field>
          </Box>
        )}
      </Flex>
      {!keys && (
        <Heading as="h4" fontSize="15px" marginBottom="4px">
          How severe? This notes it.
        </Heading>
      )}
      <Flex gap="8px">
        {SEVERITIES.map((severity, index) => (
          <Press
            key={severity}
            size="bench"
            kind="main"
            flex="1"
            data-severity={index + 1}
            disabled={Boolean(countError || shareError)}
            onClick={() => note(severity)}
          >
            {keys && (
              <KeyCap aria-hidden="true" display={{ base: 'none', lg: 'inline-block' }}>
                {index + 1}
              </KeyCap>
            )}
            {severity}
          </Press>
        ))}
      </Flex>
    </Box>
  );
}

const tellShare = (share: number): string => String(Math.round(share * 1000) / 10);

function tooMany(
  { snapshot }: BenchJob,
  positions: readonly Position[],
  mode: DamageMode,
  count: number | undefined,
): string | undefined {
  return positions
    .map((position) => whyNotSoMany(snapshot.unitType, position, mode, count))
    .find((words) => words !== '');
}

interface ShowsIt {
  readonly photographId: string;
  readonly words: string;
  /** What was measured on it, 0…1. */
  readonly share?: number;
}

/** The photographs of a part, with what was measured on each and how sure that is. */
function picturesOf({ snapshot, photographs }: BenchJob, positionId: string): ShowsIt[] {
  const measured = recordsOf(snapshot.records, 'picture-measured').map(({ content }) => content);
  return findActive(photographs)
    .filter((photograph) => photograph.positionId === positionId)
    .map(({ id }, index) => {
      const last = measured.filter(({ photographId }) => photographId === id).at(-1);
      const words = `Photograph ${index + 1}`;
      if (last?.found.kind !== 'pits') return { photographId: id, words };
      const { areaFraction } = last.found;
      const sure = `${Math.round(last.confidence * 100)} % sure`;
      return {
        ...{ photographId: id, share: areaFraction },
        words: `${words}: ${tellShare(areaFraction)} % measured, ${sure}`,
      };
    });
}
