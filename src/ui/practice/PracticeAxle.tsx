'use client';

import { Box, chakra, Grid, Heading } from '@chakra-ui/react';
import { PRACTICE } from '@/core/practice/practiceRun';
import { formatNumber } from '@/core/quantity/format';
import type { Actor } from '@/model/people';
import { PageHead } from '../frame/PageHead';
import { Press } from '../kit/Press';
import { Instruments } from '../rebuild/Instruments';
import { Ladder } from '../rebuild/Ladder';
import { BetweenMoves } from './BetweenMoves';
import { MoveForm } from './MoveForm';
import { PracticeBearings } from './PracticeBearings';
import { PracticeTold } from './PracticeTold';
import { nextWords } from './practiceWords';
import { type Practice, usePractice } from './usePractice';

/** An axle whose insides nobody sees: move ring and pinion, read what dial, paint and spring balance say, and stop when it is right. */
export function PracticeAxle({ actor }: { readonly actor: Actor }) {
  const practice = usePractice();
  const { run, rounds, shown, held } = practice;
  return (
    <>
      <PageHead title="Practice axle" actor={actor} back={{ href: '/training', words: 'Training' }} />
      <Box as="main" padding="16px" maxWidth="1400px" data-testid="practice">
        <Box color="second" marginBottom="8px">
          Set backlash, pattern and the preload of pinion and carrier in as few rounds as you can. It is no
          job: it stands in no rack and counts for nothing.
        </Box>
        <Heading as="h2" fontSize="20px">
          Axle {run.seed}, round {run.moves.length + 1};{' '}
          {held.by === 'shims'
            ? 'its carrier stands between shims'
            : 'its carrier stands between threaded rings'}
        </Heading>
        <Grid templateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) minmax(0, 1.25fr)' }} gap="24px">
          <Box>
            {run.isDone ? (
              <PracticeTold practice={practice} />
            ) : (
              <>
                <ToolsWord practice={practice} />
                <MoveForm key={run.moves.length} practice={practice} />
                <BetweenMoves practice={practice} />
              </>
            )}
          </Box>
          <Box>
            <PracticeBearings read={rounds.at(-1)!.bearings} />
            <Instruments setUp={shown} />
            <Ladder setUp={shown} />
          </Box>
        </Grid>
        <Assumed />
      </Box>
    </>
  );
}

/** What the tool would do, where he asked; one key does it. */
function ToolsWord({ practice: { next, held, move, act, shown } }: { readonly practice: Practice }) {
  if (!next) return null;
  const { told } = next;
  const what = told === undefined ? 'done' : 'move' in told ? 'move' : told.act.what;
  return (
    <Box
      bg="blue"
      color="onBlue"
      padding="12px 16px"
      marginTop="10px"
      aria-live="polite"
      data-testid="tools-word"
      data-next={what}
    >
      <Box fontSize="20px" fontWeight={650}>
        {nextWords(told, held)}
      </Box>
      {(what === 'move' || what === 'tooth') && shown.advice && <Box>{shown.advice.reason}</Box>}
      {told && (
        <Press
          kind="undo"
          size="bench"
          marginTop="8px"
          onClick={() => ('move' in told ? move(told.move) : act(told.act))}
        >
          Do as told
        </Press>
      )}
    </Box>
  );
}

const Assumed = () => (
  <chakra.details marginTop="12px">
    <chakra.summary minHeight="44px" cursor="pointer" fontWeight={650}>
      What is assumed
    </chakra.summary>
    <p>
      Eleven and forty-one teeth, 20° and 35°. A millimetre of ring or pinion gives what its angles say, off
      by up to a fifth; the patches answer as a face-milled set does, off by three tenths. The ring wobbles,
      is a little oval and eccentric, the pinion runs out a little. A reading is good to {PRACTICE.reading}{' '}
      mm, the eye to {formatNumber(100 * PRACTICE.eye, 0)} % of the flank, a turning torque to{' '}
      {PRACTICE.torque} N·m. One reading in {PRACTICE.slipIn} is a slip of the hand, {PRACTICE.slip.least} to{' '}
      {PRACTICE.slip.most} mm too much; read again it is right.
    </p>
    <p>
      Bearings are new, the seal’s drag is taken off. The case passes on 60 to 100 % of what both sides get
      and gives more on one; a pair is as stiff as 100 to 200 N a micrometre and drags 0.2 to 0.3 N·m a
      kilonewton. New rollers turn 20 to 40 % harder until they have gone round some fifteen times. Caps that
      are only snug let the ring lie 0.01 to 0.03 mm elsewhere. A threaded ring that is backed off leaves its
      cup 0.02 to 0.05 mm behind until it is turned. A degree of the nut gives 0.2 to 0.5 N·m.
    </p>
  </chakra.details>
);
