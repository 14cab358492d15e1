'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { heldNewParts } from '@/core/rebuild/newParts';
import { openOfRebuild } from '@/core/rebuild/openOfRebuild';
import { piecesIn } from '@/core/rebuild/piecesIn';
import type { RebuildStep } from '@/core/rebuild/rebuildPlan';
import { heldByRework, reworkTickets } from '@/core/rebuild/reworkTickets';
import { recordsOf } from '@/core/strip/recordsOf';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { EmptyState } from '../kit/Notice';
import { OpenerNotes } from './OpenerNotes';
import { PiecesBack } from './PiecesBack';
import { StepIn } from './StepIn';
import { StepsBack } from './StepsBack';

interface WayBackProps extends OfJob {
  readonly steps: readonly RebuildStep[];
  readonly current: RebuildStep | undefined;
  readonly onChoose: (id: string | undefined) => void;
}

/** One step at a time with how it lay, its bolts ticked round the star, the bench counted down to zero. */
export function WayBack({ job, steps, current, onChoose }: WayBackProps) {
  const { rights } = useBench();
  const keep = useKeep(job);
  const { snapshot } = job;
  const mayBuild = rights.includes('rebuild.do');
  if (steps.length === 0)
    return (
      <EmptyState>
        Nothing was written down of how it came apart, so nothing tells the way back. What is put down at
        Strip stands here the other way round.
      </EmptyState>
    );
  const isIn = steps.filter(({ done }) => done).length;
  const pieces = piecesIn(snapshot.unitType, steps, snapshot.records);
  const closed =
    openOfRebuild(snapshot).length === 0 &&
    isIn === steps.length &&
    pieces.every(({ state }) => state === 'all-in');
  const isFlushed = recordsOf(snapshot.records, 'proved').some(
    ({ content }) => content.item === 'flush-case' && content.result === 'pass',
  );
  const held = current
    ? heldByRework(
        reworkTickets(snapshot),
        current.positions.map(({ id }) => id),
      )
    : [];
  const newHeld = heldNewParts(snapshot).filter(({ positionId }) =>
    current?.positions.some(({ id }) => id === positionId),
  );
  return (
    <Box data-testid="rebuild">
      <Flex justify="space-between" align="baseline" gap="12px" wrap="wrap" marginBottom="8px">
        <Heading as="h2" fontSize="20px">
          {closed ? 'Closed: everything is in' : `${isIn} of ${steps.length} steps are in`}
        </Heading>
        <Box color="second" fontSize="13px">
          The maker’s manual goes before what stands here.
        </Box>
      </Flex>
      {isIn === 0 && !isFlushed && (
        <Box
          borderLeft="4px solid"
          borderColor="oxide"
          paddingLeft="10px"
          marginBottom="8px"
          data-testid="flush-first"
        >
          Flush it first, with proof: nobody has said yet that the case is clean.
        </Box>
      )}
      {current && (
        <StepIn
          key={current.id}
          step={current}
          number={steps.indexOf(current) + 1}
          held={held}
          newHeld={newHeld}
          {...(mayBuild
            ? {
                onIn: async (note) => {
                  const wrong = await keep(
                    { what: 'refitted', of: current.id, note },
                    `In: ${current.title}`,
                  );
                  if (wrong === undefined && !current.bolts?.next) onChoose(undefined);
                  return wrong;
                },
                onRound: (round) =>
                  keep(
                    { what: 'round-torqued', of: current.id, ...round, bolts: [...round.bolts] },
                    `${round.bolts.length} bolts hold`,
                  ),
                onTick: (tick) =>
                  keep(
                    { what: 'torqued', of: current.id, ...tick },
                    tick.held ? 'The bolt holds' : 'The bolt still turned: out with it',
                  ),
              }
            : {})}
        />
      )}
      <StepsBack steps={steps} current={current?.id} onChoose={onChoose} />
      <PiecesBack
        pieces={pieces}
        {...(mayBuild
          ? {
              onCount: (positionId, counted) =>
                keep({ what: 'counted-in', positionId, counted, note: '' }, `Counted in: ${counted}`),
            }
          : {})}
      />
      <OpenerNotes
        records={snapshot.records}
        {...(mayBuild
          ? { onNote: (words) => keep({ what: 'opener-note', words }, 'Noted for the next opener') }
          : {})}
      />
    </Box>
  );
}
