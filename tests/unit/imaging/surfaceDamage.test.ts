import { describe, expect, it } from 'vitest';
import { quadArea } from '@/core/imaging/homography';
import { surfaceDamage } from '@/core/imaging/pits/surfaceDamage';
import { type FlankOptions, pitTruth } from '../../../demo/render/flank';
import { pittedFlank } from '../../../demo/render/flankSeries';
import { photographed, seeds } from './pictures';

/*
 * The truth is counted from the renderer's own outlines, on seeds that the method was not set with. Tolerance: the larger of 0.01 and a quarter of the share.
 */

const FIRST = 26000;
/** Every second of them in `npm test`, all in `npm run test:full`. */
const chosen = (all: readonly number[]) =>
  all.filter((seed) => process.env.STEREOTOME_FULL !== undefined || seed % 2 === 0);

describe('pits on a bare flank', () => {
  it('are found and measured, none where none is, and spoilt pictures are trusted less than every good one', async () => {
    const beyond: string[] = [];
    const invented: string[] = [];
    const trusted: number[] = [];
    const doubted: [string, number][] = [];
    const read = async (options: FlankOptions) =>
      surfaceDamage(await photographed(options), { region: options.corners });
    const spoilt = async (seed: number, options: FlankOptions) => {
      if (seed % (process.env.STEREOTOME_FULL ? 1 : 8) !== 0) return;
      doubted.push([`blurred ${seed}`, (await read({ ...options, blur: 7 })).confidence]);
      doubted.push([`blown out ${seed}`, (await read({ ...options, exposure: 8, glare: 4 })).confidence]);
    };
    for (const seed of chosen(seeds(FIRST, 31))) {
      const options = pittedFlank(seed, 9);
      const { areaFraction, confidence } = await read(options);
      const truth = pitTruth(options).areaFraction;
      if (Math.abs(areaFraction - truth) > Math.max(0.01, 0.25 * truth))
        beyond.push(`${seed}: ${areaFraction} for ${truth}`);
      else trusted.push(confidence);
      await spoilt(seed, options);
    }
    for (const seed of chosen(seeds(FIRST + 100, 11))) {
      const options = { ...pittedFlank(seed, 0), stains: 0.8 };
      const { areaFraction, confidence } = await read(options);
      if (areaFraction >= 0.004) invented.push(`${seed}: ${areaFraction}`);
      else trusted.push(confidence);
      await spoilt(seed, options);
    }
    expect(beyond).toEqual([]);
    expect(invented).toEqual([]);
    const least = Math.min(...trusted);
    expect(doubted.filter(([, confidence]) => confidence >= least)).toEqual([]);
  }, 240_000);

  it('are counted one by one, and the largest has its diameter in millimetres', async () => {
    const options = {
      ...pittedFlank(3201, 0),
      ...{ glare: 0, shadow: 0, stains: 0, oil: 0 },
      pits: [
        { at: [0.3, 0.5], radius: 0.04, squash: 1 },
        { at: [0.6, 0.4], radius: 0.02, squash: 1 },
        { at: [0.8, 0.6], radius: 0.02, squash: 1 },
      ] as const,
    };
    const picture = await photographed(options);
    const found = surfaceDamage(picture, { region: options.corners, mmPerPixel: 0.1 });
    expect(found.count).toBe(3);
    // By hand: of the largest its share of the flank, as a circle of the same area in the picture.
    const share = pitTruth({ pits: options.pits.slice(0, 1) }).areaFraction;
    const diameter = 0.1 * Math.sqrt((4 * share * quadArea(options.corners)) / Math.PI);
    expect(found.largest.diameterMm! / diameter).toBeGreaterThan(0.85);
    expect(found.largest.diameterMm! / diameter).toBeLessThan(1.15);
  });
});
