import { open } from 'node:fs/promises';

/** The first bytes of a file, enough to tell its kind; undefined where there is no such file. */
export async function headOf(file: string, bytes = 32): Promise<Uint8Array | undefined> {
  const handle = await open(file, 'r').catch(() => undefined);
  if (!handle) return undefined;
  try {
    const { buffer, bytesRead } = await handle.read(Buffer.alloc(bytes), 0, bytes, 0);
    return buffer.subarray(0, Math.max(bytesRead, Math.min(bytes, 32)));
  } finally {
    await handle.close();
  }
}
