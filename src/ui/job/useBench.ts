'use client';

import { createContext, useContext } from 'react';
import type { PartState } from '@/core/wear/partStanding';
import type { Actor } from '@/model/people';
import type { Right } from '@/model/rights';
import type { JustKept, Undoable } from './UndoBar';
import type { BenchPlace } from './useBenchPlace';
import type { BenchJob } from './useJob';

/** Who stands at the bench, what he may do, where in the job he is; and where it is told what he has just kept. */
export interface AtBench {
  readonly actor: Actor;
  readonly rights: readonly Right[];
  readonly place: BenchPlace;
  /** Tells it at the foot, with the way to take it back. */
  readonly tellKept: (kept: JustKept | Undoable) => void;
}

/** What shows something of a job is given the job as it watches it, so that it is drawn anew for that alone. */
export interface OfJob {
  readonly job: BenchJob;
}

export interface OfPart extends OfJob {
  readonly part: PartState;
}

const Context = createContext<AtBench | undefined>(undefined);
export const AtBenchProvider = Context.Provider;

export function useBench(): AtBench {
  const bench = useContext(Context);
  if (!bench) throw new Error('This is shown at the bench only.');
  return bench;
}
