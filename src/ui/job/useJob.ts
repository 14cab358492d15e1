'use client';

import { createContext, useCallback, useContext, useEffect, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import { useShallow } from 'zustand/react/shallow';
import type { PartState } from '@/core/wear/partStanding';
import type { CaptureKind } from '@/model/job';
import type { DeviceWord } from '@/model/jobStream';
import type { Actor } from '@/model/people';
import type { JobSnapshot } from '@/model/snapshot';
import { type FirstOfJob, type JobState, type JobStore, jobStore } from './jobStore';
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
  readonly takeBack: (kind: QueuedKind, id: string) => Promise<void>;
  readonly strike: (kind: CaptureKind, id: string, reason: string) => Promise<void>;
}

const ASK_EVERY_MS = 15_000;

type Acts = Omit<BenchJob, 'snapshot' | 'photographs' | 'parts' | 'waiting' | 'devices'>;
interface OpenBench {
  readonly store: JobStore;
  readonly acts: Acts;
}

/** Opens the job for everything on the bench, and follows it as long as the bench is there. What it answers stays the same. */
export function useOpenBench(first: FirstOfJob, actor: Actor): OpenBench {
  const [store] = useState(() => jobStore(first, actor.id));
  useFollowing(store, actor.id);
  const { id: jobId, peg } = first.snapshot.job;
  return useMemo(() => {
    const start = { jobId, peg, author: actor };
    return {
      store,
      acts: {
        now: () => store.getState().snapshot,
        refresh: store.refresh,
        sendWaiting: () => sendWaiting(actor.id),
        take: (kind, content) => takeCapture({ ...start, kind, content }),
        takeBack: (kind, id) => takeBack({ ...start, kind }, id),
        strike: async (kind, captureId, reason) => {
          await queueCapture({ ...start, kind: 'strike', content: { kind, captureId, reason, slip: false } });
          await sendWaiting(actor.id);
        },
      },
    };
  }, [store, jobId, peg, actor]);
}

const Context = createContext<OpenBench | undefined>(undefined);
export const JobProvider = Context.Provider;

function useOpened(): OpenBench {
  const opened = useContext(Context);
  if (!opened) throw new Error('Nothing of a job can be shown where no job is open.');
  return opened;
}

/** One thing of the open job; whoever asks is drawn anew only when that changed. */
export const useOfJob = <Value>(select: (state: JobState) => Value): Value =>
  useStore(useOpened().store, select);

/** What is watched of the job: drawn anew is only what watches something that changed. */
export type Watch = (state: JobState) => readonly unknown[];
const EVERYTHING: Watch = ({ snapshot, photographs, parts, waitingIds, confirmed }) => [
  ...[snapshot, photographs, parts, waitingIds, confirmed.devices],
];

/**
 * The job as the bench sees it: what the server confirmed, and at once what was captured here. It is the same object as long as
 * nothing changed of what is watched.
 */
export function useBenchJob(watch: Watch = EVERYTHING): BenchJob {
  const { store, acts } = useOpened();
  const watched = useStore(store, useShallow(watch));
  return useMemo(() => jobOf(store.getState(), acts, watched), [store, acts, watched]);
}

const jobOf = (
  { snapshot, photographs, parts, waitingIds, confirmed }: JobState,
  acts: Acts,
  _: readonly unknown[],
): BenchJob => ({ ...acts, snapshot, photographs, parts, waiting: waitingIds, devices: confirmed.devices });

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
