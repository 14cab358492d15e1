import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import sharp from 'sharp';
import { afterAll, describe, expect, it } from 'vitest';
import type { ReadRaster } from '@/core/calculation';
import { IMAGING_CALCULATIONS } from '@/core/imaging/calculations';
import type { ContactPattern } from '@/core/imaging/pattern/contactPattern';
import type { SurfaceDamage } from '@/core/imaging/pits/surfaceDamage';
import { readPicture } from '@/server/photos/decodePicture';
import { type FlankOptions, patchTruth, pitTruth, renderFlank } from '../../../demo/render/flank';
import { paintedFlank, pittedFlank } from '../../../demo/render/flankSeries';

/* Expected shares are those that the pictures were drawn with. */

const [WIDTH, HEIGHT] = [4000, 3000];
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'coarser-'));
afterAll(() => fs.rmSync(folder, { recursive: true }));

/** A drawn flank as a camera of twelve megapixels stores it that was held upright: turned, with a word that says so. */
async function asPhotographed(small: FlankOptions) {
  const file = path.join(folder, `${small.seed}-${small.pits?.length ?? 0}.jpg`);
  const drawn = await sharp(Buffer.from(renderFlank(small)), {
    raw: { width: small.width, height: small.height, channels: 3 },
  })
    .resize(WIDTH, HEIGHT)
    .raw()
    .toBuffer();
  await sharp(drawn, { raw: { width: WIDTH, height: HEIGHT, channels: 3 } })
    .rotate(-90)
    .withMetadata({ orientation: 6 })
    .jpeg({ quality: 88 })
    .toFile(file);
  return {
    file,
    corners: small.corners.map(([x, y]) => [(x * WIDTH) / small.width, (y * HEIGHT) / small.height]),
  };
}

/** The reader of the command line, and how large what it gave was. */
function watched() {
  const given: ReadRaster[] = [];
  const read = async (file: string, coarser: number) => {
    given.push(await readPicture(file, coarser));
    return given.at(-1)!;
  };
  return { read, given };
}

describe('a picture of twelve megapixels', () => {
  it('is read at a fifth where its cells are larger, and its pits come out as they were drawn, in millimetres too', async () => {
    const drawn = pittedFlank(4001, 9);
    const { file, corners } = await asPhotographed(drawn);
    const { read, given } = watched();
    const answer = (await IMAGING_CALCULATIONS['surface-damage'].run(
      { image: file, region: corners, mmPerPixel: 0.01 },
      read,
    )) as SurfaceDamage;
    expect(given[0]).toMatchObject({
      whole: { width: WIDTH, height: HEIGHT },
      picture: { width: 800, height: 600 },
    });
    const truth = pitTruth(drawn);
    expect(Math.abs(answer.areaFraction - truth.areaFraction)).toBeLessThan(
      Math.max(0.01, truth.areaFraction / 4),
    );
    expect(answer.count).toBe(truth.count);
    const inFull = (await IMAGING_CALCULATIONS['surface-damage'].run(
      { image: file, region: corners, mmPerPixel: 0.01 },
      (image) => readPicture(image, 1),
    )) as SurfaceDamage;
    expect(answer.largest.diameterMm! / inFull.largest.diameterMm!).toBeCloseTo(1, 1);
    expect(Math.abs(answer.areaFraction - inFull.areaFraction)).toBeLessThan(0.002);
  });

  it('is read at a ninth for a contact pattern, whose cells are larger still', async () => {
    const drawn = paintedFlank(4001);
    const { file, corners } = await asPhotographed(drawn);
    const { read, given } = watched();
    const answer = (await IMAGING_CALCULATIONS['contact-pattern'].run(
      { image: file, flank: corners },
      read,
    )) as ContactPattern;
    expect(given[0]!.picture.width).toBe(Math.ceil(WIDTH / 9));
    const truth = patchTruth(drawn);
    expect(Math.abs(answer.coverage - truth.coverage)).toBeLessThan(0.03);
    expect(Math.abs(answer.centroid.length - truth.centroid.length)).toBeLessThan(0.03);
    expect(Math.abs(answer.centroid.height - truth.centroid.height)).toBeLessThan(0.04);
  });

  it('is read in full where the region is a small part of it, and no corner beyond it is taken for one inside', async () => {
    const { file } = await asPhotographed(pittedFlank(4001, 9));
    const { read, given } = watched();
    const square = (left: number, top: number, side: number) => [
      [left, top],
      [left + side, top],
      [left + side, top + side],
      [left, top + side],
    ];
    await IMAGING_CALCULATIONS['surface-damage'].run({ image: file, region: square(1500, 1400, 700) }, read);
    expect(given[0]!.picture.width).toBe(WIDTH);
    await expect(
      IMAGING_CALCULATIONS['surface-damage'].run({ image: file, region: square(1500, 1400, 3000) }, read),
    ).rejects.toThrow('outside the picture of 4000 × 3000');
  });

  it.each([
    // 32 cells are the fewest across: two pixels to each of them.
    [
      'narrow',
      [
        [200, 1000],
        [3400, 1000],
        [3400, 1064],
        [200, 1064],
      ],
    ],
    // Its far side has 800 pixels for 310 cells.
    [
      'seen askew',
      [
        [200, 2500],
        [3400, 2500],
        [2200, 1200],
        [1400, 1200],
      ],
    ],
  ])('is read in full where the region is %s', async (_, region) => {
    const { file } = await asPhotographed(pittedFlank(4001, 9));
    const { read, given } = watched();
    await IMAGING_CALCULATIONS['surface-damage'].run({ image: file, region }, read);
    expect(given[0]!.picture.width).toBe(WIDTH);
  });

  it('that breaks off is refused however coarsely it is read', async () => {
    const { file } = await asPhotographed(pittedFlank(4001, 9));
    const half = path.join(folder, 'half.jpg');
    fs.writeFileSync(half, fs.readFileSync(file).subarray(0, fs.statSync(file).size / 2));
    for (const coarser of [1, 5, 9]) await expect(readPicture(half, coarser)).rejects.toThrow('not whole');
  });
});
