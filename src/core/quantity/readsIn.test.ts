import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { READS_IN, UNITS } from '@/model/units';
import { describeLimit } from '../report/describeMeasurement';
import { decimalsInUnit, unitToRead } from './readsIn';
import { sameDimension } from './units';

describe('the units that a person reads in', () => {
  it.each([
    ['mm', 'inch', 0, 'in'],
    ['thou', 'metric', 0, 'mm'],
    ['in', 'inch', 0, 'in'],
    ['Nm', 'inch', 1.2, 'lbin'],
    ['Nm', 'inch', 90, 'lbft'],
    ['lbft', 'metric', 60, 'Nm'],
    ['degC', 'inch', 0, 'degC'],
  ] as const)('%s read in %s (%d) is %s', (unit, readsIn, size, expected) => {
    expect(unitToRead(unit, readsIn, size)).toBe(expected);
  });

  it.each([
    [2, 'mm', 'in', 4],
    [3, 'mm', 'in', 5],
    [4, 'in', 'mm', 3],
    [1, 'thou', 'mm', 3],
    [1, 'Nm', 'lbin', 0],
  ] as const)('%d decimals of %s are %s in %d', (decimals, from, to, expected) => {
    expect(decimalsInUnit(decimals, from, to)).toBe(expected);
  });

  it('is always a unit of the same quantity, and reading twice changes nothing more', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...UNITS),
        fc.constantFrom(...READS_IN),
        fc.double({ min: 0, max: 500, noNaN: true }),
        (unit, readsIn, size) => {
          const read = unitToRead(unit, readsIn, size);
          expect(sameDimension(unit, read)).toBe(true);
          expect(unitToRead(read, readsIn, size)).toBe(read);
        },
      ),
    );
  });

  it('writes a limit in them, and the sheet’s own figures without them', () => {
    const limit = {
      kind: 'set-up' as const,
      min: 0.15,
      max: 0.2,
      unit: 'mm' as const,
      source: { kind: 'maker' as const, words: 'p. 1' },
    };
    // By hand: 0.15/25.4 = 0.005906, 0.20/25.4 = 0.007874.
    expect(describeLimit(limit, 'inch')).toBe('0.0059 to 0.0079 in');
    expect(describeLimit(limit, 'metric')).toBe('0.15 to 0.20 mm');
    expect(describeLimit(limit)).toBe('0.15 to 0.20 mm');
  });
});
