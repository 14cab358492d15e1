'use client';

import { useState } from 'react';
import type { RackEntry, RackPage } from '@/model/snapshot';
import { send } from '../kit/send';

/** What is loaded of the rack: from its first unit or from a day on, page after page. */
export function useRackPages(first: RackPage) {
  const [page, setPage] = useState(first);
  const [from, setFrom] = useState<string>();
  const [trouble, setTrouble] = useState('');
  const fetchBehind = async (afterDue: string, afterPeg: number): Promise<RackPage | undefined> => {
    const answer = await send<RackPage>('GET', `/api/v1/rack?afterDue=${afterDue}&afterPeg=${afterPeg}`);
    setTrouble(answer.ok ? '' : answer.refusal.message);
    return answer.ok ? answer.value : undefined;
  };
  const more = async () => {
    const last: RackEntry | undefined = page.entries.at(-1);
    if (!last) return;
    const next = await fetchBehind(last.dueOn, last.peg);
    if (next) setPage({ ...next, entries: [...page.entries, ...next.entries] });
  };
  /** Begins the shelves with the units due on this day; without one with the first that is due. */
  const startAt = async (day: string | undefined) => {
    const next = day === undefined ? first : await fetchBehind(day, -1);
    if (!next) return;
    setPage(next);
    setFrom(day);
  };
  return { ...page, from, trouble, loadMore: more, startAt };
}
