'use client';

import { useMemo } from 'react';
import * as v from 'valibot';
import { type Check, CheckSchema } from '@/model/checks';
import type { UnitType } from '@/model/unitType';
import { useKept } from '../kit/useKept';

const DraftSchema = v.array(CheckSchema);

export interface SheetDraft {
  readonly checks: readonly Check[];
  readonly setChecks: (checks: readonly Check[]) => void;
  readonly forget: () => void;
}

/** The sheet as it is being changed: kept on this device until it is saved, so that a reload loses nothing. */
export function useSheetDraft({ id, revision, checks: stored }: UnitType): SheetDraft {
  const [kept, setChecks, forget] = useKept<unknown>(`limit-sheet ${id} ${revision}`, stored);
  // A draft that an older version of the program left behind and that no longer fits is let go.
  const checks = useMemo((): readonly Check[] => {
    if (kept === stored) return stored;
    const parsed = v.safeParse(DraftSchema, kept);
    return parsed.success ? parsed.output : stored;
  }, [kept, stored]);
  return { checks, setChecks, forget };
}
