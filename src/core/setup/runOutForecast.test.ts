import { describe, expect, it } from 'vitest';
import { catalogsAsShipped } from '@/catalog/shipped';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import type { JobSnapshot } from '@/model/snapshot';
import { partState } from '../wear/partStanding';
import { runOutFirst } from './runOutForecast';

const axle = shippedUnitTypes().find(({ id }) => id === 'torvane-hx41')!;
const dial = {
  ...{ id: 'g', name: 'Dial', kind: 'dial indicator', unit: 'mm', resolution: 0.001 },
  ...{ maxPermissibleError: 0.002, repeatability: 0.001, calibratedUntil: '2030-01-01' },
} as const;

/** The axle with one run-out read on the ring's back face. */
function partsWith(runOut: string) {
  const reading = {
    ...{ id: 'r', positionId: 'ring-gear', checkId: 'back-face-runout', place: '', raw: runOut, unit: 'mm' },
    ...{
      value: Number(runOut),
      gaugeId: 'g',
      temperatureC: null,
      struck: null,
      deviceTime: '2026-11-24T09:00:00.000Z',
    },
  };
  const facts = {
    ...{ unitType: axle, readings: [reading], findings: [], grades: [], gauges: [dial], acceptances: [] },
    tooClosePolicy: 'hold',
  } as unknown as JobSnapshot;
  return axle.positions.map((position) => partState(position, facts, catalogsAsShipped()));
}

describe('which comes first, the run-out or the set-up', () => {
  // c for the 11/41 pair, spiral left out for hypoids: 2·tan 20°·sin(atan(41/11)) = 0.703. The sheet permits 0.05 of variation,
  // so that a run-out of 0.08 brings 0.056, and one of 0.06 brings 0.042.
  it('is the run-out where it brings more than any shim can take away, told on both gears of the pair', () => {
    const parts = partsWith('0.08');
    for (const gear of ['ring-gear', 'pinion-head']) {
      const first = runOutFirst(axle, parts, gear);
      expect(first, gear).toMatchObject({ part: 'Ring gear', check: 'Back-face run-out', permitted: 0.05 });
      expect(first?.expected).toBeCloseTo(0.0562, 3);
    }
  });
  it('is the set-up where the run-out is small, and nothing is said of parts of no pair', () => {
    expect(runOutFirst(axle, partsWith('0.06'), 'ring-gear')).toBeUndefined();
    expect(runOutFirst(axle, partsWith('0.08'), 'yoke')).toBeUndefined();
  });
});
