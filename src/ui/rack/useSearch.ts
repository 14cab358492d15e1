'use client';

import { useEffect, useState } from 'react';
import type { FoundJob } from '@/model/snapshot';
import { send } from '../kit/send';

const WAIT_MS = 150;
const LEAST_LETTERS = 2;

interface Answer {
  readonly found: readonly FoundJob[];
  readonly more: boolean;
}
const NOTHING: Answer = { found: [], more: false };

export interface Searched extends Answer {
  /** Whether anything is sought at all. */
  readonly seeks: boolean;
  readonly asking: boolean;
  readonly trouble: string;
  readonly loadMore: () => Promise<void>;
}

/** Asks the shop's computer while one types; an answer to what is no longer sought is let go. */
export function useSearch(sought: string): Searched {
  const words = sought.trim();
  const seeks = words.length >= LEAST_LETTERS;
  const [answered, setAnswered] = useState<{ words: string; answer: Answer; trouble: string }>();
  useEffect(() => {
    if (!seeks) return;
    let current = true;
    const timer = setTimeout(async () => {
      const asked = await ask(words);
      if (current) setAnswered({ words, ...asked });
    }, WAIT_MS);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [seeks, words]);
  const { answer, trouble } = answered && seeks ? answered : { answer: NOTHING, trouble: '' };
  const loadMore = async () => {
    const next = await ask(words, answer.found.at(-1)?.peg);
    const found = [...answer.found, ...next.answer.found];
    setAnswered({ words, answer: { found, more: next.answer.more }, trouble: next.trouble });
  };
  return { ...answer, seeks, asking: seeks && answered?.words !== words, trouble, loadMore };
}

async function ask(words: string, beforePeg?: number): Promise<{ answer: Answer; trouble: string }> {
  const behind = beforePeg === undefined ? '' : `&beforePeg=${beforePeg}`;
  const answer = await send<Answer>('GET', `/api/v1/jobs?sought=${encodeURIComponent(words)}${behind}`);
  return answer.ok
    ? { answer: answer.value, trouble: '' }
    : { answer: NOTHING, trouble: answer.refusal.message };
}
