'use client';

import { type RefObject, useEffect, useRef } from 'react';
import { GRADES } from '@/model/damage';
import { typesInto } from '../frame/typesInto';
import { useBench } from '../job/useBench';
import type { Sheet } from './useSheet';
import type { SheetActs } from './useSheetActs';

/** The sheet by keyboard: arrows walk, figures grade, letters say what is seen. */
export function useSheetKeys(sheet: Sheet, acts: SheetActs, list: RefObject<HTMLDivElement | null>): void {
  const { rights } = useBench();
  const mayTake = rights.includes('capture.take');
  const mayGrade = mayTake && rights.includes('grade.set');
  const keys: Record<string, () => void> = {
    ArrowDown: () => sheet.step(1),
    ArrowUp: () => sheet.step(-1),
    Enter: () => acts.open('look'),
    ' ': sheet.gather,
    o: sheet.toggleOpen,
    m: () => acts.open('measure'),
    p: () => acts.open('picture'),
    ...(mayTake ? { f: () => acts.ask('finding'), h: () => acts.ask('hand'), s: acts.noteSame } : {}),
    ...(mayGrade
      ? {
          n: acts.nothing,
          ...Object.fromEntries(GRADES.map((each) => [String(each), () => acts.grade(each)])),
        }
      : {}),
  };
  const pressed = useRef<(event: KeyboardEvent) => void>(undefined);
  pressed.current = (event) => {
    if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey || acts.asking) return;
    // A key that is held down walks; it says nothing of one part after the other.
    if (typesInto(event.target) || (event.repeat && !event.key.startsWith('Arrow'))) return;
    const letsGo = sheet.picking || sheet.inHand.length > 1 || acts.trouble !== '';
    const act =
      event.key === 'Escape' && letsGo
        ? () => {
            sheet.letGo();
            acts.say('');
          }
        : keys[event.key.length === 1 ? event.key.toLowerCase() : event.key];
    if (!act || (MOVES.has(event.key) && !isFree(event.target, list.current))) return;
    event.preventDefault();
    act();
  };
  useEffect(() => {
    const hear = (event: KeyboardEvent) => pressed.current?.(event);
    window.addEventListener('keydown', hear);
    return () => window.removeEventListener('keydown', hear);
  }, []);
}

/** Keys that mean something of their own on the drawing and on whatever can be pressed. */
const MOVES = new Set(['ArrowDown', 'ArrowUp', 'Enter', ' ']);
const isFree = (target: EventTarget | null, list: HTMLElement | null): boolean =>
  target === document.body || (target instanceof Node && (list?.contains(target) ?? false));
