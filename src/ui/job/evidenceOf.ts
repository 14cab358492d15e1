import { findActive } from '@/core/wear/active';
import type { BenchJob } from './useJob';

const MOST = 2000;

/** The captures of a part that count at this moment: what a judgement of it is made on. */
export function evidenceOf(job: BenchJob, positionId: string): string[] {
  const { readings, findings } = job.now();
  return [...findActive(readings), ...findActive(findings), ...findActive(job.photographs)]
    .filter((capture) => capture.positionId === positionId)
    .map(({ id }) => id)
    .slice(0, MOST);
}
