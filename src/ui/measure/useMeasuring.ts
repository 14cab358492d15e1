'use client';

import { createContext, useCallback, useContext, useState } from 'react';
import type { Measuring } from './seriesWalk';

type Chosen = readonly [Measuring, (measuring: Measuring) => void];

const Context = createContext<Chosen>([{}, () => undefined]);
export const MeasuringProvider = Context.Provider;

/** What was chosen while measuring, for the pad and for the plot beside it. */
export const useMeasuring = (): Chosen => useContext(Context);

/** Keeps what was chosen while measuring; another part or another check begins afresh. */
export function useMeasuringOf(of: string): Chosen {
  const [chosen, setChosen] = useState<{ of: string; measuring: Measuring }>({ of, measuring: {} });
  const choose = useCallback((measuring: Measuring) => setChosen({ of, measuring }), [of]);
  return [chosen.of === of ? chosen.measuring : {}, choose];
}
