'use client';

import { useState } from 'react';
import type { BenchJob, ShownPhotograph } from '../job/useJob';
import { send } from '../kit/send';

/** Files photographs under a part; what could be filed before one was refused stays filed, and the list says so. */
export function useFiling(job: BenchJob) {
  const [refusal, setRefusal] = useState('');
  /** Answers whether all of them are filed. */
  const file = async (photographs: readonly ShownPhotograph[], positionId: string): Promise<boolean> => {
    setRefusal('');
    if (photographs.some(({ waiting }) => waiting)) {
      setRefusal('One of them still waits on this device. File it when the shop’s computer has it.');
      return false;
    }
    for (const { id } of photographs) {
      const answer = await send('PATCH', `/api/v1/photographs/${id}`, { positionId });
      if (answer.ok) continue;
      setRefusal(answer.refusal.message);
      await job.refresh();
      return false;
    }
    await job.refresh();
    return true;
  };
  return { refusal, file };
}
