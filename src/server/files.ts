import { createHash, type Hash } from 'node:crypto';
import fs from 'node:fs';
import { open } from 'node:fs/promises';
import path from 'node:path';
import { Refusal } from './refusal';

/** What devices took and nobody can make again: each file under its own SHA-256. */
export const KEPT_FOLDERS = ['photographs', 'recordings'] as const;
export type KeptFolder = (typeof KEPT_FOLDERS)[number];
export const keptPath = (dataFolder: string, folder: KeptFolder, digest: string): string =>
  path.join(dataFolder, folder, digest.slice(0, 2), digest);

export const photographPath = (dataFolder: string, digest: string): string =>
  keptPath(dataFolder, 'photographs', digest);

export const derivedPath = (dataFolder: string, digest: string, size: number): string =>
  path.join(dataFolder, 'derived', `${size}`, digest.slice(0, 2), `${digest}.jpg`);

/** Where the pieces of a photograph for looking closely are kept; they can be made again. */
export const tileFolder = (dataFolder: string, digest: string): string =>
  path.join(dataFolder, 'derived', 'tiles', digest.slice(0, 2), digest);

/** A JPEG that was made beside an original which browsers can't show. */
export const besidePath = (dataFolder: string, digest: string): string =>
  `${photographPath(dataFolder, digest)}.jpg`;

interface Received {
  readonly digest: string;
  readonly bytes: number;
}

/**
 * Streams a body to a file aside, counting and hashing as it goes, and syncs it. More than `limit` bytes
 * stops at once; the file aside is removed on any failure, so nothing half stored stays behind.
 */
export async function receiveAside(
  body: AsyncIterable<Uint8Array>,
  aside: string,
  limit: number,
): Promise<Received> {
  fs.mkdirSync(path.dirname(aside), { recursive: true });
  const file = await open(aside, 'wx');
  const hash: Hash = createHash('sha256');
  let bytes = 0;
  try {
    for await (const chunk of body) {
      bytes += chunk.byteLength;
      if (bytes > limit)
        throw new Refusal(
          'too-large',
          `This file is larger than ${Math.floor(limit / 1_000_000)} MB. Nothing of it was stored.`,
        );
      hash.update(chunk);
      await file.write(chunk);
    }
    await file.sync();
  } catch (error) {
    await file.close();
    fs.rmSync(aside, { force: true });
    throw error;
  }
  await file.close();
  return { digest: hash.digest('hex'), bytes };
}

/** Moves a complete file to its place by content and syncs the folder; harmless when it is there already. */
export function settle(aside: string, place: string): void {
  fs.mkdirSync(path.dirname(place), { recursive: true });
  fs.renameSync(aside, place);
  syncFolder(path.dirname(place));
  syncFolder(path.dirname(path.dirname(place)));
}

/** What a process that died was still receiving: a device that wasn't told that it arrived sends it again. */
export function sweepIncoming(dataFolder: string): void {
  const incoming = path.join(dataFolder, 'incoming');
  for (const name of fs.existsSync(incoming) ? fs.readdirSync(incoming) : [])
    fs.rmSync(path.join(incoming, name), { force: true, recursive: true });
}

/** Moves a file that was made aside to its place, its bytes on the disk before its name is. */
export function syncedRename(aside: string, place: string): void {
  const file = fs.openSync(aside, 'r');
  fs.fsyncSync(file);
  fs.closeSync(file);
  fs.renameSync(aside, place);
}

function syncFolder(folder: string): void {
  const handle = fs.openSync(folder, 'r');
  fs.fsyncSync(handle);
  fs.closeSync(handle);
}
