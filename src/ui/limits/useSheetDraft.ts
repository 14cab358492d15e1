'use client';

import { useCallback, useEffect, useState } from 'react';
import * as v from 'valibot';
import { type Check, CheckSchema } from '@/model/checks';
import type { UnitType } from '@/model/unitType';

const DraftSchema = v.array(CheckSchema);

export interface SheetDraft {
  readonly checks: readonly Check[];
  readonly setChecks: (checks: readonly Check[]) => void;
  readonly forget: () => void;
}

/** The sheet as it is being changed: kept on this device until it is saved, so that a reload loses nothing. */
export function useSheetDraft({ id, revision, checks: stored }: UnitType): SheetDraft {
  const key = `limit-sheet ${id} ${revision}`;
  const [checks, setDraft] = useState<readonly Check[]>(stored);
  useEffect(() => {
    const kept = readKept(key);
    if (kept) setDraft(kept);
  }, [key]);
  const setChecks = useCallback(
    (next: readonly Check[]) => {
      setDraft(next);
      localStorage.setItem(key, JSON.stringify(next));
    },
    [key],
  );
  const forget = useCallback(() => {
    localStorage.removeItem(key);
    setDraft(stored);
  }, [key, stored]);
  return { checks, setChecks, forget };
}

/** A draft that an older version of the program left behind and that no longer fits is let go. */
function readKept(key: string): readonly Check[] | undefined {
  try {
    const parsed = v.safeParse(DraftSchema, JSON.parse(localStorage.getItem(key) ?? ''));
    return parsed.success ? parsed.output : undefined;
  } catch {
    return undefined;
  }
}
