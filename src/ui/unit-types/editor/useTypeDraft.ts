'use client';

import { useState } from 'react';
import type { Draft } from '@/core/unit-type/editType';
import type { UnitType } from '@/model/unitType';
import { useKept } from '../../kit/useKept';

const MOST_STEPS = 80;

interface Steps {
  readonly past: readonly Draft[];
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
  const stored = unitType as unknown as Draft;
  const [kept, setNow, forgetKept] = useKept<unknown>(
    `unit-type ${unitType.id} ${unitType.revision}`,
    stored,
  );
  const now = typeof kept === 'object' && kept !== null ? (kept as Draft) : stored;
  const [{ past, future }, setSteps] = useState<Steps>({ past: [], future: [] });
  const keep = ({ past: before, now: next, future: after }: Steps & { readonly now: Draft }) => {
    setSteps({ past: before, future: after });
    if (next === stored) forgetKept();
    else setNow(next);
  };
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
