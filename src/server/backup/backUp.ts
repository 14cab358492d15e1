import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { finished, pipeline } from 'node:stream/promises';
import { pack } from 'tar-stream';
import { copyDatabase, filesBeside, filesNamedIn } from './copyOfShop';
import { BACKUP_FORMAT, type BackupManifest, MANIFEST } from './manifest';

export interface BackedUp {
  readonly files: number;
  readonly bytes: number;
  /** Photographs that the database names and that aren't there, or aren't what was stored: the backup holds them as they are. */
  readonly missing: readonly string[];
  readonly altered: readonly string[];
}

/**
 * One file (tar) with the whole shop, made while it runs: the database as it is at one moment first, then every photograph that it
 * names. What the file holds, and the digest of each, stands in it at the end; until it is whole it has another name.
 * @throws Error where the file is there already, or the database can't be copied
 */
export async function backUp(dataFolder: string, file: string, now: Date): Promise<BackedUp> {
  if (fs.existsSync(file)) throw new Error(`${file} is there already. Nothing was written over.`);
  if (!fs.existsSync(path.join(dataFolder, 'shop.sqlite')))
    throw new Error(`There is no shop in ${dataFolder}. Name its folder with STEREOTOME_DATA.`);
  const database = `${file}.database`;
  const aside = `${file}.part`;
  for (const old of [database, aside]) fs.rmSync(old, { force: true });
  try {
    await copyDatabase(dataFolder, database);
    const told = await writeTar(dataFolder, database, aside, now);
    const handle = fs.openSync(aside, 'r');
    fs.fsyncSync(handle);
    fs.closeSync(handle);
    fs.renameSync(aside, file);
    return told;
  } finally {
    for (const old of [database, aside]) fs.rmSync(old, { force: true });
  }
}

async function writeTar(dataFolder: string, database: string, aside: string, now: Date): Promise<BackedUp> {
  const tar = pack();
  const written = fs.createWriteStream(aside);
  tar.pipe(written);
  const done = finished(written);
  const entries: BackupManifest['files'][number][] = [];
  const [missing, altered]: [string[], string[]] = [[], []];
  const add = async (place: string, source: string, wanted?: string) => {
    const stat = fs.statSync(source, { throwIfNoEntry: false });
    if (!stat) return void missing.push(place);
    const hash = createHash('sha256');
    const entry = tar.entry({ name: place, size: stat.size, mtime: stat.mtime });
    await pipeline(
      fs.createReadStream(source),
      async function* (chunks) {
        for await (const chunk of chunks) {
          hash.update(chunk as Buffer);
          yield chunk;
        }
      },
      entry as unknown as NodeJS.WritableStream,
    );
    const digest = hash.digest('hex');
    if (wanted !== undefined && wanted !== digest) altered.push(place);
    entries.push({ place, bytes: stat.size, sha256: digest });
  };
  await add('shop.sqlite', database);
  for (const { place, digest } of filesBeside(dataFolder, filesNamedIn(database)))
    await add(place, path.join(dataFolder, place), digest);
  const manifest: BackupManifest = {
    ...{ format: BACKUP_FORMAT, madeAt: now.toISOString(), files: entries },
    ...{ missing, altered },
  };
  tar.entry({ name: MANIFEST }, JSON.stringify(manifest, null, 2));
  tar.finalize();
  await done;
  const bytes = entries.reduce((sum, entry) => sum + entry.bytes, 0);
  return { files: entries.length, bytes, missing, altered };
}
