'use client';

import { useEffect, useState } from 'react';
import type { JobBeside } from '@/model/earlier';
import type { OfJob } from '../job/useBench';
import { send } from '../kit/send';

/** What this unit's earlier job and a sister were found and left with; nothing without network. */
export function useBeside({ job }: OfJob): readonly JobBeside[] {
  const { id } = job.snapshot.job;
  const [beside, setBeside] = useState<readonly JobBeside[]>([]);
  useEffect(() => {
    let current = true;
    void send<{ beside: readonly JobBeside[] }>('GET', `/api/v1/jobs/${id}/earlier`).then((answer) => {
      if (current && answer.ok) setBeside(answer.value.beside);
    });
    return () => {
      current = false;
    };
  }, [id]);
  return beside;
}
