import { deleteDB, openDB } from 'idb';
import { QUEUE_STORE } from './queueStore';

/* When this device's store can't be read as it should be (a newer program was here before, or it is damaged): what lies on it is
 * read as it lies, whatever version it is of, and handed to a person as a file. */

/** Everything that lies in the store, as a ZIP: one line of JSON for each capture, and each picture as it was taken. */
export async function salvage(): Promise<Blob> {
  const db = await openDB(QUEUE_STORE);
  try {
    const rows: unknown[] = [];
    for (const name of db.objectStoreNames) rows.push(...(await db.getAll(name)));
    return await asZip(rows);
  } finally {
    db.close();
  }
}

/** Captures as a ZIP: `captures.jsonl`, and a folder with their pictures. */
export async function asZip(rows: readonly unknown[]): Promise<Blob> {
  // Needed once in a long while, when everything else has gone wrong.
  const { downloadZip } = await import('client-zip');
  const lines: string[] = [];
  const pictures: { name: string; input: Blob }[] = [];
  for (const row of rows) {
    const { blob, ...rest } = (row ?? {}) as { id?: string; blob?: Blob; content?: { fileName?: string } };
    lines.push(JSON.stringify(rest));
    if (blob instanceof Blob)
      pictures.push({ name: `pictures/${rest.id}-${rest.content?.fileName ?? 'picture'}`, input: blob });
  }
  return downloadZip([{ name: 'captures.jsonl', input: `${lines.join('\n')}\n` }, ...pictures]).blob();
}

/** Throws the store away; only ever after what lay in it was saved, on a person's word. */
export const beginAnew = (): Promise<void> => deleteDB(QUEUE_STORE);
