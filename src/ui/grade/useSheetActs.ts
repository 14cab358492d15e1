'use client';

import { type RefObject, useState } from 'react';
import type { PartState } from '@/core/wear/partStanding';
import type { DamageMode, Family, Grade, HandTest, Severity } from '@/model/damage';
import type { HandResult } from '@/model/records/hand-test';
import type { FindingExtent } from '../finding/HowMuch';
import { useBench } from '../job/useBench';
import type { BenchJob } from '../job/useJob';
import { useGrading } from './useGrading';
import type { Sheet } from './useSheet';

type Asking =
  | { readonly what: 'finding' | 'hand' | 'pieces' | 'faces' | 'question' }
  | { readonly what: 'why'; readonly grade: Grade };

/** What was noted last: it can be said of other parts of the family by one key. */
interface Noted {
  readonly family: Family;
  /** The parts that it was said of. */
  readonly on: ReadonlySet<string>;
  readonly finding: Parameters<ReturnType<typeof useGrading>['note']>[1];
  readonly words: string;
}

const isSameFor = ({ family, on }: Noted, parts: readonly PartState[]): boolean =>
  parts.length > 0 && parts.every(({ position }) => position.family === family && !on.has(position.id));

/** All that can be done to the parts in hand, and what is asked before it is done. */
export function useSheetActs(job: BenchJob, sheet: Sheet, list: RefObject<HTMLDivElement | null>) {
  const { place } = useBench();
  const acts = useGrading(job);
  const [asking, setAsking] = useState<Asking>();
  const [noted, setNoted] = useState<Noted>();
  const { current, inHand } = sheet;
  const same = noted && isSameFor(noted, inHand) ? noted : undefined;
  const ask = (what: Exclude<Asking['what'], 'why'>) =>
    inHand.length === 0 ? void acts.say(NOBODY) : setAsking({ what });
  const back = () => {
    setAsking(undefined);
    list.current?.querySelector<HTMLElement>('[data-current]')?.focus({ preventScroll: true });
  };
  const put = (grade: Grade, reason: string) => {
    if (inHand.length === 0) return void acts.say(NOBODY);
    if (!acts.grade(inHand, grade, reason)) return;
    back();
    sheet.onward();
  };
  return {
    ...{ asking, ask, back, put, same, trouble: acts.trouble, say: acts.say },
    grade: (chosen: Grade) => {
      if (inHand.every(({ proposal }) => proposal.grade === chosen || proposal.grade === null))
        put(chosen, '');
      else setAsking({ what: 'why', grade: chosen });
    },
    nothing: () => {
      if (inHand.length === 0) return void acts.say(NOBODY);
      if (acts.nothingToSee(inHand)) sheet.onward();
    },
    note: (mode: DamageMode, where: string, severity: Severity, extent: FindingExtent) => {
      const words = `${mode.term}, ${where}, ${severity}`;
      const finding = { mode: mode.id, place: where, severity, ...extent };
      acts.note(inHand, finding, words);
      // Its photograph shows this part and no other.
      const { photographId: _, ...said } = finding;
      setNoted({ family: inHand[0]!.position.family, on: sheet.ids, finding: said, words });
      back();
    },
    noteSame: () => {
      if (!same || !acts.note(inHand, same.finding, same.words)) return;
      setNoted({ ...same, on: new Set([...same.on, ...sheet.ids]) });
    },
    tried: (test: HandTest, result: HandResult, note: string) => {
      acts.tried(inHand, test, result, note);
      back();
    },
    record: (content: Parameters<typeof acts.record>[0], words: string) => {
      acts.record(content, words);
      back();
    },
    open: (face: 'measure' | 'picture' | 'look') =>
      current && place.goTo({ part: current.position.id, face }),
  };
}
export type SheetActs = ReturnType<typeof useSheetActs>;

const NOBODY = 'No part is chosen.';
