import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { CAPTURE_KINDS, type CaptureKind, type StoredKind } from '@/model/job';

/** What goes the capture's road: what is captured, what is judged, and what is struck out. */
export type QueuedKind = StoredKind | 'strike';
/** A judgement is taken back by judging again, and a strike stands. */
export const strikeable = (kind: QueuedKind): kind is CaptureKind =>
  (CAPTURE_KINDS as readonly string[]).includes(kind);

/** One thing captured on this device and not yet confirmed by the shop's computer. */
export interface QueuedCapture {
  readonly id: string;
  readonly kind: QueuedKind;
  readonly jobId: string;
  readonly peg: number;
  readonly authorId: string;
  readonly authorName: string;
  readonly queuedAt: number;
  /** What goes out: for a photograph its description, the picture itself stands in `blob`. */
  readonly content: Record<string, unknown>;
  readonly blob?: Blob;
  readonly status: 'waiting' | 'needs-you';
  readonly message?: string;
  /** How often the server failed on it while it answered something else. */
  readonly failures?: number;
}

/**
 * Version 1 held captures only. Version 2 adds `undone`: marks of captures that a person took back while they may have been on
 * their way, so that whoever sent them strikes them out.
 */
interface QueueDb extends DBSchema {
  captures: { key: string; value: QueuedCapture; indexes: { queuedAt: number } };
  undone: { key: string; value: { readonly id: string; readonly at: number } };
}

export const QUEUE_STORE = 'stereotome-queue';

let opened: Promise<IDBPDatabase<QueueDb>> | undefined;

const queueDb = () => {
  opened ??= openDB<QueueDb>(QUEUE_STORE, 2, {
    upgrade: (db, before) => {
      if (before < 1) db.createObjectStore('captures', { keyPath: 'id' }).createIndex('queuedAt', 'queuedAt');
      if (before < 2) db.createObjectStore('undone', { keyPath: 'id' });
    },
    // Another tab with a newer build waits for this one to let go.
    blocking: () => {
      void opened?.then((db) => db.close());
      opened = undefined;
    },
  }).catch((error) => {
    opened = undefined;
    throw error;
  });
  return opened;
};

/** Safe once this resolves: written through to the disk, since a battery may die the moment after. */
export const putQueued = async (capture: QueuedCapture): Promise<void> => {
  const writing = (await queueDb()).transaction('captures', 'readwrite', { durability: 'strict' });
  await writing.store.put(capture);
  await writing.done;
};
export const removeQueued = async (id: string): Promise<void> => {
  await (await queueDb()).delete('captures', id);
};
/** In the order in which they were taken. */
export const listQueued = async (): Promise<QueuedCapture[]> =>
  (await queueDb()).getAllFromIndex('captures', 'queuedAt');
export const isQueued = async (id: string): Promise<boolean> =>
  (await (await queueDb()).getKey('captures', id)) !== undefined;

/** Takes a capture back: off the device, and marked, in one step, so that it can't be both sent and forgotten. */
export const withdrawQueued = async (id: string): Promise<void> => {
  const writing = (await queueDb()).transaction(['captures', 'undone'], 'readwrite', {
    durability: 'strict',
  });
  await writing.objectStore('captures').delete(id);
  await writing.objectStore('undone').put({ id, at: Date.now() });
  await writing.done;
};
export const wasWithdrawn = async (id: string): Promise<boolean> =>
  (await (await queueDb()).getKey('undone', id)) !== undefined;
export const forgetWithdrawn = async (id: string): Promise<void> => {
  await (await queueDb()).delete('undone', id);
};
