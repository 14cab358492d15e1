'use client';

import { useEffect, useState } from 'react';
import type { StandIn } from '@/model/standIn';

const KEPT = 4;

export interface Touch {
  readonly gauge: StandIn;
  readonly index: number;
  readonly count: number;
  readonly nominal: number;
}

export interface Shown {
  readonly shown: string;
  readonly unit: 'mm' | 'in';
  /** Millimetres. */
  readonly value: number;
}

interface Streamed {
  readonly at: string;
  readonly values: readonly Shown[];
}

/**
 * The last values that a bench gauge showed at this place, newest last; empty until the first one comes. Each value is
 * kept with its place, so that what was shown at the last tooth can never pass for this one's.
 */
export function useBenchGauge({ gauge, index, count, nominal }: Touch): readonly Shown[] {
  const at = `gauge=${gauge}&index=${index}&count=${count}&nominal=${nominal}`;
  const [streamed, setStreamed] = useState<Streamed>({ at, values: [] });
  useEffect(() => {
    const stream = new EventSource(`/api/v1/bench-gauge?${at}`);
    stream.onmessage = (event: MessageEvent<string>) => {
      const value = JSON.parse(event.data) as Shown;
      setStreamed((last) => ({
        at,
        values: [...(last.at === at ? last.values.slice(1 - KEPT) : []), value],
      }));
    };
    return () => stream.close();
  }, [at]);
  return streamed.at === at ? streamed.values : [];
}
