'use client';

import { useEffect, useRef } from 'react';
import { typesInto } from '../frame/typesInto';

interface CauseKeys {
  /** 1 to 3: the check that is to be looked at next. */
  readonly onCheck: (index: number) => void;
  readonly onSay: () => void;
}

/** Arrows walk the causes and open them, figures go to the checks, S to the conclusion. */
export function useCauseKeys(keys: CauseKeys): void {
  const held = useRef(keys);
  held.current = keys;
  useEffect(() => {
    const hear = (event: KeyboardEvent) => {
      if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey || typesInto(event.target))
        return;
      if (/^[123]$/.test(event.key)) held.current.onCheck(Number(event.key) - 1);
      else if (event.key.toLowerCase() === 's') held.current.onSay();
      else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
        if (!walk(event.key === 'ArrowDown' ? 1 : -1, event.target)) return;
      } else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', hear);
    return () => window.removeEventListener('keydown', hear);
  }, []);
}

/** From one cause to the next; the drawing keeps its own arrows. */
function walk(by: number, target: EventTarget | null): boolean {
  const rows = [...document.querySelectorAll<HTMLElement>('[data-cause-row]')];
  const at = rows.indexOf(document.activeElement as HTMLElement);
  if (at < 0 && target !== document.body) return false;
  const next = rows[Math.max(0, Math.min(rows.length - 1, at + by))];
  next?.focus();
  return next !== undefined;
}
