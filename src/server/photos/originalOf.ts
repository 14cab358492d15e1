import { createHash } from 'node:crypto';
import fs from 'node:fs';
import { besidePath, photographPath } from '../files';
import { log } from '../log';
import { Refusal } from '../refusal';

/**
 * The bytes that a photograph is looked at, measured and printed from: the original as the device announced it, or the JPEG made beside
 * one that browsers can't show.
 * @throws Refusal `not-found` where the file is missing, `altered` where it isn't what was stored
 */
export async function originalOf(dataFolder: string, digest: string): Promise<Buffer> {
  const place = photographPath(dataFolder, digest);
  const original = await fs.promises.readFile(place).catch(() => undefined);
  if (!original) throw missing();
  refuseAltered(original, digest);
  known.set(place, await stampOf(place));
  return (await fs.promises.readFile(besidePath(dataFolder, digest)).catch(() => undefined)) ?? original;
}

/** Refuses a photograph whose file isn't there or isn't what was stored any more; a file that wasn't touched since is read once. */
export async function refuseAlteredOriginal(dataFolder: string, digest: string): Promise<void> {
  const place = photographPath(dataFolder, digest);
  const stamp = await stampOf(place);
  if (stamp === undefined) throw missing();
  if (known.get(place) !== stamp) await originalOf(dataFolder, digest);
}

/** By which a file that was looked at is known again: its size, its moment and its place on the disk. */
const known = new Map<string, string | undefined>();
const stampOf = async (place: string): Promise<string | undefined> => {
  const found = await fs.promises.stat(place, { bigint: true }).catch(() => undefined);
  return found && `${found.size} ${found.mtimeNs} ${found.ctimeNs} ${found.ino}`;
};

function refuseAltered(original: Buffer, digest: string): void {
  if (createHash('sha256').update(original).digest('hex') === digest) return;
  log.error({ digest }, 'a photograph was altered after it was stored');
  throw new Refusal('altered', 'This photograph does not match what was stored: its file was altered.');
}

const missing = (): Refusal => new Refusal('not-found', 'This photograph is missing from the shop’s files.');
