import { createHash, randomBytes } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import Database from 'better-sqlite3';
import { extract } from 'tar-stream';
import * as v from 'valibot';
import { type BackupManifest, BackupManifestSchema, isPlace, MANIFEST } from './manifest';

/** What was looked at and isn't as it should be; anything else that breaks is a file that can't be read. */
class Refused extends Error {}

export interface Restored {
  readonly files: number;
  readonly madeAt: string;
  readonly missing: readonly string[];
  readonly altered: readonly string[];
}

/**
 * Unpacks a backup into an empty folder, each file held against its digest, the database looked through from end to end. The folder
 * appears when all of it is right, and not before. Whoever was signed in when the backup was made is not signed in now.
 * @throws Error that says what is wrong; nothing of it stays behind
 */
export async function restore(file: string, folder: string): Promise<Restored> {
  if (!fs.existsSync(file)) throw new Error(`There is no file ${file}.`);
  if (fs.existsSync(folder) && fs.readdirSync(folder).length > 0)
    throw new Error(`${folder} is not empty. Nothing was written; name an empty folder.`);
  const aside = `${folder.replace(/[/\\]+$/, '')}.restoring`;
  fs.rmSync(aside, { recursive: true, force: true });
  try {
    const { manifest, digests } = await unpack(file, aside).catch((error: Error) => {
      throw error instanceof Refused
        ? error
        : new Refused(`${file} is no backup, or not whole: ${error.message}`);
    });
    holdAgainst(manifest, digests);
    beginAnotherLife(path.join(aside, 'shop.sqlite'));
    fs.rmSync(folder, { recursive: true, force: true });
    fs.renameSync(aside, folder);
    const { madeAt, missing, altered } = manifest;
    return { files: digests.size, madeAt, missing, altered };
  } finally {
    fs.rmSync(aside, { recursive: true, force: true });
  }
}

async function unpack(file: string, aside: string) {
  const digests = new Map<string, string>();
  const head: { manifest?: BackupManifest } = {};
  const tar = extract();
  // Whatever breaks the reading ends the loop below too, which says it.
  pipeline(fs.createReadStream(file), tar).catch(() => undefined);
  for await (const entry of tar) {
    const { name } = entry.header;
    if (name === MANIFEST) {
      const pieces: Buffer[] = [];
      for await (const piece of entry) pieces.push(piece as Buffer);
      head.manifest = readManifest(Buffer.concat(pieces));
      continue;
    }
    if (!isPlace(name)) throw new Refused(`“${name}” does not belong into a backup. Nothing was restored.`);
    const place = path.join(aside, name);
    fs.mkdirSync(path.dirname(place), { recursive: true });
    const hash = createHash('sha256');
    await pipeline(
      entry,
      async function* (source) {
        for await (const chunk of source) {
          hash.update(chunk as Buffer);
          yield chunk;
        }
      },
      fs.createWriteStream(place, {
        flags: 'wx',
        flush: true,
        ...(name.startsWith('tls/') ? { mode: 0o600 } : {}),
      }),
    );
    digests.set(name, hash.digest('hex'));
  }
  if (!head.manifest) throw new Refused(`${file} is no backup, or not whole: it does not say what it holds.`);
  return { manifest: head.manifest, digests };
}

function readManifest(bytes: Buffer): BackupManifest {
  const parsed = v.safeParse(BackupManifestSchema, JSON.parse(bytes.toString('utf8')));
  if (!parsed.success) throw new Refused('The backup is of a kind that this version does not read.');
  return parsed.output;
}

function holdAgainst({ files }: BackupManifest, digests: ReadonlyMap<string, string>): void {
  for (const { place, sha256 } of files) {
    const found = digests.get(place);
    if (found === undefined) throw new Error(`The backup lacks ${place}. Nothing was restored.`);
    if (found !== sha256)
      throw new Error(`${place} is not what was backed up: the file was damaged. Nothing was restored.`);
  }
  if (digests.size !== files.length)
    throw new Error('The backup holds files that it does not name. Nothing was restored.');
}

/** Devices that followed the shop ask for everything anew, and sign in anew. */
function beginAnotherLife(database: string): void {
  const db = new Database(database);
  try {
    const found = db.pragma('integrity_check', { simple: true });
    if (found !== 'ok') throw new Error(`The database in the backup is not sound: ${String(found)}`);
    db.prepare('UPDATE stream SET life = ?').run(randomBytes(8).toString('hex'));
    db.prepare('DELETE FROM sessions').run();
  } finally {
    db.close();
  }
}
