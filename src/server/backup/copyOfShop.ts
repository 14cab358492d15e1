import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { Worker } from 'node:worker_threads';
import Database from 'better-sqlite3';
import type { Db } from '@/db/open';
import { type KeptFolder, keptPath } from '../files';

/** What of a shop's folder isn't in its database and can't be made again, by its place in the folder. */
export interface KeptFile {
  readonly place: string;
  /** Its SHA-256 in hex as the database has it; files that the database doesn't name have none. */
  readonly digest?: string;
}

/** All pages in one step: a copy made in several begins anew whenever somebody writes between two, and never ends in a busy shop. */
const ALL_AT_ONCE = { progress: () => Number.MAX_SAFE_INTEGER };

/**
 * A copy of the database as it is at one moment, while the shop goes on writing (SQLite's online backup), looked through from end to
 * end. Plain copying of the file gives a broken one. Given the shop's own connection it is copied a piece at a time, so that the shop
 * isn't kept waiting: what that connection writes meanwhile goes into the copy too.
 * @throws Error where the copy isn't sound
 */
export async function copyDatabase(from: string | Db, to: string): Promise<void> {
  if (typeof from !== 'string') await from.backup(to);
  else {
    const source = new Database(path.join(from, 'shop.sqlite'), { fileMustExist: true, readonly: true });
    try {
      await source.backup(to, ALL_AT_ONCE);
    } finally {
      source.close();
    }
  }
  const found = await soundness(to);
  if (found !== 'ok') throw new Error(`The copy of the database is not sound: ${found}`);
  const file = fs.openSync(to, 'r');
  fs.fsyncSync(file);
  fs.closeSync(file);
}

/** Looked through in a thread of its own: a shop of gigabytes takes a while, and the bench must not wait for it. */
async function soundness(file: string): Promise<string> {
  const thread = new Worker(path.join(process.cwd(), 'src/server/backup/soundnessWorker.mjs'), {
    workerData: { file },
  });
  try {
    return await new Promise((resolve, reject) => {
      thread.once('message', resolve);
      thread.once('error', reject);
      thread.once('exit', () => reject(new Error('the check of the copy ended without an answer')));
    });
  } finally {
    await thread.terminate();
  }
}

export interface NamedFile {
  readonly folder: KeptFolder;
  readonly digest: string;
}

/** Every photograph and recording that a database names, struck ones and conflicting ones among them. */
export function filesNamedIn(database: string): NamedFile[] {
  const db = new Database(database, { readonly: true, fileMustExist: true });
  try {
    // A database of an earlier version knows no recordings.
    const hasRecordings =
      db.prepare("SELECT 1 FROM sqlite_master WHERE name = 'recordings'").get() !== undefined;
    const rows = db
      .prepare(
        `SELECT 'photographs' AS folder, digest FROM photographs
         UNION SELECT kind || 's', json_extract(content_json, '$.digest') FROM capture_conflicts WHERE kind IN ('photograph', 'recording')
         ${hasRecordings ? "UNION SELECT 'recordings', digest FROM recordings" : ''}
         ORDER BY folder, digest`,
      )
      .all() as { folder: KeptFolder; digest: unknown }[];
    return rows.filter(
      (row): row is NamedFile => typeof row.digest === 'string' && /^[0-9a-f]{64}$/.test(row.digest),
    );
  } finally {
    db.close();
  }
}

/** The files beside the database: photographs and recordings by their digest, JPEGs made beside them, and what tablets trust the shop by. */
export function filesBeside(dataFolder: string, named: readonly NamedFile[]): KeptFile[] {
  const placeOf = (file: string) => path.relative(dataFolder, file).split(path.sep).join('/');
  const kept = named.flatMap(({ folder, digest }): KeptFile[] => {
    const place = placeOf(keptPath(dataFolder, folder, digest));
    const beside = `${place}.jpg`;
    return [{ place, digest }, ...(fs.existsSync(path.join(dataFolder, beside)) ? [{ place: beside }] : [])];
  });
  const tls = path.join(dataFolder, 'tls');
  const keys = fs.existsSync(tls)
    ? fs
        .readdirSync(tls)
        .filter((name) => fs.statSync(path.join(tls, name)).isFile())
        .map((name) => ({ place: `tls/${name}` }))
    : [];
  return [...kept, ...keys];
}

/** The SHA-256 of a file in hex; undefined where there is none. */
export async function digestOfFile(file: string): Promise<string | undefined> {
  if (!fs.existsSync(file)) return undefined;
  const hash = createHash('sha256');
  for await (const chunk of fs.createReadStream(file)) hash.update(chunk as Buffer);
  return hash.digest('hex');
}
