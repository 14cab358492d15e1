'use client';

import { cloneElement, Suspense, useEffect, useState } from 'react';
import type { PopProps } from './HangingSheet';
import { later } from './later';

const load = () => import('./HangingSheet').then((module) => module.HangingSheet);
const HangingSheet = later(load);
/** Long after a page has come to life. */
const IDLE_MS = 4000;
const A_MOMENT_MS = 40;

/**
 * A sheet that hangs under its key; Escape and a press beside it close it, and the focus goes back to the key. What hangs it comes
 * when the page has nothing else to do, or with the first press.
 */
export function Pop({ open, onOpen, ...props }: PopProps) {
  const [own, setOwn] = useState(false);
  const [wanted, setWanted] = useState(false);
  const shown = open ?? own;
  const show = (next: boolean) => {
    const tell = () => {
      setOwn(next);
      onOpen?.(next);
    };
    // A sheet that closes takes along whatever opened over it: another one opens once it has gone.
    if (next) setTimeout(tell, A_MOMENT_MS);
    else tell();
  };
  useEffect(() => {
    if (shown) setWanted(true);
  }, [shown]);
  useEffect(() => {
    const timer = setTimeout(() => void load(), IDLE_MS);
    return () => clearTimeout(timer);
  }, []);
  const key = cloneElement(props.trigger, {
    onClick: () => show(true),
    'aria-expanded': false,
    'aria-haspopup': 'dialog',
  });
  if (!wanted) return key;
  return (
    <Suspense fallback={key}>
      <HangingSheet {...props} open={shown} onOpen={show} />
    </Suspense>
  );
}
