'use client';

import { useEffect, useState } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';
import { readKept } from './useKept';

/**
 * Keeps what stands in a form on this device until it is sent, so that a reload loses nothing of it. Answers whether the form
 * began with something kept, and the way to forget it.
 */
export function useKeptForm<T extends FieldValues>(
  key: string,
  { watch, reset }: Pick<UseFormReturn<T>, 'watch' | 'reset'>,
): { readonly kept: boolean; readonly forget: () => void } {
  const [kept, setKept] = useState(false);
  useEffect(() => {
    const before = readKept<T>(key);
    if (before !== undefined) {
      setKept(true);
      reset(before, { keepDefaultValues: true });
    }
    const watching = watch((values) => localStorage.setItem(key, JSON.stringify(values)));
    return () => watching.unsubscribe();
  }, [key, watch, reset]);
  return {
    kept,
    forget: () => {
      localStorage.removeItem(key);
      setKept(false);
    },
  };
}
