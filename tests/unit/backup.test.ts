import { createHash, randomBytes } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import Database from 'better-sqlite3';
import { pack } from 'tar-stream';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { backUp } from '@/server/backup/backUp';
import { dailyCopy } from '@/server/backup/dailyCopy';
import { lookThrough } from '@/server/backup/lookThrough';
import { restore } from '@/server/backup/restore';
import { openContext } from '@/server/instance';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { storePhotograph } from '@/server/photos/storePhotograph';
import { readRack } from '@/server/shop/readRack';
import { takeReading } from '@/server/strip/takeReading';
import {
  bookTestUnit,
  captureHead,
  filesIn,
  openTestShop,
  phoneJpeg,
  sha256Of,
  streamOf,
  type TestShop,
} from './fixtures/shop';

let shop: TestShop;
let jobId: string;
let place: string;
beforeEach(async () => {
  shop = openTestShop();
  jobId = bookTestUnit(shop);
  place = fs.mkdtempSync(path.join(os.tmpdir(), 'backup-'));
  for (let index = 0; index < 3; index += 1) await photograph();
});
afterEach(() => {
  shop.close();
  fs.rmSync(place, { recursive: true, force: true });
});

const NOW = new Date('2026-11-24T09:00:00.000Z');
const at = (name: string) => path.join(place, name);
async function photograph(): Promise<string> {
  const bytes = await phoneJpeg();
  const digest = sha256Of(bytes);
  const capture = {
    ...captureHead(jobId, shop.people.inspector),
    ...{ positionId: 'ring-gear', fileName: 'flank.jpg', bytes: bytes.length, digest },
  };
  await storePhotograph(shop.people.inspector, shop.context, { capture, body: streamOf(bytes) });
  return digest;
}
const read = (raw: string) =>
  takeReading(shop.people.inspector, shop.context, {
    ...captureHead(jobId, shop.people.inspector),
    ...{ positionId: 'ring-gear', checkId: 'backlash', place: 'tooth 1', raw, unit: 'mm', gaugeId: 'dial' },
  });
const fileOf = (folder: string, digest: string) =>
  path.join(folder, 'photographs', digest.slice(0, 2), digest);
const failing = (work: Promise<unknown>) =>
  work.then(
    () => 'it went through',
    (error: Error) => error.message,
  );

describe('a backup', () => {
  it('is made while the shop is written to, and comes back whole: every row and every photograph of that moment', async () => {
    let writing = true;
    const before = gatherSnapshot(shop.context.db, jobId).readings.length;
    const writer = (async () => {
      while (writing) {
        if (writing) read('0.18');
        await new Promise((resolve) => setImmediate(resolve));
      }
    })();
    const told = await backUp(shop.context.dataFolder, at('shop.tar'), NOW).finally(() => {
      writing = false;
    });
    await writer;
    expect(told).toMatchObject({ files: 4, missing: [], altered: [] });
    expect(fs.readdirSync(place)).toEqual(['shop.tar']);
    await restore(at('shop.tar'), at('again'));
    expect(await lookThrough(at('again'))).toMatchObject({
      database: 'ok',
      photographs: 3,
      missing: [],
      altered: [],
    });
    const again = openContext(at('again'), () => NOW);
    const [there, here] = [gatherSnapshot(again.db, jobId), gatherSnapshot(shop.context.db, jobId)];
    again.db.close();
    // What was written while it was made is in it up to some moment, in order, and nothing else.
    expect(there.readings.length).toBeGreaterThanOrEqual(before);
    expect(there.readings).toEqual(here.readings.slice(0, there.readings.length));
    expect(there.photographs).toEqual(here.photographs);
    expect(filesIn(at('again/photographs')).sort()).toEqual(
      filesIn(path.join(shop.context.dataFolder, 'photographs')).sort(),
    );
  });

  it('begins another life: nobody is signed in, and a device’s cursor is of a shop that was', async () => {
    const life = (file: string) => {
      const db = new Database(file, { readonly: true });
      const found = db.prepare('SELECT life FROM stream').pluck().get();
      const sessions = db.prepare('SELECT count(*) FROM sessions').pluck().get();
      db.close();
      return { found, sessions };
    };
    shop.context.db
      .prepare(
        "INSERT INTO sessions (token_hash, person_id, created_at, expires_at) VALUES ('t', ?, '', '2027-01-01')",
      )
      .run(shop.people.lead.id);
    await backUp(shop.context.dataFolder, at('shop.tar'), NOW);
    await restore(at('shop.tar'), at('again'));
    const [was, is] = [
      life(path.join(shop.context.dataFolder, 'shop.sqlite')),
      life(at('again/shop.sqlite')),
    ];
    expect(is.found).not.toBe(was.found);
    expect([was.sessions, is.sessions]).toEqual([1, 0]);
  });

  it('writes over nothing, and restores into an empty folder only', async () => {
    await backUp(shop.context.dataFolder, at('shop.tar'), NOW);
    expect(await failing(backUp(shop.context.dataFolder, at('shop.tar'), NOW))).toContain('is there already');
    fs.mkdirSync(at('full'));
    fs.writeFileSync(at('full/mine.txt'), 'x');
    expect(await failing(restore(at('shop.tar'), at('full')))).toContain('is not empty');
    expect(fs.readdirSync(at('full'))).toEqual(['mine.txt']);
    expect(await failing(backUp(at('nowhere'), at('b.tar'), NOW))).toContain('There is no shop');
    expect(await failing(restore(at('none.tar'), at('again')))).toContain('There is no file');
  });

  it('that was damaged on its way is refused, and leaves nothing behind', async () => {
    await backUp(shop.context.dataFolder, at('shop.tar'), NOW);
    const whole = fs.readFileSync(at('shop.tar'));
    const damaged = (name: string, change: (bytes: Buffer) => Buffer) => {
      fs.writeFileSync(at(name), change(Buffer.from(whole)));
      return failing(restore(at(name), at('again')));
    };
    const digest = gatherSnapshot(shop.context.db, jobId).photographs[0]!.digest;
    const middle = whole.indexOf(Buffer.from(digest)) + 600;
    expect(
      await damaged('flipped.tar', (bytes) => {
        bytes[middle] = bytes[middle]! ^ 0xff;
        return bytes;
      }),
    ).toContain('is not what was backed up');
    expect(await damaged('half.tar', (bytes) => bytes.subarray(0, bytes.length / 2))).toMatch(
      /no backup, or not whole/,
    );
    expect(await damaged('noise.tar', () => randomBytes(4096))).toMatch(/no backup, or not whole/);
    expect(fs.existsSync(at('again'))).toBe(false);
    expect(fs.readdirSync(place).filter((name) => name.includes('restoring'))).toEqual([]);
  });

  it('that names places outside a shop’s folder puts nothing there', async () => {
    for (const name of ['../escaped', '/etc/escaped', 'photographs/../../escaped', 'cli/serve.ts']) {
      const tar = pack();
      tar.entry({ name }, 'x');
      tar.finalize();
      const chunks: Buffer[] = [];
      for await (const chunk of tar) chunks.push(chunk as Buffer);
      fs.writeFileSync(at('evil.tar'), Buffer.concat(chunks));
      expect(await failing(restore(at('evil.tar'), at('again'))), name).toContain(
        'does not belong into a backup',
      );
    }
    expect(fs.readdirSync(place)).toEqual(['evil.tar']);
  });

  it('tells what is missing or altered in the shop itself, and holds the rest', async () => {
    const [first, second] = gatherSnapshot(shop.context.db, jobId).photographs.map(({ digest }) => digest);
    fs.rmSync(fileOf(shop.context.dataFolder, first!));
    fs.appendFileSync(fileOf(shop.context.dataFolder, second!), 'x');
    const { missing, altered } = await backUp(shop.context.dataFolder, at('shop.tar'), NOW);
    expect(missing).toEqual([expect.stringContaining(first!)]);
    expect(altered).toEqual([expect.stringContaining(second!)]);
    expect(await restore(at('shop.tar'), at('again'))).toMatchObject({ missing: [expect.any(String)] });
    expect(await lookThrough(shop.context.dataFolder)).toMatchObject({
      missing: [first],
      altered: [second],
      database: 'ok',
    });
  });
});

describe('the daily copy', () => {
  const copies = () => fs.readdirSync(at('daily')).filter((name) => name.endsWith('.sqlite'));
  it('is made once a day, the last seven kept, each photograph once', async () => {
    for (let day = 1; day <= 9; day += 1) {
      shop.setTime(`2026-12-0${day}T09:00:00.000Z`);
      expect(await dailyCopy(shop.context, at('daily'))).toEqual({ made: true, trouble: [] });
      if (day === 4) await photograph();
      expect(await dailyCopy(shop.context, at('daily'))).toEqual({ made: false, trouble: [] });
    }
    expect(copies()).toEqual([3, 4, 5, 6, 7, 8, 9].map((day) => `shop-2026-12-0${day}.sqlite`));
    const photographs = filesIn(at('daily/photographs'));
    expect(photographs).toHaveLength(4);
    for (const digest of photographs)
      expect(
        createHash('sha256')
          .update(fs.readFileSync(fileOf(at('daily'), digest)))
          .digest('hex'),
      ).toBe(digest);
    const db = new Database(at('daily/shop-2026-12-09.sqlite'), { readonly: true });
    expect(db.prepare('SELECT count(*) FROM photographs').pluck().get()).toBe(4);
    db.close();
  });
  it('is told on the rack where it isn’t made, and not where yesterday’s stands', () => {
    const { lead } = shop.people;
    const dangersWith = (dailyCopyFolder?: string) =>
      readRack(lead, { ...shop.context, now: () => new Date('2026-12-05T10:00:00Z'), dailyCopyFolder }, {})
        .dangers;
    expect(dangersWith()).toEqual([]);
    expect(dangersWith(at('nowhere'))[0]).toMatch(/No daily copy of the shop is there/);
    // A disk that isn’t mounted as a folder breaks no rack.
    fs.writeFileSync(at('a-file'), '');
    expect(dangersWith(at('a-file'))[0]).toMatch(/No daily copy of the shop is there/);
    fs.mkdirSync(at('daily'));
    fs.writeFileSync(at('daily/shop-2026-12-03.sqlite'), '');
    expect(dangersWith(at('daily'))).toEqual([
      'The last daily copy of the shop is of 3 Dec 2026. The server’s log says why there is none since.',
    ]);
    fs.writeFileSync(at('daily/shop-2026-12-04.sqlite'), '');
    expect(dangersWith(at('daily'))).toEqual([]);
  });
  it('a disk that is nearly full is told before it is', () => {
    const statfs = vi.spyOn(fs, 'statfsSync');
    const dangersAt = (blocks: number) => {
      statfs.mockReturnValueOnce({ bavail: blocks, bsize: 4096 } as fs.StatsFs);
      return readRack(shop.people.lead, shop.context, {}).dangers;
    };
    // 4 096 bytes a block: 300 000 are 1.2 GB.
    expect(dangersAt(300_000)[0]).toMatch(/nearly full: 1\.2 GB are left/);
    expect(dangersAt(600_000)).toEqual([]);
    statfs.mockRestore();
  });
  it('copies no photograph that isn’t what was stored, and tells it', async () => {
    const [first] = gatherSnapshot(shop.context.db, jobId).photographs.map(({ digest }) => digest);
    fs.appendFileSync(fileOf(shop.context.dataFolder, first!), 'x');
    expect(await dailyCopy(shop.context, at('daily'))).toEqual({ made: true, trouble: [first] });
    expect(filesIn(at('daily/photographs'))).toHaveLength(2);
  });
});
