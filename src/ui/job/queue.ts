import { v7 as uuidv7 } from 'uuid';
import { createStore } from 'zustand/vanilla';
import {
  isQueued,
  listQueued,
  putQueued,
  type QueuedCapture,
  type QueuedKind,
  removeQueued,
  strikeable,
  withdrawQueued,
} from './queueStore';
import { type Sending, sendQueue } from './sendQueue';
import { listenToTabs, postToTabs } from './tabs';

/*
 * The captures that wait on this device, in memory as the store has them, and ahead of it: what is taken stands here at once,
 * before it is written, so that the next thing that is taken knows of it.
 */

export const queue = createStore<{
  readonly queued: readonly QueuedCapture[];
  /** How many of them are not safe on the disk yet. */
  readonly writing: number;
  /** Why what lies on this device can’t be read; empty where it can. */
  readonly trouble: string;
}>(() => ({ queued: [], writing: 0, trouble: '' }));

/** Taken here and still being written to the disk. */
const writing = new Map<string, QueuedCapture>();
/** Taken back here and perhaps not yet off the disk. */
const withdrawn = new Set<string>();

/** Captures whose end is known here: stored, with the answer at hand, or taken back. They leave without a trace. */
export const settled = new Set<string>();

const sameCaptures = (a: readonly QueuedCapture[], b: readonly QueuedCapture[]): boolean =>
  a.length === b.length &&
  a.every(
    ({ id, status, failures }, index) =>
      id === b[index]?.id && status === b[index]?.status && failures === b[index]?.failures,
  );

function show(stored: readonly QueuedCapture[]): void {
  const before = new Map(queue.getState().queued.map((capture) => [capture.id, capture]));
  const listed = [...stored, ...[...writing.values()].filter(({ id }) => !stored.some((s) => s.id === id))]
    .filter(({ id }) => !withdrawn.has(id))
    .sort((a, b) => a.queuedAt - b.queuedAt);
  if (sameCaptures(listed, queue.getState().queued)) return;
  // What is still the same stays the same object, and so does the row that it is shown as.
  queue.setState({
    queued: listed.map((capture) => {
      const known = before.get(capture.id);
      return known && sameCaptures([known], [capture]) ? known : capture;
    }),
  });
}

/** Reads the store again: another tab may have taken or sent something. */
export async function refreshQueue(): Promise<void> {
  try {
    show(await listQueued());
    if (queue.getState().trouble !== '') queue.setState({ trouble: '' });
  } catch (error) {
    queue.setState({ trouble: error instanceof Error ? error.message : String(error) });
  }
}

async function changed(): Promise<void> {
  postToTabs({ kind: 'queue' });
  await refreshQueue();
}

export interface CaptureStart {
  readonly kind: QueuedKind;
  readonly jobId: string;
  readonly peg: number;
  readonly author: { readonly id: string; readonly name: string };
  readonly content: Record<string, unknown>;
  readonly blob?: Blob;
}

/** A capture that stands at once, and whether it is safe on the disk. */
export interface Taken {
  readonly id: string;
  readonly kept: Promise<void>;
}

/** Takes a capture under an id of its own. It counts at once; it is safe when `kept` resolves, and gone again when that fails. */
export function takeCapture({ kind, jobId, peg, author, content, blob }: CaptureStart): Taken {
  const id = uuidv7();
  const capture: QueuedCapture = {
    ...{ id, kind, jobId, peg, authorId: author.id, authorName: author.name, status: 'waiting' },
    queuedAt: performance.timeOrigin + performance.now(),
    content: { ...content, id, jobId, authorId: author.id, deviceTime: new Date().toISOString() },
    ...(blob ? { blob } : {}),
  };
  writing.set(id, capture);
  queue.setState(({ queued }) => ({ queued: [...queued, capture], writing: writing.size }));
  return { id, kept: written(capture) };
}

async function written(capture: QueuedCapture): Promise<void> {
  try {
    await putQueued(capture);
    if (withdrawn.has(capture.id)) await removeQueued(capture.id);
  } catch (error) {
    queue.setState(({ queued }) => ({ queued: queued.filter(({ id }) => id !== capture.id) }));
    throw error;
  } finally {
    writing.delete(capture.id);
    queue.setState({ writing: writing.size });
  }
  await changed();
}

/** The same for callers that go on only when it is safe; answers its id. */
export async function queueCapture(start: CaptureStart): Promise<string> {
  const { id, kept } = takeCapture(start);
  await kept;
  return id;
}

/**
 * Takes the last capture back: off the device if it still waits, whatever is being sent just now; if it is stored already it is
 * struck out as a slip, without network as soon as there is one. A judgement that is stored stays until somebody judges again.
 */
export async function takeBack(start: Omit<CaptureStart, 'content' | 'blob'>, id: string): Promise<void> {
  if (writing.has(id) || (await isQueued(id))) {
    withdrawn.add(id);
    settled.add(id);
    queue.setState(({ queued }) => ({ queued: queued.filter((capture) => capture.id !== id) }));
    await withdrawQueued(id);
    withdrawn.delete(id);
    await changed();
    return;
  }
  if (!strikeable(start.kind)) return;
  const content = { kind: start.kind, captureId: id, reason: 'taken back at once', slip: true };
  await queueCapture({ ...start, kind: 'strike', content });
}

/**
 * Off this device, on the person's own word; only ever for what the server could not store. That there was something, and why
 * it was given up, goes its way in its place.
 */
export async function giveUp(capture: QueuedCapture, reason: string): Promise<void> {
  const { id, kind, jobId, peg, authorId, authorName, message = '' } = capture;
  await queueCapture({
    ...{ kind: 'record', jobId, peg, author: { id: authorId, name: authorName } },
    content: { content: { what: 'given-up', kind, message: message.slice(0, 300), reason } },
  });
  settled.add(id);
  await removeQueued(id);
  await changed();
}

export async function sendAgain({ message: _, failures: __, ...capture }: QueuedCapture): Promise<void> {
  await putQueued({ ...capture, status: 'waiting' });
  await changed();
}

const RETRY_MS = 5000;
const followers = new Map<string, number>();
let sending: Sending | undefined;
/** Who follows a job says what it has of it, and is told what the server answers. */
export const sendFor = (into: Sending): void => {
  sending = into;
};

export async function sendWaiting(actorId: string): Promise<void> {
  // A store that can't be read is told by whoever reads it next; nothing can be sent from it.
  await sendQueue(actorId, sending && { ...sending, onSettled: changed }).catch(() => 0);
  await refreshQueue();
}

/** Sends what waits while somebody is signed in: now, again and again, when the network is back; answers how to stop. */
export function followQueue(actorId: string): () => void {
  const count = (followers.get(actorId) ?? 0) + 1;
  followers.set(actorId, count);
  const stop = () => followers.set(actorId, (followers.get(actorId) ?? 1) - 1);
  if (count > 1) return stop;
  const attempt = () => void sendWaiting(actorId);
  attempt();
  const timer = setInterval(attempt, RETRY_MS);
  const deaf = listenToTabs(({ kind }) => {
    if (kind === 'queue') void refreshQueue();
  });
  window.addEventListener('online', attempt);
  window.addEventListener('focus', attempt);
  return () => {
    stop();
    clearInterval(timer);
    deaf();
    window.removeEventListener('online', attempt);
    window.removeEventListener('focus', attempt);
  };
}
