'use client';

import { useState } from 'react';
import { marksChange, marksOn } from '@/core/imaging/marks';
import type { Mark } from '@/model/pictureRecord';
import { useKeep } from '../job/useKeep';
import type { Work } from './tool';

/** The marks on a picture, each change kept at once and taken back step by step. */
export function useMarks(work: Work) {
  const { picture, records } = work;
  const keep = useKeep(work.job);
  const stored = marksOn(records, picture.id);
  // While a mark is dragged it stands here; what is stored follows when it is let go.
  const [moving, setMoving] = useState<Mark>();
  const marks = moving ? stored.map((mark) => (mark.id === moving.id ? moving : mark)) : stored;
  const [steps, setSteps] = useState<readonly (readonly Mark[])[]>([]);
  const [trouble, setTrouble] = useState('');

  const record = async (next: readonly Mark[], words: string) => {
    setMoving(undefined);
    const change = marksChange(stored, next);
    if (change.put.length + change.removed.length === 0) return true;
    const wrong = await keep({ what: 'picture-marked', photographId: picture.id, ...change }, words);
    setTrouble(wrong ?? '');
    return wrong === undefined;
  };
  const change = async (next: readonly Mark[], words: string) => {
    // The step stands at once, as the mark does: whoever presses again quickly takes the next one back.
    setSteps((list) => [...list, stored]);
    if (!(await record(next, words))) setSteps((list) => list.filter((step) => step !== stored));
  };
  const takeBack = async () => {
    const last = steps.at(-1);
    if (!last) return;
    setSteps((list) => list.slice(0, -1));
    if (!(await record(last, 'Step taken back'))) setSteps((list) => [...list, last]);
  };
  const others = (mark: Mark) => stored.filter(({ id }) => id !== mark.id);
  return {
    marks,
    stored,
    moving,
    move: setMoving,
    trouble,
    say: setTrouble,
    put: (mark: Mark, words: string) => change([...others(mark), mark], words),
    remove: (mark: Mark) => change(others(mark), 'Mark rubbed out'),
    ...(steps.length > 0 ? { takeBack } : {}),
  };
}
