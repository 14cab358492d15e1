import { useEffect, useMemo } from 'react';
import type { ShownRecording } from '../job/overlay';

/** Where a recording is heard from: this device while it waits, then the shop's computer, piece by piece. */
export function useSource(jobId: string, { id, waiting }: ShownRecording) {
  const kept = useMemo(() => (waiting ? URL.createObjectURL(waiting) : undefined), [waiting]);
  useEffect(() => () => void (kept && URL.revokeObjectURL(kept)), [kept]);
  const stored = `/api/v1/jobs/${jobId}/recordings/${id}`;
  return { source: waiting ?? stored, address: kept ?? stored };
}
