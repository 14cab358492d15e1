'use client';

import type { ReactNode } from 'react';
import { type BenchJob, useBenchJob, type Watch } from './useJob';

/** Shows something of the job that is drawn anew only when what it watches changed; without a watch, with everything. */
export function Watching({
  of,
  children,
}: {
  readonly of?: Watch;
  readonly children: (job: BenchJob) => ReactNode;
}) {
  return children(useBenchJob(of));
}
