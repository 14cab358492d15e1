import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { listAcceptances } from '@/db/measuring';
import { type Db, openDb } from '@/db/open';

/* Acceptances from before named how many readings were seen and the last of them; now they name the readings. */

const ALL = path.join(process.cwd(), 'src/db/migrations');
let folder: string;
let db: Db | undefined;
beforeEach(() => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'holding-'));
  fs.mkdirSync(path.join(folder, 'before'));
  for (const file of fs.readdirSync(ALL).filter((name) => name < '0015'))
    fs.copyFileSync(path.join(ALL, file), path.join(folder, 'before', file));
});
afterEach(() => {
  db?.close();
  fs.rmSync(folder, { recursive: true, force: true });
});

/** A shop as the version before left it: four readings of a check, one of them struck out, and what was accepted. */
function shopBefore(marks: readonly string[]): void {
  const before = openDb(path.join(folder, 'shop.sqlite'), path.join(folder, 'before'));
  before.pragma('foreign_keys = OFF');
  before
    .prepare(
      "INSERT INTO people (id, name, role, password_hash, created_at) VALUES ('p', 'Jonas', 'lead', 'x', '')",
    )
    .run();
  const read = before.prepare(
    `INSERT INTO readings (id, job_id, position_id, check_id, place, raw, unit, value, gauge_id, author_id, device_time, received_at, content_digest)
     VALUES (?, 'j', 'ring', ?, '', '1', 'mm', 1, 'g', 'p', '', '', '')`,
  );
  for (const [id, check] of [
    ['a', 'float'],
    ['b', 'float'],
    ['c', 'float'],
    ['d', 'float'],
    ['e', 'gap'],
  ])
    read.run(id, check);
  before
    .prepare(
      "INSERT INTO strikes (kind, capture_id, job_id, reason, slip, struck_by, struck_at) VALUES ('reading', 'd', 'j', 'x', 0, 'p', '')",
    )
    .run();
  const accept = before.prepare(
    "INSERT INTO check_acceptances (job_id, position_id, check_id, readings_mark, reason, by_id, at) VALUES ('j', 'ring', 'float', ?, 'r', 'p', ?)",
  );
  for (const [index, mark] of marks.entries()) accept.run(mark, String(index));
  before.close();
}

describe('an acceptance from before', () => {
  it('names the readings where their count and the last still match, else it lapses; none is lost', () => {
    shopBefore(['3:c', '2:b', '4:d']);
    db = openDb(path.join(folder, 'shop.sqlite'), ALL);
    expect(listAcceptances(db, 'j').map(({ readings }) => [...readings].sort())).toEqual([
      ['a', 'b', 'c'],
      ['2:b'],
      ['4:d'],
    ]);
    const held = db.prepare('SELECT DISTINCT held FROM readings').all();
    expect(held).toEqual([{ held: '' }]);
  });
});
