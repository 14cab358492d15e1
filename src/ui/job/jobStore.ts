import { createStore, type StoreApi } from 'zustand/vanilla';
import { type StationCount, stationCounts } from '@/core/decisions/stationCounts';
import type { PartState } from '@/core/wear/partStanding';
import type { JobAnswer } from '@/model/jobStream';
import type { JobSnapshot } from '@/model/snapshot';
import { closeBench } from './closeBench';
import { type Confirmed, reaches, withAnswer } from './confirmed';
import { deviceId } from './deviceId';
import { inForceFor } from './inForce';
import { keepJob, keptJob } from './keptJobs';
import { overlaid, type ShownPhotograph } from './overlay';
import { partJudge } from './partStates';
import { queue, sendFor, settled } from './queue';
import type { QueuedCapture } from './queueStore';
import { listenToTabs, postToTabs } from './tabs';

/*
 * One store for each job that is open on this device: what the server confirmed, what waits here, and what left the queue but
 * has not been seen confirmed yet, in one place. What is shown is made of them, and stays the same object where nothing changed.
 */

export interface JobState {
  readonly confirmed: Confirmed;
  readonly waiting: readonly QueuedCapture[];
  /** Sent by another tab: shown until an answer has come that was asked for after it left. */
  readonly left: readonly QueuedCapture[];
  readonly snapshot: JobSnapshot;
  readonly photographs: readonly ShownPhotograph[];
  readonly parts: readonly PartState[];
  readonly waitingIds: ReadonlySet<string>;
  /** What each station counts; the same object as long as no count changed. */
  readonly counts: readonly StationCount[];
}

export interface JobStore extends StoreApi<JobState> {
  /** Asks what changed; an answer that changes nothing shows nothing anew. */
  readonly refresh: () => Promise<void>;
  readonly hear: (answer: JobAnswer, since: string | undefined) => Promise<void>;
  /** Keeps on this device what was confirmed by now. */
  readonly keep: () => Promise<void>;
}

export interface FirstOfJob {
  readonly snapshot: JobSnapshot;
  readonly cursor: string;
  readonly shop: number;
}

const NOBODY: ReadonlySet<string> = new Set();
const KEEP_AFTER_MS = 600;

export function makeJobStore({ snapshot: first, cursor, shop }: FirstOfJob, actorId: string): JobStore {
  const jobId = first.job.id;
  const judge = partJudge();
  let counts: readonly StationCount[] = [];
  const shownOf = (
    confirmed: Confirmed,
    waiting: readonly QueuedCapture[],
    left: readonly QueuedCapture[],
  ) => {
    const open = left.length === 0 ? waiting : [...left, ...waiting].sort((a, b) => a.queuedAt - b.queuedAt);
    const { snapshot, photographs } = overlaid(confirmed.snapshot, open);
    const waitingIds = open.length === 0 ? NOBODY : new Set(open.map(({ id }) => id));
    const parts = judge(snapshot);
    counts = sameAs(counts, stationCounts({ ...snapshot, photographs }, parts));
    return { confirmed, waiting, left, snapshot, photographs, parts, waitingIds, counts };
  };
  const started: Confirmed = { cursor, shop, snapshot: first, devices: [] };
  const store = createStore<JobState>(() => shownOf(started, [], []));
  const put = (confirmed: Confirmed, waiting: readonly QueuedCapture[], left: readonly QueuedCapture[]) =>
    store.setState(shownOf(confirmed, waiting, left));

  let asked = 0;
  const leftAt = new Map<string, number>();
  const take = (confirmed: Confirmed, request: number) => {
    const { waiting, left, confirmed: before } = store.getState();
    // What left before this answer was asked for is in it, or was never stored.
    const still = left.filter(({ id }) => (leftAt.get(id) ?? 0) >= request);
    if (confirmed === before && still.length === left.length) return;
    put(confirmed, waiting, still.length === left.length ? left : still);
    if (confirmed !== before) keepSoon();
  };
  const hear: JobStore['hear'] = async (answer, since) => {
    asked += 1;
    await hearAs(answer, since, asked);
  };
  const hearAs = async (answer: JobAnswer, since: string | undefined, request: number): Promise<void> => {
    const inForce = await inForceFor(answer, store.getState().confirmed.snapshot);
    if (!inForce) return;
    const next = withAnswer(store.getState().confirmed, answer, since, inForce);
    if (next) take(next, request);
    else await refresh();
  };
  const refresh = async (): Promise<void> => {
    asked += 1;
    const request = asked;
    const { confirmed, waiting } = store.getState();
    const asking = new URLSearchParams({ since: confirmed.cursor, shop: String(confirmed.shop) });
    asking.set('device', deviceId());
    asking.set('waiting', String(waiting.length));
    const answer = await fetch(`/api/v1/jobs/${jobId}?${asking}`, { cache: 'no-store' })
      .then((response) => {
        if (response.status === 401) void closeBench();
        return response.ok ? (response.json() as Promise<JobAnswer>) : undefined;
      })
      .catch(() => undefined);
    if (!answer) return;
    postToTabs({ kind: 'answer', jobId, since: confirmed.cursor, answer });
    await hearAs(answer, confirmed.cursor, request);
  };

  let timer: ReturnType<typeof setTimeout> | undefined;
  const keepSoon = () => {
    if (typeof window === 'undefined') return;
    clearTimeout(timer);
    timer = setTimeout(() => void keep(), KEEP_AFTER_MS);
  };
  const keep = async (): Promise<void> => {
    clearTimeout(timer);
    if (await keepJob(jobId, actorId, store.getState().confirmed))
      document.documentElement.dataset.kept = jobId;
  };

  const follow = () => {
    const { queued } = queue.getState();
    const waiting = queued.filter((capture) => capture.jobId === jobId && capture.status === 'waiting');
    const state = store.getState();
    const inQueue = new Set(queued.map(({ id }) => id));
    const gone = state.waiting.filter(({ id }) => !inQueue.has(id) && !settled.has(id));
    if (gone.length === 0 && sameObjects(waiting, state.waiting)) return;
    for (const { id } of gone) leftAt.set(id, asked);
    put(state.confirmed, waiting, [...state.left, ...gone]);
    if (gone.length > 0) void refresh();
  };
  queue.subscribe(follow);
  listenToTabs((told) => {
    if (told.kind === 'answer' && told.jobId === jobId) void hear(told.answer, told.since);
  });
  void keptJob(jobId, actorId).then((kept) => {
    // The page may be older than what this device has followed since: it was kept, or it comes from the device itself.
    const { confirmed } = store.getState();
    if (kept && reaches(kept.cursor, confirmed.cursor) && kept.cursor !== confirmed.cursor) take(kept, 0);
    else keepSoon();
  });
  follow();
  return Object.assign(store, { refresh, hear, keep });
}

const sameAs = <Value>(before: Value, now: Value): Value =>
  JSON.stringify(before) === JSON.stringify(now) ? before : now;

const sameObjects = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((each, index) => each === b[index]);

const open = new Map<string, JobStore>();

/** The store of this job on this page; made from what the page brought along when it is opened first. */
export function jobStore(first: FirstOfJob, actorId: string): JobStore {
  const key = `${first.snapshot.job.id} ${actorId}`;
  const known = open.get(key);
  if (known) {
    // The page was loaded anew and may bring more than is here.
    const { confirmed } = known.getState();
    if (!reaches(confirmed.cursor, first.cursor)) void known.refresh();
    return known;
  }
  const made = makeJobStore(first, actorId);
  if (typeof window !== 'undefined') open.set(key, made);
  return made;
}

const storeOf = (jobId: string): JobStore | undefined =>
  [...open].find(([key]) => key.startsWith(`${jobId} `))?.[1];

sendFor({
  knownOf: (jobId) => {
    const { confirmed } = storeOf(jobId)?.getState() ?? {};
    return confirmed && { cursor: confirmed.cursor, shop: confirmed.shop };
  },
  onStored: async (capture, answer, known) => {
    if (!answer) return;
    const store = storeOf(capture.jobId);
    await store?.hear(answer, known?.cursor);
    // It leaves the queue now: whoever opens the job from this device must find it among what was confirmed.
    await store?.keep();
    settled.add(capture.id);
    postToTabs({ kind: 'answer', jobId: capture.jobId, since: known?.cursor, answer });
  },
});
