'use client';

import { Box, Flex } from '@chakra-ui/react';
import { ArrowRight } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import { tinykeys } from 'tinykeys';
import { useShallow } from 'zustand/react/shallow';
import { type NextAct, nextAct } from '@/core/open/nextAct';
import { baselineChecks, movedOn } from '@/core/strip/baseline';
import type { JobSnapshot } from '@/model/snapshot';
import { typesInto } from '../frame/typesInto';
import { type JustKept, UndoBar } from '../job/UndoBar';
import { useBench } from '../job/useBench';
import { useOfJob, type Watch } from '../job/useJob';
import { Watching } from '../job/Watching';
import { Press } from '../kit/Press';

const NOTHING: Watch = () => [];

interface FootBarProps {
  readonly justKept: JustKept | undefined;
  readonly onDone: () => void;
  /** All that this page needs lies on the device: it opens without network. */
  readonly kept: boolean;
}

/** What was just kept, with the way back; and the one thing that comes next. */
export function FootBar({ justKept, onDone, kept }: FootBarProps) {
  return (
    <Flex
      as="footer"
      position="sticky"
      bottom="0"
      zIndex={10}
      bg="bar"
      color="onBlue"
      align="center"
      justify="space-between"
      gap="12px"
      minHeight="60px"
      padding="8px 16px"
    >
      <Flex role="status" align="center" gap="12px" minWidth="0">
        <Watching of={NOTHING}>{(job) => <UndoBar kept={justKept} job={job} onDone={onDone} />}</Watching>
        {!justKept && kept && (
          <Box as="span" fontSize="13px" color="onBlueSecond">
            Kept on this device
          </Box>
        )}
      </Flex>
      <NextKey />
    </Flex>
  );
}

/** Once somebody has gone on, what was not read can't be read any more. */
const openChecks = (snapshot: JobSnapshot) =>
  baselineChecks(snapshot)
    .filter(({ state }) => state === 'open' && !movedOn(snapshot.records))
    .map(({ position, check }) => ({
      ...{ positionId: position.id, checkId: check.id },
      words: `${check.title}, ${position.name}`,
    }));

function NextKey() {
  const { place } = useBench();
  const router = useRouter();
  const next = useOfJob(
    useShallow(({ counts, parts, snapshot }): NextAct | Record<string, never> => {
      const { station, part, check } = place;
      const toRead = station === 'baseline' ? openChecks(snapshot) : [];
      return nextAct({ counts, parts, station, part, check, toRead }) ?? {};
    }),
  );
  const open = useOfJob(({ counts }) => counts.find(({ id }) => id === place.station)?.open ?? 0);
  const go = () => {
    if (next.to === 'part') place.goTo({ part: next.positionId });
    else if (next.to === 'check') place.goTo({ part: next.positionId, face: 'measure', check: next.checkId });
    else if (next.to === 'station') place.goTo({ station: next.station, part: null });
    else if (next.to === 'rack') router.push('/');
  };
  useEffect(() =>
    tinykeys(window, {
      n: (event) => {
        // On the inspection sheet the letter says that there is nothing to see.
        const onSheet =
          place.station === 'grade' && place.part === undefined && place.show === 'sheet' && !place.gear;
        if (!typesInto(event.target) && !onSheet) go();
      },
    }),
  );
  if (next.to === undefined) return <Box color="onBlueSecond">{open} open here</Box>;
  return (
    <Press kind="undo" flexShrink={0} maxWidth="60%" onClick={go}>
      <Box as="span" fontWeight={400}>
        {next.to === 'rack' ? '' : 'Next'}
      </Box>
      <Box as="span" lineClamp={1} textAlign="left">
        {next.words}
      </Box>
      <ArrowRight size={20} aria-hidden style={{ flexShrink: 0 }} />
    </Press>
  );
}
