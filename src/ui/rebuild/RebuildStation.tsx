'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { rebuildPlan } from '@/core/rebuild/rebuildPlan';
import { reworkTickets } from '@/core/rebuild/reworkTickets';
import { type SetUp, setUpsOf } from '@/core/rebuild/setUp';
import { type HowToMove, howToMove } from '@/core/rebuild/setUpMove';
import { type AskedMove, DRAWN_LARGER } from '@/core/section/movedGhost';
import { type OfJob, useBench } from '../job/useBench';
import { Press } from '../kit/Press';
import { useKept } from '../kit/useKept';
import { BesideSection } from '../section/BesideSection';
import { Closing } from './Closing';
import { MeasuredAfter } from './MeasuredAfter';
import { ProofLines } from './ProofLines';
import { ReworkTickets } from './ReworkTickets';
import { SetUpAct } from './SetUpAct';
import { SetUpBench } from './SetUpBench';
import { WayBack } from './WayBack';

const VIEWS = {
  back: 'The way back',
  rework: 'Rework',
  'set-up': 'Set-up',
  measured: 'Measured',
  proof: 'Proof',
  closing: 'Closing',
} as const;
export type View = keyof typeof VIEWS;

const NOTES: Readonly<Partial<Record<View, string>>> = {
  back: 'Marked: the pieces of this step. Tap a part to open its ticket.',
  rework: 'Marked: what is worked on, and may not go in yet.',
  'set-up': 'Marked: the gear set, and what the move goes by. The maker’s chart decides.',
};

/** The strip the other way round, what is worked on, set up, measured anew and proved on the way, and what closes it. */
export function RebuildStation({ job }: OfJob) {
  const { rights } = useBench();
  const [chosen, setChosen] = useState<string>();
  const { snapshot } = job;
  // Whoever sets up a gear set reads and moves for an hour: a reload brings him back to it.
  const [view, setView] = useKept<View>(`rebuild of ${snapshot.job.id}`, 'back');
  const mayBuild = rights.includes('rebuild.do');
  const steps = rebuildPlan(snapshot);
  const current =
    steps.find(({ id }) => id === chosen) ?? steps.find(({ done, bolts }) => !done || bolts?.next);
  const setUps = setUpsOf(snapshot, job.parts).map((setUp) => ({ setUp, how: howToMove(snapshot, setUp) }));
  const shown = view === 'set-up' && setUps.length === 0 ? 'back' : view;
  const marked = {
    back: current?.positions.map(({ id }) => id) ?? [],
    'set-up': setUps.flatMap(({ setUp, how }) => [
      ...[setUp.ringPosition, setUp.pinionPosition],
      ...(how?.packs?.packs.map(({ stack }) => stack.position) ?? []),
      ...(how?.adjusters?.told.map(({ position }) => position.id) ?? []),
    ]),
    rework: reworkTickets(snapshot)
      .filter(({ state }) => state !== 'within' && state !== 'dropped')
      .map(({ position }) => position.id),
    ...{ measured: [], proof: [], closing: [] },
  }[shown];
  const moves =
    shown === 'set-up' ? setUps.flatMap(({ setUp, how }) => (how ? movesOf(setUp, how) : [])) : [];
  return (
    <BesideSection
      job={job}
      marked={marked}
      moves={moves}
      note={
        moves.length > 0
          ? `${NOTES['set-up']} ${MOVED_NOTE}`
          : (NOTES[shown] ?? 'Tap a part to open its ticket.')
      }
      below={
        shown === 'set-up'
          ? setUps.map(({ setUp, how }) => (
              <SetUpAct key={setUp.pair} job={job} setUp={setUp} how={how} mayBuild={mayBuild} />
            ))
          : undefined
      }
    >
      <Views view={shown} onView={setView} hasSetUp={setUps.length > 0} />
      {shown === 'back' && <WayBack job={job} steps={steps} current={current} onChoose={setChosen} />}
      {shown === 'rework' && <ReworkTickets job={job} />}
      {shown === 'set-up' &&
        setUps.map(({ setUp, how }) => (
          <SetUpBench key={setUp.pair} job={job} setUp={setUp} how={how} mayBuild={mayBuild} />
        ))}
      {shown === 'measured' && <MeasuredAfter job={job} />}
      {shown === 'proof' && <ProofLines job={job} />}
      {shown === 'closing' && <Closing job={job} onGo={setView} />}
    </BesideSection>
  );
}

const MOVED_NOTE = `Moves are drawn ${DRAWN_LARGER} times their size.`;

/** What a hand moves: the ring along its axis, the pinion along its own. */
const movesOf = ({ ringPosition, pinionPosition }: SetUp, { ring, depth }: HowToMove): AskedMove[] => [
  { position: ringPosition, from: pinionPosition, away: ring },
  { position: pinionPosition, from: ringPosition, away: -depth },
];

interface ViewsProps {
  readonly view: View;
  readonly onView: (view: View) => void;
  readonly hasSetUp: boolean;
}

function Views({ view, onView, hasSetUp }: ViewsProps) {
  return (
    <Box as="nav" aria-label="Parts of the rebuild">
      <Flex gap="4px" marginBottom="10px" wrap="wrap">
        {(Object.keys(VIEWS) as View[])
          .filter((each) => each !== 'set-up' || hasSetUp)
          .map((each) => (
            <Press
              key={each}
              paddingInline="12px"
              chosen={view === each}
              aria-pressed={view === each}
              onClick={() => onView(each)}
            >
              {VIEWS[each]}
            </Press>
          ))}
      </Flex>
    </Box>
  );
}
