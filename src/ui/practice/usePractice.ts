'use client';

import { useMemo } from 'react';
import { PRACTICE, type PracticeAct, type PracticeMove, type PracticeRun } from '@/core/practice/practiceRun';
import { type HowHeld, heldBy } from '@/core/practice/practiceTruth';
import { type PracticeRound, roundsOf } from '@/core/practice/practise';
import { adviceOnPractice, nextOnPractice } from '@/core/setup/practiceAdviser';
import { useKept } from '../kit/useKept';
import type { Shown } from '../rebuild/Advice';

interface Kept extends PracticeRun {
  /** He said that it stays so. */
  readonly isDone: boolean;
  /** He has looked at what the tool would do. */
  readonly hasAsked: boolean;
}

const first = (seed: number): Kept => ({ seed, moves: [], acts: [], isDone: false, hasAsked: false });

/** A run with a practice axle: what was read, what the tool would do next, and all that can be done. It outlives a reload. */
export function usePractice() {
  const [run, setRun] = useKept<Kept>('practice axle with its bearings', first(1));
  const rounds = useMemo(() => roundsOf(run), [run]);
  const held = useMemo(() => heldBy(run.seed), [run.seed]);
  const shown = useMemo(() => shownOf(rounds, run.hasAsked ? held : undefined), [rounds, run.hasAsked, held]);
  const next = useMemo(
    () => (run.hasAsked ? { told: nextOnPractice(rounds, held) } : undefined),
    [rounds, run.hasAsked, held],
  );
  return {
    ...{ run, rounds, held, shown, next },
    move: (move: PracticeMove) => setRun({ ...run, moves: [...run.moves, move], hasAsked: false }),
    act: (act: PracticeAct) =>
      setRun({ ...run, acts: [...run.acts, { ...act, round: run.moves.length }], hasAsked: false }),
    ask: () => setRun({ ...run, hasAsked: true }),
    finish: () => setRun({ ...run, isDone: true }),
    another: () => setRun(first(run.seed + 1)),
  };
}
export type Practice = ReturnType<typeof usePractice>;

/** The rounds as the instruments of a real set-up show them. */
function shownOf(rounds: readonly PracticeRound[], held: HowHeld | undefined): Shown {
  const { backlash, pattern } = PRACTICE;
  return {
    band: { ...backlash, checkId: '', source: 'for practice' },
    pattern,
    means: rounds.map(({ teeth }) => teeth.reduce((sum, each) => sum + each.backlash, 0) / teeth.length),
    rounds: rounds.map(({ moved, teeth, drive, coast }, at) => ({
      ...{ id: String(at), author: 'you' },
      content: {
        ...{ teeth: [...teeth], drive, coast },
        ...(moved ? { moved: { ...moved, asTold: true } } : {}),
      },
    })),
    advice: held && adviceOnPractice(rounds, held),
  };
}
