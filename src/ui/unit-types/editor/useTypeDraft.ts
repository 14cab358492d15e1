'use client';

import { useCallback, useEffect, useState } from 'react';
import type { Draft } from '@/core/unit-type/editType';
import type { UnitType } from '@/model/unitType';

const MOST_STEPS = 80;

interface History {
  readonly past: readonly Draft[];
  readonly now: Draft;
  readonly future: readonly Draft[];
}

export interface TypeDraft {
  readonly draft: Draft;
  readonly isChanged: boolean;
  readonly change: (how: (draft: Draft) => Draft) => void;
  readonly undo: (() => void) | undefined;
  readonly redo: (() => void) | undefined;
  readonly forget: () => void;
}

/** A description as it is being changed: kept on this device until it is stored, so that a reload loses nothing. */
export function useTypeDraft(unitType: UnitType): TypeDraft {
  const key = `unit-type ${unitType.id} ${unitType.revision}`;
  const stored = unitType as unknown as Draft;
  const [{ past, now, future }, setHistory] = useState<History>({ past: [], now: stored, future: [] });
  useEffect(() => {
    const kept = readKept(key);
    if (kept) setHistory({ past: [], now: kept, future: [] });
  }, [key]);
  const keep = useCallback(
    (history: History) => {
      setHistory(history);
      if (history.now === stored) localStorage.removeItem(key);
      else localStorage.setItem(key, JSON.stringify(history.now));
    },
    [key, stored],
  );
  return {
    draft: now,
    isChanged: now !== stored,
    change: (how) => keep({ past: [...past, now].slice(-MOST_STEPS), now: how(now), future: [] }),
    undo:
      past.length > 0
        ? () => keep({ past: past.slice(0, -1), now: past.at(-1)!, future: [now, ...future] })
        : undefined,
    redo:
      future.length > 0
        ? () => keep({ past: [...past, now], now: future[0]!, future: future.slice(1) })
        : undefined,
    forget: () => keep({ past: [...past, now], now: stored, future: [] }),
  };
}

function readKept(key: string): Draft | undefined {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(key) ?? '');
    return typeof kept === 'object' && kept !== null ? (kept as Draft) : undefined;
  } catch {
    return undefined;
  }
}
