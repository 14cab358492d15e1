import type { JobSnapshot } from '@/model/snapshot';
import type { QueuedCapture } from '../capture/queueStore';

/**
 * What the bench holds of a job: the newest snapshot the server answered with, what waits on this device, and what has
 * left the queue but has not been seen in a snapshot yet. Answers may come in any order, so requests are numbered.
 */
export interface JobView {
  readonly confirmed: JobSnapshot;
  /** Number of the request that brought `confirmed`. */
  readonly answered: number;
  readonly waiting: readonly QueuedCapture[];
  readonly left: readonly LeftQueue[];
}

interface LeftQueue {
  readonly capture: QueuedCapture;
  /** Requests numbered up to this one were sent before it left: their answers need not have it. */
  readonly asked: number;
}

export type JobViewEvent =
  | { readonly kind: 'snapshot'; readonly request: number; readonly snapshot: JobSnapshot }
  | { readonly kind: 'queue'; readonly queued: readonly QueuedCapture[]; readonly asked: number };

export const firstView = (confirmed: JobSnapshot): JobView => ({
  confirmed,
  answered: 0,
  waiting: [],
  left: [],
});

export function nextView(view: JobView, event: JobViewEvent): JobView {
  return event.kind === 'snapshot' ? withSnapshot(view, event) : withQueue(view, event);
}

/** An answer that was overtaken by a later one is dropped: it would take captures off the screen that are stored. */
function withSnapshot(
  view: JobView,
  { request, snapshot }: Extract<JobViewEvent, { kind: 'snapshot' }>,
): JobView {
  if (request < view.answered) return view;
  const stored = storedIds(snapshot);
  return {
    ...view,
    confirmed: snapshot,
    answered: request,
    left: view.left.filter(({ capture, asked }) => request <= asked && !stored.has(capture.id)),
  };
}

/** What left the queue stays on the screen, whoever sent it (another tab may have), until a later snapshot is here. */
function withQueue(view: JobView, { queued, asked }: Extract<JobViewEvent, { kind: 'queue' }>): JobView {
  const waiting = queued.filter(
    ({ jobId, status }) => jobId === view.confirmed.job.id && status === 'waiting',
  );
  const inQueue = new Set(queued.map(({ id }) => id));
  const stored = storedIds(view.confirmed);
  const gone = view.waiting.filter(({ id }) => !inQueue.has(id) && !stored.has(id));
  if (gone.length === 0 && view.left.length === 0 && sameCaptures(waiting, view.waiting)) return view;
  return {
    ...view,
    waiting,
    left: [
      ...view.left.filter(({ capture }) => !inQueue.has(capture.id)),
      ...gone.map((capture) => ({ capture, asked })),
    ],
  };
}

/** Everything captured here that the snapshot does not have yet, oldest first. */
export function unconfirmed({ confirmed, waiting, left }: JobView): readonly QueuedCapture[] {
  const stored = storedIds(confirmed);
  return [...left.map(({ capture }) => capture), ...waiting]
    .filter(({ id }) => !stored.has(id))
    .sort((a, b) => a.queuedAt - b.queuedAt);
}

const storedIds = ({ readings, findings, photographs, records }: JobSnapshot): ReadonlySet<string> =>
  new Set([...readings, ...findings, ...photographs, ...records].map(({ id }) => id));

const sameCaptures = (a: readonly QueuedCapture[], b: readonly QueuedCapture[]): boolean =>
  a.length === b.length && a.every(({ id }, index) => id === b[index]?.id);
