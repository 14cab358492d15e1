import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import Database from 'better-sqlite3';
import { v7 as uuidv7 } from 'uuid';
import { expect, it } from 'vitest';
import { backUp } from '@/server/backup/backUp';
import { lookThrough } from '@/server/backup/lookThrough';
import { restore } from '@/server/backup/restore';
import { openOwnShop } from '../browser/ownServer';
import seedOnce from '../browser/seedOnce';
import { Caller } from './caller';

/** How often a live shop is backed up and restored; a long run gives more. */
const BACKUPS = Number(process.env.STEREOTOME_BACKUPS ?? 20);
const WRITERS = 4;

it(`backed up ${BACKUPS} times while ${WRITERS} devices write, every restored shop is sound and holds what was acknowledged before`, async () => {
  seedOnce();
  const shop = await openOwnShop('backup');
  const caller = await Caller.signedIn(shop.url, 'Mirel Astrand');
  const job = await caller.bookIn('baler of the backups');
  const place = fs.mkdtempSync(path.join(os.tmpdir(), 'backups-'));
  const acknowledged = new Set<string>();
  let writing = true;
  const writers = Array.from({ length: WRITERS }, async () => {
    while (writing) {
      const id = uuidv7();
      const status = await caller.reading(job, id, (0.1 + Math.random() / 10).toFixed(2)).catch(() => 0);
      if (status === 200 || status === 201) acknowledged.add(id);
    }
  });
  try {
    for (let round = 0; round < BACKUPS; round += 1) {
      const before = [...acknowledged];
      const file = path.join(place, `${round}.tar`);
      const folder = path.join(place, `${round}`);
      expect(await backUp(shop.data, file, new Date()), `backup ${round}`).toMatchObject({
        missing: [],
        altered: [],
      });
      await restore(file, folder);
      expect(await lookThrough(folder)).toMatchObject({ database: 'ok', missing: [], altered: [] });
      const db = new Database(path.join(folder, 'shop.sqlite'), { readonly: true });
      const held = new Set(
        db.prepare('SELECT id FROM readings WHERE job_id = ?').pluck().all(job) as string[],
      );
      db.close();
      expect(
        before.filter((id) => !held.has(id)),
        `backup ${round}: none lost`,
      ).toEqual([]);
      fs.rmSync(folder, { recursive: true });
      fs.rmSync(file);
    }
  } finally {
    writing = false;
    await Promise.all(writers);
    fs.rmSync(place, { recursive: true, force: true });
  }
  await shop.close();
  expect(acknowledged.size).toBeGreaterThan(BACKUPS);
});
