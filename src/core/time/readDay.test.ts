import { describe, expect, it } from 'vitest';
import { readDay } from './readDay';

const read = (words: string) => readDay(words, '2026-11-24');

describe('a day as people write it', () => {
  it.each([
    ['2026-11-24', '2026-11-24'],
    ['24 Nov 2026', '2026-11-24'],
    ['  3   december 2026 ', '2026-12-03'],
    ['3.12.2026', '2026-12-03'],
    ['3/12/2026', '2026-12-03'],
    ['3 dec', '2026-12-03'],
    ['3.12.', '2026-12-03'],
    // The nearest ahead: in November nobody means last January.
    ['8 jan', '2027-01-08'],
    ['8.1', '2027-01-08'],
    // A few weeks back is this year's.
    ['30 sep', '2026-09-30'],
    ['29 Feb 2028', '2028-02-29'],
  ])('%s', (words, day) => {
    expect(read(words)).toBe(day);
  });

  it.each(['', 'soon', '31 nov', '29 Feb 2027', '2026-13-01', '24', '11/24/2026', '0001-01-01'])(
    'is not “%s”',
    (words) => {
      expect(read(words)).toBeUndefined();
    },
  );
});
