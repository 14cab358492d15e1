import { describe, expect, it } from 'vitest';
import type { Check } from '@/model/checks';
import { angleOf } from './places';
import { seriesOfCheck } from './seriesOfCheck';
import { spreadOfPlaces } from './spreadOfPlaces';
import { tellSeries } from './tellSeries';

const placed = (values: readonly number[], over = 180) =>
  values.map((value, index) => ({
    ...{ place: `angle ${index + 1}`, value },
    angleDeg: (index * over) / values.length,
  }));
/** Noise written down once, of a standard deviation near 0.004. */
const NOISE = [3, -4, 1, 5, -2, 0, -5, 2, 4, -3, -1, 0].map((thousandths) => thousandths / 1000);

describe('the places of a ring as a sample', () => {
  it('names the one that stands out by place; mean and deviation are those of the book', () => {
    const values = NOISE.map((noise, index) => 72 + noise + (index === 4 ? 0.06 : 0));
    const found = spreadOfPlaces(placed(values), 0.001);
    expect(found).toMatchObject({ n: 12, testable: true, apart: ['angle 5'], oval: false });
    // By hand: the noise adds to nothing, so the mean is 72 + 0.06/12; Σ(x − mean)² = 0.003170, s = √(0.003170/11) = 0.016976.
    expect(found.mean).toBeCloseTo(72.005, 6);
    expect(found.deviation).toBeCloseTo(0.016976, 6);
  });

  it('doesn’t call the long axis of a sound oval an outlier, and finds the bump on an oval', () => {
    const oval = NOISE.map(
      (noise, index) => 72 + noise + 0.05 * Math.cos((2 * Math.PI * index * 15 * 2) / 360),
    );
    expect(spreadOfPlaces(placed(oval), 0.001)).toMatchObject({ oval: true, apart: [] });
    const bumped = oval.map((value, index) => (index === 7 ? value + 0.06 : value));
    expect(spreadOfPlaces(placed(bumped), 0.001)).toMatchObject({ oval: true, apart: ['angle 8'] });
  });

  it('says “too few” under ten places, and nothing stands apart where all are the same', () => {
    expect(spreadOfPlaces(placed([72, 72, 72, 72.4]), 0.001)).toMatchObject({ testable: false, apart: [] });
    expect(spreadOfPlaces(placed(Array(12).fill(72)), 0.01)).toMatchObject({ apart: [], oval: false });
  });
});

describe('a diameter read over half a turn', () => {
  const ring: Check = {
    ...{ id: 'd', title: 'Ring diameters', positions: ['ring'], howTo: 'x', unit: 'mm', statistic: 'range' },
    ...{ every: { count: 12, word: 'angle', overDeg: 180 }, twoPoint: true, limits: [] },
  };
  const format = (value: number) => value.toFixed(3);

  it('stands at every 15 degrees: twelve places are twelve diameters', () => {
    expect([angleOf(ring, 'angle 1'), angleOf(ring, 'angle 2'), angleOf(ring, 'angle 12')]).toEqual([
      0, 15, 165,
    ]);
    expect(angleOf({ every: { count: 12, word: 'angle' } }, 'angle 2')).toBe(30);
  });

  it('is fitted in even orders only, and says oval, not eccentric', () => {
    const values = NOISE.map(
      (noise, index) => 72 + noise / 10 + 0.05 * Math.cos((index * 30 * Math.PI) / 180),
    );
    const series = seriesOfCheck(ring, placed(values), 0.001)!;
    expect(series.analysis?.harmonics.map(({ order }) => order)).toEqual([2, 4]);
    expect(series.analysis?.harmonics[0]?.amplitude).toBeCloseTo(0.05, 3);
    const told = tellSeries(series, 12, format, ring).map(({ title }) => title);
    expect(told).toContain('Oval');
    expect(told).toContain('No place stands apart');
    expect(told).not.toContain('Once a turn: eccentric, or the ring tilted');
  });

  it('tells by place what stands apart, and offers to read it again', () => {
    const values = NOISE.map((noise, index) => 72 + noise + (index === 4 ? 0.06 : 0));
    const told = tellSeries(seriesOfCheck(ring, placed(values), 0.001)!, 12, format, ring);
    expect(told.find(({ again }) => again === 'angle 5')?.title).toBe('Angle 5 stands apart from the rest');
    const few = tellSeries(seriesOfCheck(ring, placed(values).slice(0, 6), 0.001)!, 12, format, ring);
    expect(few.map(({ title }) => title)).toContain('Too few to tell what stands apart');
  });
});
