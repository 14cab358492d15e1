'use client';

import { useRef, useState } from 'react';
import { recordsOf } from '@/core/strip/recordsOf';
import type { RecordOf } from '@/model/recordKinds';
import type { GLITTER } from '@/model/records/drained';
import type { OfJob } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { figureOf } from '../kit/figureOf';
import { useKept } from '../kit/useKept';

type Drained = RecordOf<'drained'>;
/** Of what nobody has said yet there is nothing: no colour that the oil may not have. */
export interface OilSheet
  extends Partial<Pick<Drained, 'colour' | 'smell' | 'water' | 'glitter' | 'cameAs'>> {
  readonly litres: string;
  readonly magnet: Drained['magnet'];
  readonly note: string;
}
const EMPTY: OilSheet = { litres: '', magnet: [], note: '' };

const ASKED: Readonly<Record<string, string>> = {
  ...{ cameAs: 'how it came', colour: 'colour', smell: 'smell', water: 'water', glitter: 'glitter' },
};

/** What is not said yet, for whoever would set the oil down without it. */
const unsaid = (sheet: OilSheet): string[] =>
  (['cameAs', 'colour', 'smell', 'water', 'glitter'] as const)
    .filter((name) => sheet[name] === undefined)
    .map((name) => ASKED[name]!);

const STEP = 0.1;

/** The oil as it is being said, kept on the device until it is set down; what was set down last is shown until somebody begins anew. */
export function useOil({ job }: OfJob) {
  const keep = useKeep(job);
  const last = recordsOf(job.snapshot.records, 'drained').at(-1);
  const [typed, setTyped, forget] = useKept(`drained oil ${job.snapshot.job.id}`, EMPTY);
  const [isAgain, setAgain] = useState(false);
  const [trouble, setTrouble] = useState('');
  const isOpen = last === undefined || isAgain;
  const sheet = isOpen ? typed : sheetOf(last.content);
  // A key may be pressed again before the page was drawn anew: what counts is what was said last.
  const said = useRef(typed);
  said.current = typed;
  const set = (over: Partial<OilSheet>) => {
    said.current = { ...said.current, ...over };
    setTyped(said.current);
  };
  const setDown = async () => {
    const missing = unsaid(said.current);
    if (missing.length > 0) return setTrouble(`Say first: ${missing.join(', ')}.`);
    const { litres, ...seen } = said.current;
    const amount = figureOf(litres);
    if (amount !== undefined && Number.isNaN(amount)) return setTrouble(`“${litres}” is no figure.`);
    const content = { what: 'drained', ...seen, ...(amount === undefined ? {} : { litres: amount }) };
    const wrong = await keep(content as Drained, 'The oil is set down');
    setTrouble(wrong ?? '');
    if (wrong) return;
    forget();
    setAgain(false);
  };
  return {
    ...{ sheet, last, isOpen, trouble, set, setDown },
    again: () => {
      setTyped(last ? sheetOf(last.content) : EMPTY);
      setAgain(true);
    },
    more: (presses: number) => {
      const now = figureOf(said.current.litres) ?? 0;
      if (!Number.isNaN(now)) set({ litres: litresWords(Math.max(0, now + presses * STEP)) });
    },
    toggleMagnet: (thing: Drained['magnet'][number]) => set({ magnet: toggled(said.current.magnet, thing) }),
    toggleGlitter: (metal: 'grey' | 'yellow') => set({ glitter: withGlitter(said.current.glitter, metal) }),
  };
}
export type Oil = ReturnType<typeof useOil>;

export const litresWords = (litres: number): string => String(Math.round(litres * 100) / 100);

const sheetOf = ({ litres, what: _, version: __, ...said }: Drained): OilSheet => ({
  ...said,
  litres: litres === undefined ? '' : litresWords(litres),
});

/** “Nothing” stands alone; everything else takes it away. */
function toggled(found: OilSheet['magnet'], pressed: OilSheet['magnet'][number]): OilSheet['magnet'] {
  if (pressed === 'nothing') return ['nothing'];
  const rest = found.filter((each) => each !== 'nothing' && each !== pressed);
  return found.includes(pressed) ? rest : [...rest, pressed];
}

function withGlitter(
  said: OilSheet['glitter'],
  metal: 'grey' | 'yellow',
): (typeof GLITTER)[number] | undefined {
  const [grey, yellow] = (['grey', 'yellow'] as const).map((each) =>
    each === metal ? !said?.includes(each) : (said?.includes(each) ?? false),
  );
  if (grey && yellow) return 'grey and yellow';
  return grey ? 'grey' : yellow ? 'yellow' : undefined;
}
