'use client';

import { useEffect, useState } from 'react';
import type { Size } from '@/core/imaging/planes';
import type { BenchJob, ShownPhotograph } from '../job/useJob';
import { longDate } from '../kit/dates';
import type { LookedAt } from './PicturePane';

/** A photograph of this job as something to look at. */
export function lookedAt(job: BenchJob, photograph: ShownPhotograph, size: Size = photograph): LookedAt {
  const { id, fileName, positionId, takenAt, deviceTime, waiting } = photograph;
  const part =
    job.snapshot.unitType.positions.find((position) => position.id === positionId)?.name ?? 'not filed';
  return {
    jobId: job.snapshot.job.id,
    ...{ id, fileName, width: size.width, height: size.height },
    caption: `${part}, ${longDate(takenAt ?? deviceTime)}: ${fileName}`,
    ...(waiting ? { waiting } : {}),
  };
}

/**
 * The size of a photograph; of one that still waits on this device it is read from the file itself. Nothing while it is being read:
 * what is laid over a picture can't be laid over one without a size; `unreadable` where this browser can't show the file.
 */
export function useSizeOf(photograph: Size & { readonly waiting?: Blob }): Size | 'unreadable' | undefined {
  const { waiting, width, height } = photograph;
  const [read, setRead] = useState<Size | 'unreadable'>();
  useEffect(() => {
    if (!waiting) return;
    let current = true;
    createImageBitmap(waiting, { imageOrientation: 'from-image' })
      .then((bitmap) => {
        if (current) setRead({ width: bitmap.width, height: bitmap.height });
        bitmap.close();
      })
      // What this browser can't show is shown when the shop's computer has it.
      .catch(() => current && setRead('unreadable'));
    return () => {
      current = false;
    };
  }, [waiting]);
  return waiting ? read : { width, height };
}
