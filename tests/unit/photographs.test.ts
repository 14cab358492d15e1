import fs from 'node:fs';
import path from 'node:path';
import sharp from 'sharp';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { decideUnit } from '@/server/decide/decide';
import { setGrade } from '@/server/grade/setGrade';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { decodePicture } from '@/server/photos/decodePicture';
import { pixelsOnly } from '@/server/photos/pixelsOnly';
import { printScaleCard } from '@/server/photos/printScaleCard';
import {
  filePhotographUnder,
  listLikePhotographs,
  readPhotograph,
  readPhotographPixels,
} from '@/server/photos/readPhotograph';
import { storePhotograph } from '@/server/photos/storePhotograph';
import { readPhotographTile } from '@/server/photos/tiles';
import { issueReport, readReport } from '@/server/report/issueReport';
import { printReport } from '@/server/report/printReport';
import { noteFinding } from '@/server/strip/noteFinding';
import { strikeCapture } from '@/server/strip/strikeCapture';
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

const HEIC = fs.readFileSync(path.join(import.meta.dirname, '../fixtures/phone.heic'));

let shop: TestShop;
let jobId: string;
beforeEach(() => {
  shop = openTestShop();
  jobId = bookTestUnit(shop);
});
afterEach(() => shop.close());

async function store(bytes: Buffer, over: object = {}): Promise<string> {
  const capture = {
    ...captureHead(jobId, shop.people.inspector),
    ...{ positionId: 'ring-gear', fileName: 'flank.jpg', bytes: bytes.length, digest: sha256Of(bytes) },
    ...over,
  };
  await storePhotograph(shop.people.inspector, shop.context, { capture, body: streamOf(bytes) });
  return capture.id;
}
const only = () => gatherSnapshot(shop.context.db, jobId).photographs[0]!;
const read = [() => shop.people.inspector, () => shop.context] as const;

describe('a phone’s HEIC picture', () => {
  it('is kept untouched with a JPEG beside it, upright and in its own colours', async () => {
    const photographId = await store(HEIC, { fileName: 'IMG_7.heic' });
    expect(only()).toMatchObject({
      ...{ width: 160, height: 120, mime: 'image/heic', fileName: 'IMG_7.heic' },
    });
    const folder = path.join(shop.context.dataFolder, 'photographs');
    const digest = sha256Of(HEIC);
    expect(filesIn(folder).sort()).toEqual([digest, `${digest}.jpg`]);
    expect(fs.readFileSync(path.join(folder, digest.slice(0, 2), digest)).equals(HEIC)).toBe(true);
    const small = await readPhotograph(read[0](), read[1](), { jobId, photographId, size: 320 });
    const { data, info } = await sharp(small).raw().toBuffer({ resolveWithObject: true });
    const at = (x: number, y: number) => [
      ...data.subarray((y * info.width + x) * 3, (y * info.width + x) * 3 + 3),
    ];
    // As it was painted: red (200, 40, 30) on the left, blue (30, 60, 190) on the right.
    at(20, 60).forEach((level, channel) => {
      expect(Math.abs(level - [200, 40, 30][channel]!)).toBeLessThan(12);
    });
    at(140, 60).forEach((level, channel) => {
      expect(Math.abs(level - [30, 60, 190][channel]!)).toBeLessThan(12);
    });
  });

  it('is decoded by the command line’s reader too', async () => {
    const picture = await decodePicture(path.join(import.meta.dirname, '../fixtures/phone.heic'));
    expect([picture.width, picture.height, picture.channels]).toEqual([160, 120, 3]);
  });

  it('that breaks off is refused, and nothing of it stays', async () => {
    await expect(store(HEIC.subarray(0, HEIC.length * 0.7), { fileName: 'half.heic' })).rejects.toThrow(
      'HEIC',
    );
    expect(filesIn(path.join(shop.context.dataFolder, 'photographs'))).toEqual([]);
    expect(filesIn(path.join(shop.context.dataFolder, 'incoming'))).toEqual([]);
  });
});

describe('files that are no plain photograph', () => {
  it.each<[string, () => Promise<Buffer> | Buffer, RegExp]>([
    [
      'a camera’s raw file',
      () => Buffer.concat([Buffer.from('II*\0\x10\0\0\0CR\x02\0'), Buffer.alloc(60)]),
      /raw file/,
    ],
    [
      'an SVG',
      () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>'),
      /no JPEG, PNG/,
    ],
    ['a JPEG cut off', async () => (await phoneJpeg()).subarray(0, 900), /damaged|no JPEG/],
  ])('%s is refused with a sentence, nothing is stored', async (_, make, words) => {
    const bytes = await make();
    await expect(store(bytes)).rejects.toThrow(words);
    expect(filesIn(path.join(shop.context.dataFolder, 'photographs'))).toEqual([]);
    expect(gatherSnapshot(shop.context.db, jobId).photographs).toEqual([]);
  });

  it('a picture with a web page glued to its end is shown as a picture only', async () => {
    const glued = Buffer.concat([await phoneJpeg(), Buffer.from('<html><script>alert(1)</script></html>')]);
    const photographId = await store(glued);
    const shown = fs.readFileSync(
      await readPhotograph(read[0](), read[1](), { jobId, photographId, size: 1280 }),
    );
    expect(shown.includes('<script>')).toBe(false);
  });

  it.each([
    ['CMYK', () => sharp(grey(60, 40)).toColourspace('cmyk').jpeg().toBuffer()],
    ['sixteen bits a channel', () => sharp(grey(60, 40)).toColourspace('rgb16').png().toBuffer()],
  ])('a picture in %s is decoded to eight bits of sRGB', async (_, make) => {
    const file = path.join(shop.context.dataFolder, 'odd');
    fs.writeFileSync(file, await make());
    const picture = await decodePicture(file);
    expect([picture.width, picture.height, picture.channels]).toEqual([60, 40, 3]);
    // The grey that was put in, through the other colour space and back.
    for (const level of picture.data.subarray(0, 3)) expect(Math.abs(level - 128)).toBeLessThan(30);
  });
});

const grey = (width: number, height: number) =>
  ({ create: { width, height, channels: 3, background: { r: 128, g: 128, b: 128 } } }) as const;

describe('the pixels for measuring', () => {
  it('are the original’s own, without the place where it was taken, and turned the same way', async () => {
    const original = await sharp(grey(64, 48))
      .composite([{ input: Buffer.from(NOISE), left: 0, top: 0 }])
      .withMetadata({ orientation: 6 })
      .withExifMerge({
        IFD0: { Model: 'Pocket 5' },
        IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '46/1 30/1 0/1' },
      })
      .jpeg()
      .toBuffer();
    expect((await sharp(original).metadata()).exif?.includes('Pocket 5')).toBe(true);
    const photographId = await store(original);
    const { bytes, mime } = await readPhotographPixels(read[0](), read[1](), { jobId, photographId });
    expect(mime).toBe('image/jpeg');
    const { exif, orientation, width } = await sharp(bytes).metadata();
    expect([orientation, width]).toEqual([6, 64]);
    expect(exif?.includes('Pocket 5') || exif?.includes('GPS') || (exif?.length ?? 0) > 60).toBe(false);
    const raw = (source: Buffer) => sharp(source).autoOrient().raw().toBuffer();
    expect((await raw(bytes)).equals(await raw(original))).toBe(true);
  });

  it('of a PNG come without loss', async () => {
    const original = await sharp(grey(40, 30))
      .png()
      .withExif({ IFD0: { Model: 'Pocket 5' } })
      .toBuffer();
    const { bytes, mime } = await pixelsOnly(original);
    expect(mime).toBe('image/png');
    expect((await sharp(bytes).metadata()).exif).toBeUndefined();
    expect((await sharp(bytes).raw().toBuffer()).equals(await sharp(original).raw().toBuffer())).toBe(true);
  });
});

const NOISE =
  '<svg xmlns="http://www.w3.org/2000/svg" width="64" height="48"><circle cx="20" cy="20" r="12" fill="red"/></svg>';

describe('looking closely', () => {
  const big = () =>
    sharp({ create: { width: 1500, height: 1100, channels: 3, background: { r: 90, g: 90, b: 90 } } })
      .composite([
        {
          input: { create: { width: 40, height: 40, channels: 3, background: { r: 250, g: 0, b: 0 } } },
          left: 1100,
          top: 600,
        },
      ])
      .jpeg({ quality: 95 })
      .toBuffer();

  it('pieces of full size and halved lie where they belong', async () => {
    const photographId = await store(await big());
    const tile = async (halved: number, column: number, row: number) => {
      const file = await readPhotographTile(read[0](), read[1](), {
        jobId,
        photographId,
        halved,
        column,
        row,
      });
      return sharp(fs.readFileSync(file)).raw().toBuffer({ resolveWithObject: true });
    };
    // 1100 lies in the third column of 512, 76 from its left; 600 in the second row, 88 from its top.
    const full = await tile(0, 2, 1);
    const at = ({ data, info }: typeof full, x: number, y: number) => data[(y * info.width + x) * 3]!;
    expect(at(full, 76 + 20, 88 + 20)).toBeGreaterThan(220);
    expect(at(full, 40, 40)).toBeLessThan(120);
    expect([full.info.width, full.info.height]).toEqual([1500 - 1024, 512]);
    const half = await tile(1, 1, 0);
    expect(at(half, 550 + 10 - 512, 300 + 10)).toBeGreaterThan(200);
    await expect(tile(0, 9, 9)).rejects.toThrow('no such piece');
    await expect(tile(7, 0, 0)).rejects.toThrow('no such piece');
  });

  it('twenty pieces asked for at once cut the pyramid once', async () => {
    const photographId = await store(await big());
    const files = await Promise.all(
      Array.from({ length: 20 }, (_, index) =>
        readPhotographTile(read[0](), read[1](), {
          ...{ jobId, photographId, halved: 0 },
          ...{ column: index % 3, row: index % 2 },
        }),
      ),
    );
    expect(new Set(files).size).toBe(6);
    const folder = path.join(shop.context.dataFolder, 'derived/tiles');
    expect(filesIn(folder).every((name) => /\.(jpeg|xml)$/.test(name))).toBe(true);
  });
});

describe('the same part in other units', () => {
  it('is listed with its peg, without one’s own, without struck ones and without other parts', async () => {
    await store(await phoneJpeg());
    const own = jobId;
    const other = bookTestUnit(shop, { peg: 77 });
    jobId = other;
    const like = await store(await phoneJpeg());
    const struck = await store(HEIC, { fileName: 'struck.heic' });
    const filed = await store(await big90(), { positionId: undefined });
    filePhotographUnder(shop.people.inspector, shop.context, {
      photographId: filed,
      positionId: 'pinion-head',
    });
    strikeCapture(shop.people.inspector, shop.context, {
      ...{ kind: 'photograph', captureId: struck, reason: 'blurred', slip: false },
    });
    const { photographs } = listLikePhotographs(shop.people.inspector, shop.context, {
      jobId: own,
      positionId: 'ring-gear',
    });
    expect(photographs).toMatchObject([{ id: like, jobId: other, peg: 77 }]);
  });
});

const big90 = () => sharp(grey(90, 60)).jpeg().toBuffer();

it('the scale card comes as a sheet of A4', async () => {
  const pdf = await printScaleCard(shop.people.inspector, shop.context, {});
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  expect(pdf.toString('latin1')).toContain('/MediaBox [0 0 595.28 841.89]');
});

describe('the report on paper', () => {
  it('shows every photograph that its page shows', async () => {
    for (let index = 0; index < 7; index += 1) await store(await phoneJpeg(), { fileName: `${index}.jpg` });
    const [{ context }, { inspector, lead }] = [shop, shop.people];
    noteFinding(inspector, context, {
      ...captureHead(jobId, inspector),
      ...{ positionId: 'ring-gear', mode: 'spalling', place: 'drive flank', severity: 'severe' },
    });
    const entry = { positionId: 'ring-gear', version: 0, grade: 4, reason: '' };
    setGrade(inspector, context, { jobId, entry });
    decideUnit(lead, context, {
      ...captureHead(jobId, lead),
      ...{ version: 0, decision: 'repair', reason: 'A new pair.', watch: '' },
    });
    issueReport(lead, context, { jobId, reason: 'he waits' });
    const issue = readReport(lead, context, { jobId, number: 1 });
    expect(issue.document.damaged.flatMap(({ photographs }) => photographs)).toHaveLength(7);
    const pdf = (await printReport(context, issue, 'A4')).toString('latin1');
    expect(pdf.match(/\/Subtype \/Image/g)).toHaveLength(7);
  });
});
