import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { dayIn } from '@/core/time/shopDay';
import type { Context } from '../context';
import { keptPath } from '../files';
import { log } from '../log';
import { shopZone } from '../shopDay';
import { copyDatabase, digestOfFile, filesNamedIn, type NamedFile } from './copyOfShop';

const KEPT = 7;
const EVERY_MS = 15 * 60_000;
const COPY = /^shop-(\d{4}-\d{2}-\d{2})\.sqlite$/;

export interface DailyCopy {
  /** False where today's copy was there already. */
  readonly made: boolean;
  /** Photographs and recordings that couldn't be copied: missing, or not what was stored. */
  readonly trouble: readonly string[];
}

/**
 * Today's copy of the shop in another folder, unless it is there: the database whole under the day's name, the last seven kept;
 * photographs and recordings once, by their digest, in a folder beside them.
 */
export async function dailyCopy(context: Context, folder: string): Promise<DailyCopy> {
  const today = path.join(folder, `shop-${dayIn(context.now(), shopZone(context))}.sqlite`);
  if (fs.existsSync(today)) return { made: false, trouble: [] };
  fs.mkdirSync(folder, { recursive: true });
  for (const name of fs.readdirSync(folder).filter((each) => each.endsWith('.part')))
    fs.rmSync(path.join(folder, name), { force: true });
  const aside = `${today}.${randomUUID()}.part`;
  try {
    await copyDatabase(context.db, aside);
    const trouble = await copyFiles(context.dataFolder, folder, filesNamedIn(aside));
    // The day's name comes last: under it stands a copy whose photographs lie beside it.
    fs.renameSync(aside, today);
    for (const name of copiesIn(folder).slice(0, -KEPT)) fs.rmSync(path.join(folder, name));
    return { made: true, trouble };
  } finally {
    fs.rmSync(aside, { force: true });
  }
}

/** Oldest first. */
const copiesIn = (folder: string): string[] =>
  fs
    .readdirSync(folder)
    .filter((name) => COPY.test(name))
    .sort();

/** The day of the newest daily copy in a folder; undefined where there is none, or no folder. */
export const newestCopy = (folder: string): string | undefined =>
  fs.existsSync(folder) ? COPY.exec(copiesIn(folder).at(-1) ?? '')?.[1] : undefined;

async function copyFiles(dataFolder: string, copies: string, named: readonly NamedFile[]): Promise<string[]> {
  const trouble: string[] = [];
  for (const { folder, digest } of named) {
    const place = keptPath(copies, folder, digest);
    if (fs.existsSync(place)) continue;
    const source = keptPath(dataFolder, folder, digest);
    if ((await digestOfFile(source)) !== digest) {
      trouble.push(digest);
      continue;
    }
    const aside = `${place}.part`;
    fs.mkdirSync(path.dirname(place), { recursive: true });
    await fs.promises.copyFile(source, aside);
    fs.renameSync(aside, place);
  }
  return trouble;
}

/** Makes the daily copy while the shop runs, where a folder is named for it; looks four times an hour whether it is due. */
export function keepDailyCopies(context: Context, folder: string | undefined): void {
  if (!folder) return;
  const copy = () =>
    dailyCopy(context, folder).then(
      ({ made, trouble }) => {
        if (trouble.length > 0)
          log.error(
            { files: trouble },
            'photographs or recordings were missing or altered at the daily copy',
          );
        else if (made) log.info({ folder }, 'the daily copy is made');
      },
      (error: unknown) => log.error({ err: error }, 'the daily copy failed'),
    );
  void copy();
  setInterval(() => void copy(), EVERY_MS).unref();
}
