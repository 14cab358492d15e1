import type { Check } from '@/model/checks';

/** What a check reads, where something hangs on it. */
export type WhatItReads = 'backlash' | 'turning-torque' | 'run-out';

/** By the library's definition that a check was made from: a fact of the type, whatever its title says. */
const BY_DEFINITION: Readonly<Record<string, WhatItReads>> = {
  backlash: 'backlash',
  'turning-torque': 'turning-torque',
  'face-runout-turn': 'run-out',
  'face-runout-series': 'run-out',
  'radial-runout-series': 'run-out',
};

/** What a check is taken to read that was made from no definition: described by hand, or before there was a library. */
const ASSUMED: readonly (readonly [WhatItReads, Check['unit'], RegExp])[] = [
  ['backlash', 'mm', /backlash/i],
  ['turning-torque', 'Nm', /turning torque/i],
  ['run-out', 'mm', /run-?out/i],
];

/** What a check reads; undefined where nothing hangs on it. */
export function whatItReads({
  definition,
  title,
  unit,
}: Pick<Check, 'definition' | 'title' | 'unit'>): WhatItReads | undefined {
  if (definition !== undefined) return BY_DEFINITION[definition];
  return ASSUMED.find(([, of, words]) => of === unit && words.test(title))?.[0];
}
