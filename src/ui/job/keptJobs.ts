import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { Confirmed } from './confirmed';

/*
 * What this device keeps of the jobs in hand, for a pit without network: the last that was confirmed, for the person who looked
 * at it. Captures have a store of their own, which outlives a sign-out; this one doesn't.
 */

interface KeptJob {
  readonly jobId: string;
  readonly actorId: string;
  readonly build: string;
  readonly confirmed: Confirmed;
}
interface KeptDb extends DBSchema {
  jobs: { key: string; value: KeptJob };
}

export const KEPT_JOBS = 'stereotome-jobs';
const BUILD = process.env.NEXT_PUBLIC_BUILD ?? '';

let opened: Promise<IDBPDatabase<KeptDb>> | undefined;
const keptDb = () => {
  opened ??= openDB<KeptDb>(KEPT_JOBS, 1, {
    upgrade: (db) => {
      db.createObjectStore('jobs', { keyPath: 'jobId' });
    },
    // Whoever signs out has it thrown away.
    blocking: () => {
      void opened?.then((db) => db.close());
      opened = undefined;
    },
  });
  return opened;
};

/** Keeps it; a device without room, or a private window, works as before, with network. */
export async function keepJob(jobId: string, actorId: string, confirmed: Confirmed): Promise<boolean> {
  try {
    await (await keptDb()).put('jobs', { jobId, actorId, build: BUILD, confirmed });
    return true;
  } catch {
    return false;
  }
}

/** What is kept of a job for this person and this build; nothing where it can't be read any more. */
export async function keptJob(jobId: string, actorId: string): Promise<Confirmed | undefined> {
  try {
    const kept = await (await keptDb()).get('jobs', jobId);
    return kept?.actorId === actorId && kept.build === BUILD ? kept.confirmed : undefined;
  } catch {
    return undefined;
  }
}

export async function forgetJobs(): Promise<void> {
  try {
    await (await keptDb()).clear('jobs');
  } catch {
    // There is nothing to forget.
  }
}
