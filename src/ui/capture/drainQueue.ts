import { listQueued, putQueued, type QueuedCapture, removeQueued } from './queueStore';

/** What became of one sending. `later` keeps it waiting, `refused` shows it as “needs you”. */
export type Outcome =
  | { readonly kind: 'stored' }
  | { readonly kind: 'later' }
  | { readonly kind: 'refused'; readonly message: string };

const ADDRESS: Record<QueuedCapture['kind'], string> = {
  reading: '/api/v1/captures/readings/',
  finding: '/api/v1/captures/findings/',
  photograph: '/api/v1/photographs/',
  record: '/api/v1/captures/records/',
};

/** How an answer is to be taken: a network that fails, a sign-out or a fault of the server's only mean “later”. */
export function outcomeOf(status: number, code: string, message: string): Outcome {
  if (status >= 200 && status < 300) return { kind: 'stored' };
  const passes = status === 401 || status === 429 || status >= 500 || code === 'other-author';
  return passes ? { kind: 'later' } : { kind: 'refused', message };
}

async function sendCapture(capture: QueuedCapture): Promise<Outcome> {
  try {
    const response = await fetch(`${ADDRESS[capture.kind]}${capture.id}`, {
      method: 'PUT',
      ...(capture.blob
        ? {
            body: capture.blob,
            headers: {
              'x-capture': encodeURIComponent(JSON.stringify(capture.content)),
              'content-type': 'application/octet-stream',
            },
          }
        : { body: JSON.stringify(capture.content), headers: { 'content-type': 'application/json' } }),
    });
    const answer = (await response.json().catch(() => ({}))) as { code?: string; message?: string };
    return outcomeOf(
      response.status,
      answer.code ?? '',
      answer.message ?? 'It was refused without a reason.',
    );
  } catch {
    return { kind: 'later' };
  }
}

/**
 * Sends what waits, oldest first, only what its author took who is signed in now. Stops at the first that
 * can't be delivered, so that captures arrive in order; one that is refused stays visible and lets the
 * next ones pass. Answers how many were stored.
 */
export async function drainQueue(actorId: string): Promise<number> {
  // Another tab may be draining too: sending twice is harmless, but one at a time is kinder to the network.
  if (typeof navigator !== 'undefined' && navigator.locks) {
    return navigator.locks.request('stereotome-drain', { ifAvailable: true }, (lock) =>
      lock ? drainAlone(actorId) : 0,
    );
  }
  return drainAlone(actorId);
}

async function drainAlone(actorId: string): Promise<number> {
  let stored = 0;
  // Listed again after each round, for what was taken while the last ones were on their way.
  for (;;) {
    const due = (await listQueued()).filter(
      ({ authorId, status }) => authorId === actorId && status === 'waiting',
    );
    if (due.length === 0) return stored;
    for (const capture of due) {
      const outcome = await sendCapture(capture);
      if (outcome.kind === 'later') return stored;
      if (outcome.kind === 'stored') {
        await removeQueued(capture.id);
        stored += 1;
      } else {
        await putQueued({ ...capture, status: 'needs-you', message: outcome.message });
      }
    }
  }
}
