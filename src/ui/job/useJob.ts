'use client';

import { useCallback, useEffect, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import type { PartState } from '@/core/wear/partStanding';
import type { CaptureKind } from '@/model/job';
import type { DeviceWord } from '@/model/jobStream';
import type { Actor } from '@/model/people';
import type { JobSnapshot } from '@/model/snapshot';
import { type FirstOfJob, type JobStore, jobStore } from './jobStore';
import type { ShownPhotograph } from './overlay';
import { followQueue, queueCapture, sendWaiting, type Taken, takeBack, takeCapture } from './queue';
import type { QueuedKind } from './queueStore';

export type { ShownPhotograph } from './overlay';

export interface BenchJob {
  /** The snapshot with what waits on this device laid over it. */
  readonly snapshot: JobSnapshot;
  readonly photographs: readonly ShownPhotograph[];
  readonly parts: readonly PartState[];
  readonly waiting: ReadonlySet<string>;
  /** What other devices said last of what waits on them for this job. */
  readonly devices: readonly DeviceWord[];
  /** The job as it stands at this moment, for whoever acts before the screen has followed. */
  readonly now: () => JobSnapshot;
  readonly refresh: () => Promise<void>;
  readonly sendWaiting: () => Promise<void>;
  /** Takes something on this job: it counts at once and goes its way by itself. */
  readonly take: (kind: QueuedKind, content: Record<string, unknown>) => Taken;
  readonly takeBack: (kind: CaptureKind, id: string) => Promise<void>;
  readonly strike: (kind: CaptureKind, id: string, reason: string) => Promise<void>;
}

const ASK_EVERY_MS = 15_000;

/** The job as the bench sees it: what the server confirmed, and at once what was captured here. */
export function useJob(first: FirstOfJob, actor: Actor): BenchJob {
  const [store] = useState(() => jobStore(first, actor.id));
  const snapshot = useStore(store, (state) => state.snapshot);
  const photographs = useStore(store, (state) => state.photographs);
  const parts = useStore(store, (state) => state.parts);
  const waiting = useStore(store, (state) => state.waitingIds);
  const devices = useStore(store, (state) => state.confirmed.devices);
  useFollowing(store, actor.id);
  const { id: jobId, peg } = snapshot.job;
  const work = useMemo(() => {
    const start = { jobId, peg, author: actor };
    return {
      now: () => store.getState().snapshot,
      refresh: store.refresh,
      sendWaiting: () => sendWaiting(actor.id),
      take: (kind: QueuedKind, content: Record<string, unknown>) => takeCapture({ ...start, kind, content }),
      takeBack: (kind: CaptureKind, id: string) => takeBack({ ...start, kind }, id),
      strike: async (kind: CaptureKind, captureId: string, reason: string) => {
        await queueCapture({ ...start, kind: 'strike', content: { kind, captureId, reason, slip: false } });
        await sendWaiting(actor.id);
      },
    };
  }, [store, jobId, peg, actor]);
  return useMemo(
    () => ({ ...work, snapshot, photographs, parts, waiting, devices }),
    [work, snapshot, photographs, parts, waiting, devices],
  );
}

/** Asks now, when somebody comes back to it, when the network is back, and now and then while it is looked at. */
function useFollowing(store: JobStore, actorId: string): void {
  useEffect(() => followQueue(actorId), [actorId]);
  const ask = useCallback(() => {
    if (document.visibilityState === 'visible') void store.refresh();
  }, [store]);
  useEffect(() => {
    ask();
    const timer = setInterval(ask, ASK_EVERY_MS);
    window.addEventListener('focus', ask);
    window.addEventListener('online', ask);
    document.addEventListener('visibilitychange', ask);
    return () => {
      clearInterval(timer);
      window.removeEventListener('focus', ask);
      window.removeEventListener('online', ask);
      document.removeEventListener('visibilitychange', ask);
    };
  }, [ask]);
}
