'use client';

import { useCallback, useEffect, useState } from 'react';

/**
 * State of a form that is kept on this device until the form is done with, so that a reload, an empty battery or a look at
 * another station loses nothing of what was typed. Only for plain data. The packages for this either write down what nobody typed yet
 * (then a form can't tell whether it was begun) or lose what is typed where a device has no room.
 */
export function useKept<T>(key: string, first: T): readonly [T, (next: T) => void, () => void] {
  const [value, setValue] = useState(first);
  useEffect(() => {
    const kept = readKept<T>(key);
    if (kept !== undefined) setValue(kept);
  }, [key]);
  const set = useCallback(
    (next: T) => {
      setValue(next);
      try {
        localStorage.setItem(key, JSON.stringify(next));
      } catch {
        // A device without room keeps nothing of it; what is on the screen stays as it is.
      }
    },
    [key],
  );
  const forget = useCallback(() => {
    localStorage.removeItem(key);
    setValue(first);
  }, [key, first]);
  return [value, set, forget];
}

export function readKept<T>(key: string): T | undefined {
  try {
    return JSON.parse(localStorage.getItem(key) ?? '') as T;
  } catch {
    return undefined;
  }
}
