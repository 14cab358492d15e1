import { v7 as uuidv7 } from 'uuid';
import type { JobAnswer } from '@/model/jobStream';
import { deviceId } from './deviceId';
import {
  forgetWithdrawn,
  listQueued,
  putQueued,
  type QueuedCapture,
  removeQueued,
  strikeable,
  wasWithdrawn,
} from './queueStore';

/**
 * What became of one sending. `later` keeps it waiting, `trouble` counts against it where the server is well otherwise, `refused`
 * shows it as “needs you”.
 */
export type Outcome =
  | { readonly kind: 'stored'; readonly job?: JobAnswer | undefined }
  | { readonly kind: 'later' }
  | { readonly kind: 'trouble' }
  | { readonly kind: 'refused'; readonly message: string };

/** What a device that follows a job has of it already; the answer to a capture brings the rest. */
export interface Known {
  readonly cursor: string;
  readonly shop: number;
}
export interface Sending {
  readonly knownOf: (jobId: string) => Known | undefined;
  /** Told when a capture is stored, before it leaves the queue: with what the server answered, and since which cursor. */
  readonly onStored: (
    capture: QueuedCapture,
    job: JobAnswer | undefined,
    known: Known | undefined,
  ) => Promise<void>;
  /** Told when something has left the queue, or was set aside in it. */
  readonly onSettled?: () => Promise<void>;
}

const ADDRESS: Record<QueuedCapture['kind'], string> = {
  reading: '/api/v1/captures/readings/',
  finding: '/api/v1/captures/findings/',
  photograph: '/api/v1/photographs/',
  recording: '/api/v1/recordings/',
  record: '/api/v1/captures/records/',
  grade: '/api/v1/captures/grades/',
  decision: '/api/v1/captures/decisions/',
  cause: '/api/v1/captures/causes/',
  'unit-decision': '/api/v1/captures/unit-decisions/',
  identity: '/api/v1/captures/identities/',
  acceptance: '/api/v1/captures/acceptances/',
  strike: '/api/v1/captures/strikes/',
};

/** How often the server may fail on one capture, well otherwise, before it steps aside. */
const MOST_FAILURES = 3;
/** The server says of itself that it can't just now: nothing is wrong with what was sent. */
const SERVER_BUSY = new Set([401, 429, 502, 503, 504, 507]);

/** How an answer is to be taken: a network that fails, a sign-out or a busy server only mean “later”. */
export function outcomeOf(status: number, code: string, message: string): Outcome {
  if (status >= 200 && status < 300) return { kind: 'stored' };
  if (SERVER_BUSY.has(status) || code === 'other-author') return { kind: 'later' };
  return status >= 500 ? { kind: 'trouble' } : { kind: 'refused', message };
}

async function sendCapture(capture: QueuedCapture, known: Known | undefined): Promise<Outcome> {
  const headers: Record<string, string> = {
    'x-device': deviceId(),
    'x-device-now': String(Date.now()),
    ...(known ? { 'x-since': known.cursor, 'x-shop': String(known.shop) } : {}),
  };
  try {
    const response = await fetch(`${ADDRESS[capture.kind]}${capture.id}`, {
      method: 'PUT',
      ...(capture.blob
        ? {
            body: capture.blob,
            headers: {
              ...headers,
              'x-capture': encodeURIComponent(JSON.stringify(capture.content)),
              'content-type': 'application/octet-stream',
            },
          }
        : {
            body: JSON.stringify(capture.content),
            headers: { ...headers, 'content-type': 'application/json' },
          }),
    });
    const answer = (await response.json().catch(() => ({}))) as {
      code?: string;
      message?: string;
      job?: JobAnswer;
    };
    const outcome = outcomeOf(
      response.status,
      answer.code ?? '',
      answer.message ?? 'It was refused without a reason.',
    );
    return outcome.kind === 'stored' ? { ...outcome, job: answer.job } : outcome;
  } catch {
    return { kind: 'later' };
  }
}

/**
 * Sends what waits, oldest first, only what its author took who is signed in now. Stops at the first that can't be delivered
 * now, so that captures arrive in order; one that the server can't store steps aside and lets the next ones pass. Answers how
 * many were stored.
 */
export async function sendQueue(actorId: string, sending: Sending = ALONE): Promise<number> {
  // Another tab may be sending too: sending twice is harmless, but one at a time is kinder to the network.
  if (typeof navigator !== 'undefined' && navigator.locks) {
    return navigator.locks.request('stereotome-send', { ifAvailable: true }, (lock) =>
      lock ? sendAlone(actorId, sending) : 0,
    );
  }
  return sendAlone(actorId, sending);
}
const ALONE: Sending = { knownOf: () => undefined, onStored: async () => {} };

async function sendAlone(actorId: string, sending: Sending): Promise<number> {
  let stored = 0;
  // Listed again after each round, for what was taken while the last ones were on their way.
  for (;;) {
    const due = (await listQueued()).filter(
      ({ authorId, status }) => authorId === actorId && status === 'waiting',
    );
    if (due.length === 0) return stored;
    for (const capture of due) {
      // Taken back since it was listed, or while it was still being written: off the queue, or it would be listed for ever.
      if (await wasWithdrawn(capture.id)) {
        await removeQueued(capture.id);
        continue;
      }
      const known = sending.knownOf(capture.jobId);
      const outcome = await sendCapture(capture, known);
      if (outcome.kind === 'later') return stored;
      if (outcome.kind === 'stored') {
        await sending.onStored(capture, outcome.job, known);
        await settleStored(capture);
        stored += 1;
      } else if (outcome.kind === 'refused') {
        await setAside(capture, outcome.message);
      } else if (!(await failedAgain(capture))) return stored;
      await sending.onSettled?.();
    }
  }
}

/** Off the queue; where a person took it back while it was on its way, it is struck out as a slip. */
async function settleStored(capture: QueuedCapture): Promise<void> {
  if (await wasWithdrawn(capture.id)) {
    if (strikeable(capture.kind)) await putQueued(strikeOf(capture));
    await forgetWithdrawn(capture.id);
  }
  await removeQueued(capture.id);
}

/** The strike that takes a stored capture back. */
export function strikeOf({ id, kind, jobId, peg, authorId, authorName }: QueuedCapture): QueuedCapture {
  const strikeId = uuidv7();
  return {
    ...{ id: strikeId, kind: 'strike', jobId, peg, authorId, authorName, status: 'waiting' },
    queuedAt: performance.timeOrigin + performance.now(),
    content: { kind, captureId: id, reason: 'taken back at once', slip: true },
  };
}

async function setAside(capture: QueuedCapture, message: string): Promise<void> {
  // What was taken back meanwhile stays so.
  if (await wasWithdrawn(capture.id)) return;
  await putQueued({ ...capture, status: 'needs-you', message });
}

/** Counts a failure of the server's on this capture, if it is well otherwise; tells whether the next ones may pass. */
async function failedAgain(capture: QueuedCapture): Promise<boolean> {
  const well = await fetch('/api/v1/session').then(
    ({ ok }) => ok,
    () => false,
  );
  if (!well) return false;
  const failures = (capture.failures ?? 0) + 1;
  if (failures < MOST_FAILURES) {
    if (!(await wasWithdrawn(capture.id))) await putQueued({ ...capture, failures });
    return false;
  }
  await setAside(
    { ...capture, failures },
    `The shop’s computer failed on it ${MOST_FAILURES} times while it answered everything else.`,
  );
  return true;
}
