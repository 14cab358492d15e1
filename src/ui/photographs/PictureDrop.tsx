'use client';

import { useEffect, useRef } from 'react';
import { findActive } from '@/core/wear/active';
import { queuePhotograph, type Whereabouts } from '../job/queuePhotograph';
import { useBench } from '../job/useBench';
import type { BenchJob, ShownPhotograph } from '../job/useJob';
import { PicturePick } from './PicturePick';
import { sha256Of } from './pictureFiles';

interface PictureDropProps {
  readonly job: BenchJob;
  readonly at: Whereabouts;
  readonly compact?: boolean;
  readonly onTaken?: (captureId: string, fileName: string) => void;
}

/** Photographs of a job that exists: each is kept on the device at once and sent when it can; none is taken twice. */
export function PictureDrop({ job, at, compact = false, onTaken }: PictureDropProps) {
  const { actor } = useBench();
  const { id: jobId, peg } = job.snapshot.job;
  const photographs = findActive(job.photographs);
  const known = useKnown(job.photographs);
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
        const twin = known.twinOf(digest);
        if (twin) return `it is here already${whereOf(job, twin)}, and was not taken again.`;
        const id = await queuePhotograph({ jobId, peg, author: actor, file, digest, at });
        known.taken(digest, at);
        onTaken?.(id, file.name);
        return undefined;
      }}
      onDone={job.sendWaiting}
    />
  );
}

type Place = Pick<Whereabouts, 'positionId'> | Pick<ShownPhotograph, 'positionId'>;

/** The pictures that the job has by now, by digest, with what was taken here a moment ago and isn't among them yet. */
function useKnown(photographs: readonly ShownPhotograph[]) {
  const justTaken = useRef(new Map<string, Whereabouts>()).current;
  const now = useRef(photographs);
  now.current = photographs;
  useEffect(() => {
    for (const { digest } of photographs) justTaken.delete(digest);
  }, [photographs, justTaken]);
  return {
    twinOf: (sought: string): Place | undefined =>
      findActive(now.current).find(({ digest }) => digest === sought) ?? justTaken.get(sought),
    taken: (digest: string, at: Whereabouts) => justTaken.set(digest, at),
  };
}

function whereOf(job: BenchJob, { positionId }: Place): string {
  const part = job.snapshot.unitType.positions.find(({ id }) => id === positionId)?.name;
  return part ? ` under ${part}` : ' in the tray';
}
