'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { whatItReads } from '@/core/metrology/whatItReads';
import { patternChecks } from '@/core/rebuild/patternAsFound';
import { type BaselineCheck, baselineChecks, movedOn } from '@/core/strip/baseline';
import type { PartState } from '@/core/wear/partStanding';
import { NoiseKey } from '../job/NoiseKey';
import { type OfJob, useBench } from '../job/useBench';
import { EmptyState } from '../kit/Notice';
import { BesideSection } from '../section/BesideSection';
import { CheckLine } from './CheckLine';
import { MoveOn } from './MoveOn';
import { PatternLine } from './PatternLine';
import { useBeside } from './useBeside';

const LOOSE = 'Bearings loose: it tells how it ran, not how it was set.';

/** How it was set before anything moves, as instruments in a row: afterwards nobody can know. */
export function BaselineStation(props: OfJob) {
  const { job } = props;
  const { place } = useBench();
  const beside = useBeside(props);
  const { snapshot } = job;
  const checks = baselineChecks(snapshot);
  const patterns = patternChecks(snapshot);
  const gone = movedOn(snapshot.records);
  const lines = [
    ...checks.map((line) => ({
      key: keyOf(line),
      position: line.position.id,
      isOpen: line.state === 'open',
    })),
    ...patterns.map(({ pair, ringPosition, state }) => ({
      ...{ key: pair, position: ringPosition, isOpen: state === 'open' },
    })),
  ];
  const openLines = gone ? [] : lines.filter(({ isOpen }) => isOpen);
  // The one in hand stays in hand until whoever reads goes on: a figure typed for it can't land in the next one.
  const [current, setCurrent] = useState(openLines[0]?.key);
  const nextAfter = (key: string): string | undefined => {
    const at = lines.findIndex((line) => line.key === key);
    return [...lines.slice(at + 1), ...lines.slice(0, at)].find(({ isOpen }) => isOpen)?.key;
  };
  if (lines.length === 0)
    return (
      <BesideSection job={job} note="Tap a part to open its ticket.">
        <NoiseKey job={job} />
        <EmptyState>
          No check of this unit must come before the strip. The lead marks them so on its limit sheet; until
          then measure what you can on the tickets before anything moves.
        </EmptyState>
      </BesideSection>
    );
  const looseByTorque = checks.some(({ check, position, state }) => {
    if (state !== 'read' || whatItReads(check) !== 'turning-torque') return false;
    const { decisive, limit, word } = judgedOf(job.parts, position.id, check.id)?.judgement ?? {};
    return word === 'beyond' && decisive !== undefined && decisive.value < (limit?.min ?? 0);
  });
  const isLoose = looseByTorque || patterns.some(({ seen }) => seen?.content.bearingsLoose);
  return (
    <BesideSection
      job={job}
      marked={openLines.map(({ position }) => position)}
      onOpen={(part) => {
        const line = lines.find(({ position, isOpen }) => position === part && isOpen);
        if (line && !gone) setCurrent(line.key);
        else place.goTo({ part });
      }}
      note={noteOf(
        openLines.length,
        (gone !== undefined && lines.some(({ isOpen }) => isOpen)) ||
          patterns.some(({ state }) => state === 'missed'),
      )}
    >
      <Box data-testid="baseline">
        <Flex justify="space-between" align="baseline" wrap="wrap" gap="8px">
          <Heading as="h2" fontSize="24px" lineHeight="30px">
            Before anything moves
          </Heading>
          <NoiseKey job={job} />
          <Box color="second" fontSize="15px">
            {openLines.length === 0 ? 'nothing open' : `${openLines.length} open`}
          </Box>
        </Flex>
        {checks.map((line, at) => {
          const part = job.parts.find(({ position }) => position.id === line.position.id);
          const judged = judgedOf(job.parts, line.position.id, line.check.id);
          if (!part || !judged) return null;
          const key = keyOf(line);
          return (
            <CheckLine
              key={key}
              {...{ job, line, part, judged, beside }}
              number={at + 1}
              isCurrent={key === current && !gone}
              note={isLoose && whatItReads(line.check) === 'backlash' ? LOOSE : ''}
              onOpen={() => setCurrent(key)}
              onNext={nextAfter(key) === undefined ? undefined : () => setCurrent(nextAfter(key))}
            />
          );
        })}
        {patterns.map((line, at) => (
          <PatternLine
            key={line.pair}
            {...{ job, line }}
            number={checks.length + at + 1}
            isCurrent={line.pair === current && !gone}
            onOpen={() => setCurrent(line.pair)}
            onKept={() => setCurrent(nextAfter(line.pair))}
          />
        ))}
        {gone ? (
          <Box marginTop="12px">
            {gone.author} went on with {gone.content.open} open
            {gone.content.reason ? `: ${gone.content.reason}` : ''}. The report says so.
          </Box>
        ) : (
          <MoveOn {...props} open={openLines.length} />
        )}
      </Box>
    </BesideSection>
  );
}

const keyOf = ({ position, check }: BaselineCheck): string => `${position.id} ${check.id}`;

const judgedOf = (parts: readonly PartState[], positionId: string, checkId: string) =>
  parts
    .find(({ position }) => position.id === positionId)
    ?.judgements.find(({ check }) => check.id === checkId);

function noteOf(toRead: number, missed: boolean): string {
  if (missed) return 'Not all of it was read before something moved; the report says which.';
  return toRead > 0
    ? 'Marked: what must be read before anything moves. Tap it to read it.'
    : 'Everything here is read or answered.';
}
