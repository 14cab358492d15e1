import { describe, expect, it } from 'vitest';
import { lapsedGauges } from './calibration';

const gauge = { id: 'g4', name: 'Dial G4', calibratedUntil: '2026-11-24' };
const on = (day: string) => [{ gaugeId: 'g4', deviceTime: `${day}T10:00:00.000Z` }];

describe('a calibration that ran out', () => {
  it('counts from the day after its last one, by the day of the reading and not by today', () => {
    expect(lapsedGauges(on('2026-11-24'), [gauge], 'UTC')).toEqual([]);
    expect(lapsedGauges(on('2026-11-25'), [gauge], 'UTC')).toEqual(['Dial G4']);
  });
  it('goes by the days of the shop, and by its clock rather than the device’s', () => {
    // Half past eleven in the evening of the 24th in Greenwich is half past midnight of the 25th in Oslo, and afternoon in Denver.
    const late = [{ gaugeId: 'g4', deviceTime: '2026-11-24T23:30:00.000Z' }];
    expect(lapsedGauges(late, [gauge], 'Europe/Oslo')).toEqual(['Dial G4']);
    expect(lapsedGauges(late, [gauge], 'America/Denver')).toEqual([]);
    const slowDevice = [{ ...late[0]!, happenedAt: '2026-11-25T09:00:00.000Z' }];
    expect(lapsedGauges(slowDevice, [gauge], 'America/Denver')).toEqual(['Dial G4']);
  });
  it('says nothing of gauges that were not used', () => {
    const other = [{ gaugeId: 'c1', deviceTime: '2030-01-01T00:00:00.000Z' }];
    expect(lapsedGauges(other, [gauge], 'UTC')).toEqual([]);
  });
});
