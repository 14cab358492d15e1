'use client';

import { useEffect, useRef } from 'react';
import { OBJECTIVES, type Objective } from '@/core/planning/jobPlans';
import type { PartDecisionId } from '@/model/job';
import { typesInto } from '../frame/typesInto';
import { FATE_KEYS } from './Fates';

interface DecideKeys {
  readonly onFate: (positionId: string, fate: PartDecisionId) => void;
  readonly onPlan: (objective: Objective) => void;
  readonly onAccept: () => void;
  /** The unit's way, from 0. */
  readonly onUnit: (index: number) => void;
}

/** Arrows walk the parts, figures give the part in hand its fate, P and a figure chooses the plan, U and a figure the unit's way, A accepts what is proposed. */
export function useDecideKeys(keys: DecideKeys): void {
  const held = useRef(keys);
  held.current = keys;
  useEffect(() => {
    let before = '';
    const hear = (event: KeyboardEvent) => {
      if (event.defaultPrevented || event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
      if (typesInto(event.target)) return;
      const wasBefore = before;
      before = event.key.toLowerCase();
      const figure = /^[1-9]$/.test(event.key) ? Number(event.key) : undefined;
      const row = (event.target as HTMLElement | null)?.closest<HTMLElement>('[data-fate-row]');
      if (figure !== undefined && wasBefore === 'p' && OBJECTIVES[figure - 1])
        held.current.onPlan(OBJECTIVES[figure - 1]!);
      else if (figure !== undefined && wasBefore === 'u') held.current.onUnit(figure - 1);
      else if (figure !== undefined && row && FATE_KEYS[figure - 1])
        held.current.onFate(row.dataset.fateRow!, FATE_KEYS[figure - 1]!.id);
      else if (event.key.toLowerCase() === 'a') held.current.onAccept();
      else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
        if (!walk(event.key === 'ArrowDown' ? 1 : -1, row ?? null)) return;
      } else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', hear);
    return () => window.removeEventListener('keydown', hear);
  }, []);
}

function walk(by: number, from: HTMLElement | null): boolean {
  if (!from && document.activeElement !== document.body) return false;
  const rows = [...document.querySelectorAll<HTMLElement>('[data-fate-row]')];
  const at = from ? rows.indexOf(from) : -1;
  const next = rows[Math.max(0, Math.min(rows.length - 1, at + by))];
  next?.focus();
  return next !== undefined;
}
