import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { CaptureKind } from '@/model/job';

/** One thing captured on this device and not yet confirmed by the shop's computer. */
export interface QueuedCapture {
  readonly id: string;
  readonly kind: CaptureKind;
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
}

interface QueueDb extends DBSchema {
  captures: { key: string; value: QueuedCapture; indexes: { queuedAt: number } };
}

let opened: Promise<IDBPDatabase<QueueDb>> | undefined;

const queueDb = () => {
  opened ??= openDB<QueueDb>('stereotome-queue', 1, {
    upgrade: (db) => {
      db.createObjectStore('captures', { keyPath: 'id' }).createIndex('queuedAt', 'queuedAt');
    },
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
