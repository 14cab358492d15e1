'use client';

import type { Actor } from '@/model/people';
import { queuePhotograph, type TakenAt } from '../capture/queuePhotograph';
import { PicturePick } from './PicturePick';
import type { Job } from './useJob';

interface PictureDropProps {
  readonly job: Job;
  readonly actor: Actor;
  readonly at: TakenAt;
  readonly compact?: boolean;
  readonly onTaken?: (captureId: string, fileName: string) => void;
}

/** Photographs of a job that exists: each is kept on the device at once and sent when it can. */
export function PictureDrop({ job, actor, at, compact = false, onTaken }: PictureDropProps) {
  const { id: jobId, peg } = job.snapshot.job;
  return (
    <PicturePick
      compact={compact}
      onPicture={async (file) => {
        const id = await queuePhotograph({ jobId, peg, author: actor, file, at });
        onTaken?.(id, file.name);
      }}
      onDone={job.drain}
    />
  );
}
