import { describe, expect, it } from 'vitest';
import { lapsedGauges } from './calibration';

const gauge = { id: 'g4', name: 'Dial G4', calibratedUntil: '2026-11-24' };
const on = (day: string) => [{ gaugeId: 'g4', deviceTime: `${day}T10:00:00.000Z` }];

describe('a calibration that ran out', () => {
  it('counts from the day after its last one, by the day of the reading and not by today', () => {
    expect(lapsedGauges(on('2026-11-24'), [gauge])).toEqual([]);
    expect(lapsedGauges(on('2026-11-25'), [gauge])).toEqual(['Dial G4']);
  });
  it('says nothing of gauges that were not used', () => {
    expect(lapsedGauges([{ gaugeId: 'c1', deviceTime: '2030-01-01T00:00:00.000Z' }], [gauge])).toEqual([]);
  });
});
