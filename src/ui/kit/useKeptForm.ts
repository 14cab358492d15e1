import { useEffect, useState } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';
import { readKept } from './useKept';

interface KeptForm<T> {
  /** What was left unfinished here before; it is offered, and poured in only by whoever wants it. */
  readonly left: T | undefined;
  readonly goOn: () => void;
  /** Throws away what was left. */
  readonly leaveIt: () => void;
  /** The form is sent: nothing of it is kept any longer. */
  readonly forget: () => void;
}

/**
 * Keeps what is typed in a form on this device until it is sent, so that a reload loses nothing of it. What was left there before is
 * offered: it may be another unit's, abandoned an hour ago.
 */
export function useKeptForm<T extends FieldValues>(
  key: string,
  { watch, reset }: Pick<UseFormReturn<T>, 'watch' | 'reset'>,
): KeptForm<T> {
  const [left, setLeft] = useState<T>();
  useEffect(() => {
    const before = readKept<T>(key) ?? readKept<T>(asideOf(key));
    setLeft(before);
    if (before !== undefined) {
      // Aside, so that what is typed now doesn't write over it while nobody has said what becomes of it.
      localStorage.setItem(asideOf(key), JSON.stringify(before));
      localStorage.removeItem(key);
    }
    const watching = watch((values) => localStorage.setItem(key, JSON.stringify(values)));
    return () => watching.unsubscribe();
  }, [key, watch]);
  const leaveIt = () => {
    localStorage.removeItem(asideOf(key));
    setLeft(undefined);
  };
  return {
    left,
    goOn: () => {
      if (left !== undefined) reset(left, { keepDefaultValues: true });
      leaveIt();
    },
    leaveIt,
    forget: () => {
      localStorage.removeItem(key);
      leaveIt();
    },
  };
}

const asideOf = (key: string): string => `${key}, left`;
