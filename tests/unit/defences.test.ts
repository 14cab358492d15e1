import fs from 'node:fs';
import path from 'node:path';
import * as v from 'valibot';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { trialDrawing } from '@/core/unit-type/trialDrawing';
import { DaySchema, InstantSchema } from '@/model/day';
import { words } from '@/model/ids';
import { UnitTypeSchema } from '@/model/unitType';
import { bookIn } from '@/server/book-in/bookIn';
import { openContext } from '@/server/instance';
import { describePart } from '@/server/job/describePart';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { adoptSheet, reviseSheet } from '@/server/limits/sheets';
import { pixelsOnly } from '@/server/photos/pixelsOnly';
import { readPhotograph, readPhotographPixels } from '@/server/photos/readPhotograph';
import { storePhotograph } from '@/server/photos/storePhotograph';
import { takeReading } from '@/server/strip/takeReading';
import { bringInType, copyType, exportType, lookAtType } from '@/server/unit-types/exchange';
import {
  bookTestUnit,
  captureHead,
  openTestShop,
  phoneJpeg,
  refusalOf as refused,
  sha256Of,
  streamOf,
  type TestShop,
} from './fixtures/shop';

/* What was found by attacking the shop on its own machine: each stays shut. */

let shop: TestShop;
let jobId: string;
beforeEach(() => {
  shop = openTestShop();
  jobId = bookTestUnit(shop);
});
afterEach(() => shop.close());
const snapshot = (id = jobId) => gatherSnapshot(shop.context.db, id);

describe('a day', () => {
  it.each(['2026-02-31', '2026-13-01', '2026-00-10', '2026-02-29', '31 Feb'])('is not %s', (day) => {
    expect(v.safeParse(DaySchema, day).success).toBe(false);
  });
  it('is the 29th of February in its year, and an instant lies on a day too', () => {
    expect(v.safeParse(DaySchema, '2028-02-29').success).toBe(true);
    expect(v.safeParse(InstantSchema, '2026-02-31T09:00:00.000Z').success).toBe(false);
    expect(v.safeParse(InstantSchema, '2026-02-28T09:00:00.000Z').success).toBe(true);
  });
  it('that doesn’t exist is refused at the counter in words, and no list breaks', () => {
    const asked = () =>
      bookIn(shop.people.inspector, shop.context, {
        ...{ peg: 90, customer: 'c', customerContact: '', machine: 'm', unitTypeId: 'torvane-hx41' },
        ...{ unitTitle: 't', unitFamily: 'hypoid-axle', serial: '', tag: '', complaint: 'c', symptoms: [] },
        ...{ oilClaimed: '', history: '', dueOn: '2026-02-31' },
      });
    expect(refused(asked).message).toBe('Due on: there is no such day.');
  });
});

describe('a type under a job', () => {
  const read = () =>
    takeReading(shop.people.inspector, shop.context, {
      ...captureHead(jobId, shop.people.inspector),
      ...{
        positionId: 'ring-gear',
        checkId: 'back-face-runout',
        place: '',
        raw: '0.05',
        unit: 'mm',
        gaugeId: 'dial',
      },
    });
  it('never comes to ask for another quantity than its readings have', () => {
    read();
    const { unitType, job } = snapshot();
    const checks = unitType.checks.map((check) =>
      check.id === 'back-face-runout'
        ? { ...check, unit: 'Nm' as const, limits: [], typical: undefined }
        : check,
    );
    reviseSheet(shop.people.lead, shop.context, {
      ...{ unitTypeId: unitType.id, basedOnRevision: unitType.revision, note: 'torque now' },
      checks: JSON.parse(JSON.stringify(checks)),
    });
    const adopt = () =>
      adoptSheet(shop.people.lead, shop.context, {
        jobId,
        version: job.version,
        revision: unitType.revision + 1,
      });
    expect(refused(adopt).message).toContain('has readings in mm; here it would ask for N·m');
    expect(snapshot().unitType.revision).toBe(unitType.revision);
  });
  it('that can’t be drawn isn’t stored, though every field of it is right', () => {
    const type = shippedUnitTypes().find(({ id }) => id === 'ostrevik-w3')!;
    const emptied = structuredClone(type) as typeof type & { id: string };
    for (const position of emptied.positions)
      if (position.draw?.shape === 'shaft') (position.draw as { steps: unknown[] }).steps = [];
    Object.assign(emptied, { id: 'emptied' });
    const looked = lookAtType(shop.people.lead, shop.context, { text: JSON.stringify(emptied) });
    expect(looked.mayBeStored).toBe(false);
    expect(looked.faults.some(({ blocks }) => blocks === 'section')).toBe(true);
    const bring = () =>
      bringInType(shop.people.lead, shop.context, { text: JSON.stringify(emptied), note: 'x', revision: 1 });
    expect(refused(bring).message).toContain('Nothing was stored');
  });
  it('of six hundred castings is told to be too much, not a failure', () => {
    const type = shippedUnitTypes().find(({ id }) => id === 'torvane-hx41')!;
    const housing = type.positions.find(({ family }) => family === 'housing')!;
    const many = Array.from({ length: 520 }, (_, index) => ({
      ...housing,
      id: `hull-${index}`,
      name: `Hull ${index}`,
    }));
    const parsed = v.safeParse(UnitTypeSchema, { ...type, positions: [...type.positions, ...many] });
    if (parsed.success) expect(() => trialDrawing(parsed.output)).not.toThrow();
    expect(v.safeParse(UnitTypeSchema, { ...type, positions: Array(601).fill(housing) }).success).toBe(false);
  }, 60_000);
});

describe('a type of one job', () => {
  it('is known by its row, not by its name: import and copy refuse the name', () => {
    const out = exportType(shop.people.lead, shop.context, { unitTypeId: 'torvane-hx41' });
    const look = lookAtType(shop.people.lead, shop.context, {
      text: JSON.stringify({ ...out, id: 'own-777' }),
    });
    expect(look).toMatchObject({ mayBeStored: false });
    const copy = () =>
      copyType(shop.people.lead, shop.context, {
        unitTypeId: 'torvane-hx41',
        newId: 'own-777',
        title: 'Mine',
      });
    expect(refused(copy).message).toContain('kept for units of one job');
  });
  it('gets another name where a shop from before has a shared type of that name', () => {
    shop.context.db
      .prepare(
        "INSERT INTO unit_types SELECT 'own-640', 1, title, family, NULL, document_json, stored_at, stored_by, note FROM unit_types WHERE id = 'torvane-hx41'",
      )
      .run();
    const own = bookTestUnit(shop, { peg: 640, unitTypeId: undefined });
    expect(snapshot(own).job).toMatchObject({ unitTypeId: 'own-640-2', ownType: true });
    expect(snapshot().job).not.toHaveProperty('ownType');
    const add = (id: string) =>
      describePart(shop.people.lead, shop.context, {
        ...{ jobId: id, version: snapshot(id).job.version, name: 'Odd bush', family: 'bush-washer-pin' },
      });
    expect(refused(() => add(jobId)).message).toContain('is shared');
    expect(add(own).positionId).toBeTruthy();
  });
});

describe('a photograph whose file was altered', () => {
  it('is never shown, measured or printed as what was taken', async () => {
    const bytes = await phoneJpeg();
    const digest = sha256Of(bytes);
    const capture = {
      ...captureHead(jobId, shop.people.inspector),
      ...{ positionId: 'ring-gear', fileName: 'flank.jpg', bytes: bytes.length, digest },
    };
    await storePhotograph(shop.people.inspector, shop.context, { capture, body: streamOf(bytes) });
    const show = () =>
      readPhotograph(shop.people.inspector, shop.context, { jobId, photographId: capture.id, size: 320 });
    expect(fs.existsSync(await show())).toBe(true);
    const file = path.join(shop.context.dataFolder, 'photographs', digest.slice(0, 2), digest);
    fs.writeFileSync(file, await phoneJpeg());
    // Also where a small one lies there that was made of the right one.
    await expect(show()).rejects.toMatchObject({
      code: 'altered',
      message: expect.stringContaining('does not match'),
    });
    await expect(
      readPhotographPixels(shop.people.inspector, shop.context, { jobId, photographId: capture.id }),
    ).rejects.toMatchObject({ code: 'altered' });
    fs.rmSync(file);
    await expect(show()).rejects.toMatchObject({ code: 'not-found' });
  });
});

describe('what a camera writes beside a picture', () => {
  const EXIF = Buffer.from('Exif\0\0MM\0*\0\0\0\x08\0\0GPS-SECRET', 'latin1');
  const segment = (marker: number, body: Buffer) => {
    const head = Buffer.from([0xff, marker, 0, 0]);
    head.writeUInt16BE(body.length + 2, 2);
    return Buffer.concat([head, body]);
  };
  it.each<[string, (jpeg: Buffer) => Buffer]>([
    [
      'before the picture',
      (jpeg) => Buffer.concat([jpeg.subarray(0, 2), segment(0xe1, EXIF), jpeg.subarray(2)]),
    ],
    [
      'in a second picture behind it',
      (jpeg) => Buffer.concat([jpeg, jpeg.subarray(0, 2), segment(0xe1, EXIF), jpeg.subarray(2)]),
    ],
    ['in plain bytes behind it', (jpeg) => Buffer.concat([jpeg, EXIF])],
    [
      'behind a segment that lies about its length',
      (jpeg) => {
        const lying = segment(0xe5, Buffer.from('x'));
        lying.writeUInt16BE(60_000, 2);
        return Buffer.concat([jpeg.subarray(0, 2), lying, segment(0xe1, EXIF), jpeg.subarray(2)]);
      },
    ],
  ])('never goes out: %s', async (_, made) => {
    const told = await pixelsOnly(made(await phoneJpeg())).catch(() => undefined);
    // What can't be read through is refused, or decoded and stored anew; it never goes out as it came.
    if (told) expect(told.bytes.includes('GPS-SECRET')).toBe(false);
  });
});

describe('words that a person types', () => {
  it('carry nothing that can’t be seen', () => {
    expect(v.parse(words(40), 'gear\u202Egpj.exe\0 box\u2066 ')).toBe('geargpj.exe box');
    expect(v.parse(words(40), 'two\nlines\tstay')).toBe('two\nlines\tstay');
  });
});

describe('what a process left that died', () => {
  it('is swept at the start of the shop, and nothing else', async () => {
    const incoming = path.join(shop.context.dataFolder, 'incoming');
    fs.mkdirSync(incoming, { recursive: true });
    fs.writeFileSync(path.join(incoming, 'half-a-photograph'), 'x');
    const { sweepIncoming } = await import('@/server/files');
    sweepIncoming(shop.context.dataFolder);
    expect(fs.readdirSync(incoming)).toEqual([]);
    openContext(shop.context.dataFolder).db.close();
    expect(snapshot().job.id).toBe(jobId);
  });
});
