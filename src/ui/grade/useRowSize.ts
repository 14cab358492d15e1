'use client';

import { useSyncExternalStore } from 'react';

export const ROW_SIZES = ['bench', 'office'] as const;
/** Tall rows for a gloved finger and an arm's length; low ones for a desk. */
export type RowSize = (typeof ROW_SIZES)[number];

const KEY = 'stereotome-rows';
const CHANGED = 'stereotome-rows-changed';

const stored = (): RowSize => (window.localStorage.getItem(KEY) === 'office' ? 'office' : 'bench');
const listen = (tell: () => void) => {
  window.addEventListener(CHANGED, tell);
  return () => window.removeEventListener(CHANGED, tell);
};

/** How tall the rows of the sheet are on this device. */
export function useRowSize(): readonly [RowSize, () => void] {
  const size = useSyncExternalStore(listen, stored, () => 'bench' as const);
  const change = () => {
    window.localStorage.setItem(KEY, size === 'bench' ? 'office' : 'bench');
    window.dispatchEvent(new Event(CHANGED));
  };
  return [size, change];
}
