import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { keptPath } from '../files';
import { digestOfFile, filesNamedIn } from './copyOfShop';

export interface LookedThrough {
  readonly photographs: number;
  readonly recordings: number;
  readonly missing: readonly string[];
  readonly altered: readonly string[];
  /** What the database says of itself; `ok` where it is sound. */
  readonly database: string;
}

/** Looks through a whole shop: its database by SQLite's own check, every photograph and recording by its digest. Nothing is changed. */
export async function lookThrough(dataFolder: string): Promise<LookedThrough> {
  const file = path.join(dataFolder, 'shop.sqlite');
  if (!fs.existsSync(file))
    throw new Error(`There is no shop in ${dataFolder}. Name its folder with STEREOTOME_DATA.`);
  const db = new Database(file, { readonly: true, fileMustExist: true });
  const said = db.pragma('integrity_check') as { integrity_check: string }[];
  const broken = db.pragma('foreign_key_check') as unknown[];
  db.close();
  const [missing, altered]: [string[], string[]] = [[], []];
  const named = filesNamedIn(file);
  for (const { folder, digest } of named) {
    const found = await digestOfFile(keptPath(dataFolder, folder, digest));
    if (found === undefined) missing.push(digest);
    else if (found !== digest) altered.push(digest);
  }
  const words = said.map(({ integrity_check: each }) => each).join('; ');
  return {
    photographs: named.filter(({ folder }) => folder === 'photographs').length,
    recordings: named.filter(({ folder }) => folder === 'recordings').length,
    ...{ missing, altered },
    database: broken.length > 0 ? `${words}; ${broken.length} rows name others that aren’t there` : words,
  };
}
