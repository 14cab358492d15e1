import path from 'node:path';
import { deflateSync } from 'node:zlib';
import sharp from 'sharp';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { readChanges } from '@/db/changeLog';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { readConflictingPhotograph } from '@/server/photos/readPhotograph';
import { storePhotograph } from '@/server/photos/storePhotograph';
import { noteFinding } from '@/server/strip/noteFinding';
import { strikeCapture } from '@/server/strip/strikeCapture';
import { takeReading } from '@/server/strip/takeReading';
import {
  bookTestUnit,
  captureHead,
  filesIn,
  openTestShop,
  phoneJpeg,
  refusalOf,
  sha256Of,
  streamOf,
  type TestShop,
} from './fixtures/shop';

let shop: TestShop;
let jobId: string;
beforeEach(() => {
  shop = openTestShop();
  jobId = bookTestUnit(shop);
});
afterEach(() => shop.close());

const reading = (raw: string, over: object = {}) => ({
  ...captureHead(jobId, shop.people.inspector),
  positionId: 'ring-gear',
  checkId: 'backlash',
  place: 'tooth 1',
  raw,
  unit: 'mm' as const,
  gaugeId: 'dial',
  ...over,
});
const readings = () => gatherSnapshot(shop.context.db, jobId).readings;

describe('a reading', () => {
  it('is stored once, however often it is sent', () => {
    const capture = reading('0.21');
    expect(takeReading(shop.people.inspector, shop.context, capture).stored).toBe('now');
    expect(takeReading(shop.people.inspector, shop.context, capture).stored).toBe('already');
    expect(readings()).toHaveLength(1);
    expect(readings()[0]).toMatchObject({
      raw: '0.21',
      value: 0.21,
      author: 'The inspector',
      receivedAt: '2026-11-24T09:00:00.000Z',
    });
  });

  it('keeps what was taken in thou, with the value in millimetres beside it', () => {
    takeReading(shop.people.inspector, shop.context, reading('10', { unit: 'thou' }));
    // 1 thou = 0.0254 mm exactly.
    expect(readings()[0]).toMatchObject({ raw: '10', unit: 'thou', value: 0.254 });
  });

  it.each([
    ['1,2,3', {}, 'not one number'],
    ['', {}, 'no figures'],
    ['0.2', { unit: 'Nm' }, 'not in N·m'],
    ['0.2', { place: 'tooth 99' }, 'no place'],
    ['0.2', { gaugeId: 'borrowed' }, 'not on the list'],
    ['0.2', { positionId: 'flywheel' }, 'no part'],
    ['0.2', { jobId: 'another' }, 'no such job'],
  ])('refuses %j %j in words and stores nothing', (raw, over, words) => {
    const refusal = refusalOf(() => takeReading(shop.people.inspector, shop.context, reading(raw, over)));
    expect(refusal.message.toLowerCase()).toContain(words.toLowerCase());
    expect(readings()).toEqual([]);
  });

  it('keeps both when other content comes under the same id, and counts the first', () => {
    const capture = reading('0.21');
    takeReading(shop.people.inspector, shop.context, capture);
    const refusal = refusalOf(() =>
      takeReading(shop.people.inspector, shop.context, { ...capture, raw: '0.27' }),
    );
    expect(refusal.status).toBe(409);
    const { conflicts, readings: stored } = gatherSnapshot(shop.context.db, jobId);
    expect(stored.map(({ raw }) => raw)).toEqual(['0.21']);
    expect(conflicts.map(({ content }) => content.raw)).toEqual(['0.27']);
  });

  it('waits for its author when a colleague is signed in', () => {
    expect(refusalOf(() => takeReading(shop.people.lead, shop.context, reading('0.21'))).code).toBe(
      'other-author',
    );
    expect(readings()).toEqual([]);
  });

  it('is struck out, never deleted; striking twice is harmless', () => {
    const capture = reading('0.21');
    takeReading(shop.people.inspector, shop.context, capture);
    const strike = { kind: 'reading' as const, captureId: capture.id, reason: 'plunger slipped' };
    strikeCapture(shop.people.lead, shop.context, strike);
    strikeCapture(shop.people.lead, shop.context, { ...strike, reason: 'again' });
    expect(readings()[0]).toMatchObject({
      raw: '0.21',
      struck: { by: 'The lead', reason: 'plunger slipped', slip: false },
    });
  });

  it('lets an apprentice strike out only what he took', () => {
    const capture = reading('0.21');
    takeReading(shop.people.inspector, shop.context, capture);
    expect(
      refusalOf(() =>
        strikeCapture(shop.people.apprentice, shop.context, {
          kind: 'reading',
          captureId: capture.id,
          reason: 'no',
        }),
      ).status,
    ).toBe(403);
    expect(readings()[0]?.struck).toBeNull();
  });

  it('leaves a line in the change log for each write and none for a repeat', () => {
    const capture = reading('0.21');
    takeReading(shop.people.inspector, shop.context, capture);
    takeReading(shop.people.inspector, shop.context, capture);
    const lines = readChanges(shop.context.db, jobId).filter(({ topic }) => topic === 'reading');
    expect(lines).toHaveLength(1);
    expect(JSON.parse(lines[0]?.after_json ?? '{}')).toMatchObject({ raw: '0.21' });
  });
});

describe('a finding', () => {
  it('takes only the words of the part’s own family', () => {
    const finding = {
      ...captureHead(jobId, shop.people.inspector),
      positionId: 'ring-gear',
      mode: 'glazed',
      place: 'drive flank',
      severity: 'light' as const,
    };
    expect(refusalOf(() => noteFinding(shop.people.inspector, shop.context, finding)).message).toContain(
      'not a word for Ring gear',
    );
    noteFinding(shop.people.inspector, shop.context, { ...finding, mode: 'scuffing' });
    expect(gatherSnapshot(shop.context.db, jobId).findings.map(({ mode }) => mode)).toEqual(['scuffing']);
  });
});

describe('a photograph', () => {
  const announce = (bytes: Buffer, over: object = {}) => ({
    ...captureHead(jobId, shop.people.inspector),
    positionId: 'ring-gear',
    fileName: 'flank.jpg',
    bytes: bytes.length,
    digest: sha256Of(bytes),
    ...over,
  });
  const store = (bytes: Buffer, capture: ReturnType<typeof announce>) =>
    storePhotograph(shop.people.inspector, shop.context, { capture, body: streamOf(bytes) });
  const stored = () => filesIn(path.join(shop.context.dataFolder, 'photographs'));
  const leftAside = () => filesIn(path.join(shop.context.dataFolder, 'incoming'));

  it('may be of a step of the strip instead of a part, and of no step of another unit', async () => {
    const bytes = await phoneJpeg();
    const at = { positionId: undefined, station: 'strip', stepId: 'case-out' };
    await store(bytes, announce(bytes, at));
    expect(gatherSnapshot(shop.context.db, jobId).photographs).toMatchObject([
      { positionId: null, station: 'strip', stepId: 'case-out' },
    ]);
    await expect(store(bytes, announce(bytes, { ...at, stepId: 'tail-off' }))).rejects.toThrow(
      'no step “tail-off”',
    );
  });

  it('arrives whole, upright, with the camera’s own time, once', async () => {
    const bytes = await phoneJpeg();
    const capture = announce(bytes);
    expect((await store(bytes, capture)).stored).toBe('now');
    expect((await store(bytes, capture)).stored).toBe('already');
    expect(stored()).toEqual([sha256Of(bytes)]);
    // 64 × 48 stored on its side: upright it is 48 wide and 64 high.
    expect(gatherSnapshot(shop.context.db, jobId).photographs).toMatchObject([
      { width: 48, height: 64, mime: 'image/jpeg', takenAt: '2026-11-23T16:40:05' },
    ]);
    expect(leftAside()).toEqual([]);
  });

  it.each<[string, (good: Buffer) => { bytes: Buffer; over?: object }, string]>([
    [
      'cut off on the way',
      (good) => ({ bytes: good.subarray(0, 200), over: { bytes: good.length, digest: sha256Of(good) } }),
      'did not arrive whole',
    ],
    [
      'that is no picture',
      () => ({ bytes: Buffer.from('%PDF-1.7 no picture at all') }),
      'no JPEG, PNG, WebP or HEIC',
    ],
    [
      'in HEIC',
      () => ({
        bytes: Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic'), Buffer.alloc(40)]),
      }),
      'HEIC',
    ],
    ['that breaks off inside', (good) => ({ bytes: good.subarray(0, good.length * 0.6) }), 'damaged'],
    ['announced as too large', (good) => ({ bytes: good, over: { bytes: 60_000_000 } }), 'larger than 50 MB'],
  ])('%s is refused with a sentence and leaves nothing behind', async (_, make, words) => {
    const { bytes, over } = make(await phoneJpeg());
    await expect(store(bytes, announce(bytes, over))).rejects.toThrow(words);
    expect(stored()).toEqual([]);
    expect(leftAside()).toEqual([]);
    expect(gatherSnapshot(shop.context.db, jobId).photographs).toEqual([]);
  });

  it('that came second under the same mark is kept too, and can be looked at beside the first', async () => {
    const [first, second] = [
      await phoneJpeg(),
      await sharp({ create: { width: 50, height: 40, channels: 3, background: '#204060' } })
        .jpeg()
        .toBuffer(),
    ];
    const capture = announce(first);
    await store(first, capture);
    await expect(
      store(second, { ...capture, bytes: second.length, digest: sha256Of(second) }),
    ).rejects.toMatchObject({ status: 409 });
    const { photographs, conflicts } = gatherSnapshot(shop.context.db, jobId);
    expect(photographs.map(({ digest }) => digest)).toEqual([sha256Of(first)]);
    expect(conflicts.map(({ content }) => content.digest)).toEqual([sha256Of(second)]);
    const shown = await readConflictingPhotograph(shop.people.lead, shop.context, {
      jobId,
      digest: sha256Of(second),
    });
    expect(await sharp(shown).metadata()).toMatchObject({ width: 50, height: 40 });
    const other = bookTestUnit(shop, { peg: 502 });
    await expect(
      readConflictingPhotograph(shop.people.lead, shop.context, { jobId: other, digest: sha256Of(second) }),
    ).rejects.toMatchObject({ status: 404 });
  });

  it('of 30 000 × 30 000 pixels is refused by its head, before anything is unpacked', async () => {
    const bytes = hugePng();
    await expect(store(bytes, announce(bytes))).rejects.toThrow('30000 × 30000 pixels');
    expect(stored()).toEqual([]);
  });
});

/** A PNG whose head promises 30 000 × 30 000 pixels; of the pixels themselves only the beginning is there. */
function hugePng(): Buffer {
  const size = Buffer.alloc(8);
  size.writeUInt32BE(30_000, 0);
  size.writeUInt32BE(30_000, 4);
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', Buffer.concat([size, Buffer.from([8, 2, 0, 0, 0])])),
    chunk('IDAT', deflateSync(Buffer.alloc(90_001))),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

function chunk(type: string, data: Buffer): Buffer {
  const body = Buffer.concat([Buffer.from(type), data]);
  const length = Buffer.alloc(4);
  length.writeUInt32BE(data.length);
  const crc = Buffer.alloc(4);
  crc.writeUInt32BE(crc32(body));
  return Buffer.concat([length, body, crc]);
}

/** As the PNG specification gives it in its annex. */
function crc32(bytes: Buffer): number {
  let crc = ~0;
  for (const byte of bytes) {
    crc ^= byte;
    for (let bit = 0; bit < 8; bit += 1) crc = (crc >>> 1) ^ (crc & 1 ? 0xedb88320 : 0);
  }
  return ~crc >>> 0;
}
