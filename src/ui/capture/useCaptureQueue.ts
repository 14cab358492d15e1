'use client';

import { useCallback, useEffect, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { CaptureKind } from '@/model/job';
import { drainQueue } from './drainQueue';
import { listQueued, putQueued, type QueuedCapture, removeQueued } from './queueStore';

const RETRY_MS = 5000;
const CHANGED = 'stereotome-queue-changed';
const changed = () => window.dispatchEvent(new Event(CHANGED));

/** The captures that wait on this device, kept in step with the store, and drained while somebody is signed in. */
export function useCaptureQueue(actorId: string) {
  const [queued, setQueued] = useState<readonly QueuedCapture[]>([]);
  const refresh = useCallback(async () => setQueued(await listQueued()), []);
  const drain = useCallback(async () => {
    await drainQueue(actorId);
    changed();
  }, [actorId]);
  useEffect(() => {
    void refresh();
    void drain();
    const attempt = () => void drain();
    const timer = setInterval(attempt, RETRY_MS);
    window.addEventListener(CHANGED, refresh);
    window.addEventListener('online', attempt);
    window.addEventListener('focus', attempt);
    return () => {
      clearInterval(timer);
      window.removeEventListener(CHANGED, refresh);
      window.removeEventListener('online', attempt);
      window.removeEventListener('focus', attempt);
    };
  }, [refresh, drain]);
  return { queued, drain };
}

interface CaptureStart {
  readonly kind: CaptureKind;
  readonly jobId: string;
  readonly peg: number;
  readonly author: { readonly id: string; readonly name: string };
  readonly content: Record<string, unknown>;
  readonly blob?: Blob;
}

/** Puts a capture into the queue under an id of its own; it is safe once this resolves. */
export async function queueCapture({
  kind,
  jobId,
  peg,
  author,
  content,
  blob,
}: CaptureStart): Promise<string> {
  const id = uuidv7();
  const now = new Date();
  const whole = { ...content, id, jobId, authorId: author.id, deviceTime: now.toISOString() };
  await putQueued({
    id,
    kind,
    jobId,
    peg,
    authorId: author.id,
    authorName: author.name,
    queuedAt: performance.timeOrigin + performance.now(),
    content: whole,
    status: 'waiting',
    ...(blob ? { blob } : {}),
  });
  changed();
  return id;
}

/** Off this device, on the person's own word; only ever for what the server has refused. */
export async function discardQueued(id: string): Promise<void> {
  await removeQueued(id);
  changed();
}

export async function retryQueued(capture: QueuedCapture): Promise<void> {
  const { message: _, ...rest } = capture;
  await putQueued({ ...rest, status: 'waiting' });
  changed();
}
