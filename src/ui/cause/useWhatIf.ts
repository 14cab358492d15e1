'use client';

import { useMemo, useState } from 'react';
import type { Evidence } from '@/core/causes/evidence/gathered';

/** Findings taken back or assumed for a moment: nothing of it is kept. */
export function useWhatIf(evidence: Evidence | undefined) {
  const [assumed, setAssumed] = useState<ReadonlyMap<string, boolean | undefined>>(new Map());
  const known = useMemo(() => {
    const findings = { ...evidence?.findings };
    const soft = { ...evidence?.soft };
    for (const [node, seen] of assumed) {
      delete soft[node];
      if (seen === undefined) delete findings[node];
      else findings[node] = seen;
    }
    return { findings, soft };
  }, [evidence, assumed]);
  return {
    ...known,
    changed: assumed.size,
    /** Seen, not there, or taken back. */
    assume: (node: string, seen: boolean | undefined) => setAssumed(new Map([...assumed, [node, seen]])),
    reset: () => setAssumed(new Map()),
  };
}
