'use client';

import { Box, chakra, Flex, Heading } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import {
  PRACTICE,
  type PracticeRound,
  type PracticeRun,
  perfectMove,
  playedBy,
  roundsOf,
  truthOf,
} from '@/core/practice/practise';
import { formatNumber } from '@/core/quantity/format';
import { parseReading } from '@/core/quantity/parseReading';
import { setupAdvice } from '@/core/setup/setupAdvice';
import type { Actor } from '@/model/people';
import { PageHead } from '../frame/PageHead';
import { TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { useKept } from '../kit/useKept';
import { Advice, type Shown } from '../rebuild/Advice';
import { Instruments } from '../rebuild/Instruments';
import { Ladder } from '../rebuild/Ladder';

interface Practice extends PracticeRun {
  /** He said that it stays so. */
  readonly isDone: boolean;
  /** He has looked at what the tool would do. */
  readonly hasAsked: boolean;
}

const START: Practice = { seed: 1, moves: [], again: [], isDone: false, hasAsked: false };

/** An axle whose insides nobody sees: move ring and pinion, read what the dial and the paint say, and stop when it is right. */
export function PracticeAxle({ actor }: { readonly actor: Actor }) {
  const [run, setRun] = useKept<Practice>('practice axle', START);
  const shown = useMemo(() => shownOf(run), [run]);
  return (
    <>
      <PageHead title="Practice axle" actor={actor} back={{ href: '/training', words: 'Training' }} />
      <Box as="main" padding="16px" maxWidth="820px" data-testid="practice">
        <Box color="second" marginBottom="8px">
          Set backlash and pattern of this ring and pinion in as few rounds as you can. It is no job: it
          stands in no rack and counts for nothing.
        </Box>
        <Heading as="h2" fontSize="20px">
          Axle {run.seed}, round {run.moves.length + 1}
        </Heading>
        <Instruments setUp={run.hasAsked ? shown : { ...shown, advice: undefined }} />
        {run.hasAsked && <Advice setUp={shown} />}
        {run.isDone ? (
          <Told run={run} onAnother={() => setRun({ ...START, seed: run.seed + 1 })} />
        ) : (
          <MoveIt
            key={run.moves.length}
            hasAsked={run.hasAsked}
            teeth={shown.rounds.at(-1)!.content.teeth}
            suggested={run.hasAsked ? shown.advice?.repeat?.tooth : undefined}
            onAgain={(tooth) =>
              setRun({
                ...run,
                again: [...(run.again ?? []), { round: run.moves.length, tooth }],
                hasAsked: false,
              })
            }
            onMove={(move) => setRun({ ...run, moves: [...run.moves, move], hasAsked: false })}
            onAsk={() => setRun({ ...run, hasAsked: true })}
            onDone={() => setRun({ ...run, isDone: true })}
          />
        )}
        <Ladder setUp={run.hasAsked ? shown : { ...shown, advice: undefined }} />
        <Assumed />
      </Box>
    </>
  );
}

/** The run as the instruments of a real set-up show one. */
function shownOf(run: PracticeRun): Shown {
  const rounds = roundsOf(run);
  const { backlash, pattern } = PRACTICE;
  return {
    band: { ...backlash, checkId: '', source: 'for practice' },
    pattern,
    means: rounds.map(({ teeth }) => teeth.reduce((sum, each) => sum + each.backlash, 0) / teeth.length),
    rounds: rounds.map(({ moved, ...content }, at) => ({
      ...{ id: String(at), author: 'you' },
      content: {
        ...content,
        teeth: [...content.teeth],
        ...(moved ? { moved: { ...moved, asTold: true } } : {}),
      },
    })),
    advice: adviceOn(rounds),
  };
}

const adviceOn = (rounds: readonly PracticeRound[]) =>
  setupAdvice({
    gearSet: PRACTICE.gearSet,
    ...{
      bands: { backlash: PRACTICE.backlash, pattern: PRACTICE.pattern },
      step: { ring: 0.01, depth: 0.01 },
    },
    rounds: rounds.map((round) => ({ ...round, teeth: [...round.teeth] })),
  });

/** The same axle, played by the tool alone. */
const playedByTheTool = (seed: number) =>
  playedBy(seed, (rounds) => {
    const { move, repeat } = adviceOn(rounds);
    const isOfLast = repeat?.round === rounds.length - 1;
    return { move, again: isOfLast ? repeat?.tooth : undefined };
  });

interface MoveItProps {
  readonly hasAsked: boolean;
  readonly teeth: readonly { readonly tooth: number; readonly backlash: number }[];
  /** The tooth that the tool would read again. */
  readonly suggested: number | undefined;
  readonly onAgain: (tooth: number) => void;
  readonly onMove: (move: { readonly ring: number; readonly depth: number }) => void;
  readonly onAsk: () => void;
  readonly onDone: () => void;
}

/** More than this no stack of shims gives. */
const MOST = 1;

function MoveIt({ hasAsked, teeth, suggested, onAgain, onMove, onAsk, onDone }: MoveItProps) {
  const [ring, setRing] = useState('');
  const [depth, setDepth] = useState('');
  const [trouble, setTrouble] = useState('');
  const read = (written: string): number | undefined => {
    if (written.trim() === '') return 0;
    const parsed = parseReading(written);
    return parsed.ok && Math.abs(parsed.value) <= MOST ? parsed.value : undefined;
  };
  const move = () => {
    const [byRing, byDepth] = [read(ring), read(depth)];
    if (byRing === undefined || byDepth === undefined)
      return setTrouble(
        `“${byRing === undefined ? ring : depth}” is no move: at most ${MOST} mm either way.`,
      );
    if (byRing === 0 && byDepth === 0) return setTrouble('Nothing is moved by that.');
    onMove({ ring: byRing, depth: byDepth });
  };
  return (
    <Box
      as="form"
      marginBlock="12px"
      onSubmit={(event) => {
        event.preventDefault();
        move();
      }}
    >
      <Flex gap="12px" wrap="wrap" align="flex-end">
        {(
          [
            ['Ring, mm away from the pinion', ring, setRing],
            ['Pinion, mm toward the ring', depth, setDepth],
          ] as const
        ).map(([words, value, set]) => (
          <Box as="label" key={words}>
            {words}
            <TextInput
              inputMode="decimal"
              width="170px"
              fontSize="18px"
              value={value}
              onChange={(event) => set(event.target.value)}
            />
          </Box>
        ))}
        <Press kind="take" size="bench" type="submit">
          Move and read
        </Press>
        <Press size="bench" onClick={onDone}>
          It stays so
        </Press>
        {!hasAsked && (
          <Press kind="quiet" onClick={onAsk}>
            What would the tool do?
          </Press>
        )}
      </Flex>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Box marginTop="10px" fontSize="13px" color="second">
        Read a tooth again, where you doubt it; that is no round:
      </Box>
      <Flex gap="4px" wrap="wrap" role="group" aria-label="Read a tooth again">
        {teeth.map(({ tooth, backlash }) => (
          <Press
            key={tooth}
            kind={tooth === suggested ? 'main' : 'plain'}
            paddingInline="10px"
            aria-label={`Tooth ${tooth + 1}, ${formatNumber(backlash, 3)} mm, read again`}
            onClick={() => onAgain(tooth)}
          >
            {tooth + 1}: {formatNumber(backlash, 3)}
          </Press>
        ))}
      </Flex>
    </Box>
  );
}

const mm = (value: number) => formatNumber(value, 3);

/** What was hidden, beside what was reached. */
function Told({ run, onAnother }: { readonly run: PracticeRun; readonly onAnother: () => void }) {
  const truth = truthOf(run);
  const best = perfectMove(run.seed);
  const tool = useMemo(() => playedByTheTool(run.seed), [run.seed]);
  return (
    <Box border="2px solid" borderColor="ink" padding="12px" marginBlock="12px" data-testid="practice-told">
      <Box fontSize="20px" fontWeight={650} color={truth.isInBand ? undefined : 'oxide'}>
        {truth.isInBand ? 'It is right' : 'It is not right yet'}, after {run.moves.length + 1}{' '}
        {run.moves.length === 0 ? 'round' : 'rounds'}
      </Box>
      <Box>
        Backlash {mm(truth.mean)} mm in the mean, {mm(truth.tightest)} at the tightest of all teeth; the
        farthest patch is off by {formatNumber(100 * truth.patchOff, 0)} % of the flank.
      </Box>
      <Box color="second">
        Who could see inside would have moved the ring {mm(best.ring)} and the pinion {mm(best.depth)} mm: two
        rounds. The tool, which sees no more than you, took {tool.rounds}
        {tool.isInBand ? '' : ', and did not get it right'}.
      </Box>
      <Press kind="main" marginTop="8px" onClick={onAnother}>
        Another axle
      </Press>
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
      mm, the eye to {formatNumber(100 * PRACTICE.eye, 0)} % of the flank. One reading in {PRACTICE.slipIn} is
      a slip of the hand, {PRACTICE.slip.least} to {PRACTICE.slip.most} mm too much; read again it is right.
      Preload and settling are left out.
    </p>
  </chakra.details>
);
