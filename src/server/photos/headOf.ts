import { open } from 'node:fs/promises';

/** The first bytes of a file, enough to tell its kind; undefined where there is no such file. */
export async function headOf(file: string): Promise<Uint8Array | undefined> {
  const handle = await open(file, 'r').catch(() => undefined);
  if (!handle) return undefined;
  try {
    const { buffer } = await handle.read(Buffer.alloc(32), 0, 32, 0);
    return buffer;
  } finally {
    await handle.close();
  }
}
