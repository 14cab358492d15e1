import { describe, expect, it } from 'vitest';
import { dayAfter, dayIn, isTimeZone } from './shopDay';

/* By hand, from the zones' offsets: Auckland is 13 h ahead in November, Honolulu 10 h behind, Oslo 1 h ahead in winter, 2 h in summer. */
describe('the shop’s day', () => {
  it.each([
    ['2026-11-24T11:30:00.000Z', 'Pacific/Auckland', '2026-11-25'],
    ['2026-11-24T09:30:00.000Z', 'Pacific/Honolulu', '2026-11-23'],
    ['2026-11-24T22:59:00.000Z', 'Europe/Oslo', '2026-11-24'],
    ['2026-11-24T23:01:00.000Z', 'Europe/Oslo', '2026-11-25'],
    ['2026-07-24T22:01:00.000Z', 'Europe/Oslo', '2026-07-25'],
    ['2026-12-31T23:59:59.000Z', 'UTC', '2026-12-31'],
  ])('of %s in %s is %s', (instant, zone, day) => {
    expect(dayIn(new Date(instant), zone)).toBe(day);
  });

  it('goes on over the end of a month, a leap day and a change of clocks', () => {
    expect([dayAfter('2026-11-30', 1), dayAfter('2028-02-28', 1), dayAfter('2026-03-28', 2)]).toEqual([
      '2026-12-01',
      '2028-02-29',
      '2026-03-30',
    ]);
  });

  it('knows a zone from a word that is none', () => {
    expect(['Europe/Oslo', 'UTC', 'Middle/Earth', ''].map(isTimeZone)).toEqual([true, true, false, false]);
    expect(() => dayIn(new Date(), 'Middle/Earth')).toThrow(RangeError);
  });
});
