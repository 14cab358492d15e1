'use client';

import { useRef } from 'react';
import { findActive } from '@/core/wear/active';
import type { Actor } from '@/model/people';
import { queuePhotograph, type TakenAt } from '../capture/queuePhotograph';
import { PicturePick } from './PicturePick';
import { sha256Of } from './pictureFiles';
import type { Job } from './useJob';

interface PictureDropProps {
  readonly job: Job;
  readonly actor: Actor;
  readonly at: TakenAt;
  readonly compact?: boolean;
  readonly onTaken?: (captureId: string, fileName: string) => void;
}

/** Photographs of a job that exists: each is kept on the device at once and sent when it can; none is taken twice. */
export function PictureDrop({ job, actor, at, compact = false, onTaken }: PictureDropProps) {
  const { id: jobId, peg } = job.snapshot.job;
  // What was taken a moment ago isn't among the job's photographs yet.
  const justTaken = useRef(new Set<string>());
  const photographs = findActive(job.photographs);
  const last = photographs.findLast(
    ({ positionId, station, stepId, waiting }) =>
      !waiting &&
      (at.positionId
        ? positionId === at.positionId
        : station === at.station && stepId === (at.stepId ?? null)),
  );
  return (
    <PicturePick
      compact={compact}
      last={last && `/api/v1/jobs/${jobId}/photographs/${last.id}?size=1280`}
      onPicture={async (file) => {
        const digest = await sha256Of(file);
        const twin = photographs.find((photograph) => photograph.digest === digest);
        if (twin || justTaken.current.has(digest))
          return `it is here already${whereOf(job, twin)}, and was not taken again.`;
        const id = await queuePhotograph({ jobId, peg, author: actor, file, digest, at });
        justTaken.current.add(digest);
        onTaken?.(id, file.name);
        return undefined;
      }}
      onDone={async () => {
        await job.drain();
        justTaken.current.clear();
      }}
    />
  );
}

function whereOf(job: Job, twin: Job['photographs'][number] | undefined): string {
  if (!twin) return '';
  const part = job.snapshot.unitType.positions.find(({ id }) => id === twin.positionId)?.name;
  return part ? ` under ${part}` : ' in the tray';
}
