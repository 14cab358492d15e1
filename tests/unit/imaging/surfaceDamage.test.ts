import { describe, expect, it } from 'vitest';
import { quadArea } from '@/core/imaging/homography';
import { surfaceDamage } from '@/core/imaging/surfaceDamage';
import { pitTruth } from '../../../demo/render/flank';
import { pittedFlank } from '../../../demo/render/flankSeries';
import { photographed, seeds } from './pictures';

/* The truth is counted from the renderer's own outlines. Tolerance: the larger of 0.01 and a quarter of the share. */

describe('pits on a bare flank', () => {
  it('are found and measured, and none where none is', async () => {
    const beyond: string[] = [];
    const invented: string[] = [];
    for (const seed of seeds(3001, 16)) {
      const options = pittedFlank(seed, 9);
      const found = surfaceDamage(await photographed(options), { region: options.corners });
      const truth = pitTruth(options);
      if (Math.abs(found.areaFraction - truth.areaFraction) > Math.max(0.01, 0.25 * truth.areaFraction))
        beyond.push(`${seed}: ${found.areaFraction} for ${truth.areaFraction}`);
    }
    for (const seed of seeds(3101, 6)) {
      const options = { ...pittedFlank(seed, 0), stains: 0.8 };
      const { areaFraction } = surfaceDamage(await photographed(options), { region: options.corners });
      if (areaFraction >= 0.004) invented.push(`${seed}: ${areaFraction}`);
    }
    expect(beyond).toEqual([]);
    expect(invented).toEqual([]);
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

  it('are trusted less in a blurred and in a blown-out picture', async () => {
    const options = pittedFlank(3202, 6);
    const confidence = async (over: object) =>
      surfaceDamage(await photographed({ ...options, ...over }), { region: options.corners }).confidence;
    const good = await confidence({});
    expect(await confidence({ blur: 7 })).toBeLessThan(good / 2);
    expect(await confidence({ exposure: 8, glare: 4 })).toBeLessThan(good / 2);
  });
});
