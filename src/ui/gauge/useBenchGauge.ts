'use client';

import { useEffect, useState } from 'react';

/** A gauge of this kind is the simulated one that streams its values. */
export const STREAMING_KIND = 'simulated indicator';

const KEPT = 4;

interface Streamed {
  readonly at: string;
  readonly values: readonly number[];
}

/**
 * The last values that the bench gauge showed at this place, millimetres, newest last; empty until the first one comes.
 * Each value is kept with its place, so that what was shown at the last tooth can never pass for this one's.
 */
export function useBenchGauge({
  index,
  count,
}: {
  readonly index: number;
  readonly count: number;
}): readonly number[] {
  const at = `index=${index}&count=${count}`;
  const [streamed, setStreamed] = useState<Streamed>({ at, values: [] });
  useEffect(() => {
    const stream = new EventSource(`/api/v1/bench-gauge?${at}`);
    stream.onmessage = (event: MessageEvent<string>) => {
      const { value } = JSON.parse(event.data) as { value: number };
      setStreamed((last) => ({
        at,
        values: [...(last.at === at ? last.values.slice(1 - KEPT) : []), value],
      }));
    };
    return () => stream.close();
  }, [at]);
  return streamed.at === at ? streamed.values : [];
}
