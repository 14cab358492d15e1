import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { UNIT_SYMBOL, UNITS } from '@/model/units';
import { decimalsFor, formatNumber, formatQuantity } from './format';
import { parseReading } from './parseReading';
import { baseUnit, convert, sameDimension, toBase, unitsAlike } from './units';

describe('units', () => {
  // Definitions: 1 in = 25.4 mm; 1 lbf·ft = 1.355 817 948 331 400 4 N·m (NIST SP 811, appendix B).
  it.each([
    [1, 'in', 25.4],
    [1, 'thou', 0.0254],
    [1000, 'um', 1],
    [1, 'lbft', 1.3558179483314],
    [12, 'lbin', 1.3558179483314],
  ] as const)('%d %s is %d in the base unit', (value, unit, base) => {
    expect(toBase(value, unit)).toBeCloseTo(base, 12);
  });

  it('goes there and back for every pair of alike units', () => {
    const pairs = UNITS.flatMap((a) => unitsAlike(a).map((b) => [a, b] as const));
    fc.assert(
      fc.property(
        fc.constantFrom(...pairs),
        fc.double({ min: -1e4, max: 1e4, noNaN: true }),
        ([a, b], value) => {
          expect(convert(convert(value, a, b), b, a)).toBeCloseTo(value, 8);
        },
      ),
    );
  });

  it('refuses to turn a torque into a length', () => {
    expect(sameDimension('Nm', 'mm')).toBe(false);
    expect(() => convert(1, 'Nm', 'mm')).toThrow(RangeError);
    expect(baseUnit('lbin')).toBe('Nm');
  });
});

describe('parseReading', () => {
  it('takes whatever the application prints, of any size and unit', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -999_999, max: 999_999, noNaN: true }),
        fc.integer({ min: 0, max: 4 }),
        fc.constantFrom(...UNITS),
        (value, decimals, unit) => {
          const parsed = parseReading(formatQuantity(value, decimals, unit), { unit: UNIT_SYMBOL[unit] });
          expect(parsed.ok && parsed.value).toBeCloseTo(Number(value.toFixed(decimals)), 9);
        },
      ),
    );
  });

  it('takes the field’s own unit behind the figures, and no other', () => {
    expect(parseReading('62 000 km', { unit: 'km', largest: 9_999_999 })).toMatchObject({
      ok: true,
      value: 62000,
    });
    expect(parseReading('0.24mm', { unit: 'mm' })).toMatchObject({ ok: true, value: 0.24 });
    expect(parseReading('0.24 in', { unit: 'mm' })).toMatchObject({ ok: false, code: 'other-unit' });
    // Where nobody says which unit stands there, none may be written.
    expect(parseReading('0.24 mm')).toMatchObject({ ok: false, code: 'not-a-number' });
    expect(parseReading('5 000 000 km', { unit: 'km', largest: 9_999_999 })).toMatchObject({
      value: 5_000_000,
    });
  });

  it.each([
    ['7.21', 7.21],
    ['7,21', 7.21],
    [' +0.05 ', 0.05],
    ['−0.05', -0.05],
    ['12', 12],
    ['.5', 0.5],
    ['0,125', 0.125],
    ['62 000', 62000],
    ['62\u2009000', 62000],
    ['62\u202f000', 62000],
    ['62\u00a0000', 62000],
  ])('reads %s', (text, value) => {
    expect(parseReading(text)).toMatchObject({ ok: true, value });
  });

  it.each([
    ['1,2,3', 'not-a-number'],
    ['', 'empty'],
    ['   ', 'empty'],
    ['1,234', 'ambiguous'],
    ['abc', 'not-a-number'],
    ['1e9', 'not-a-number'],
    ['Infinity', 'not-a-number'],
    ['12345678', 'out-of-range'],
    ['.', 'not-a-number'],
    ['1.2.3', 'not-a-number'],
  ])('asks back at “%s”', (text, code) => {
    expect(parseReading(text)).toMatchObject({ ok: false, code });
  });
});

describe('formatNumber', () => {
  it.each([
    [1234.5, 1, '1234.5'],
    [214600, 0, '214\u2009600'],
    [-0.05, 2, '−0.05'],
    [-0.0001, 2, '0.00'],
    [Number.NaN, 2, '–'],
  ])('%d with %d decimals is %s', (value, decimals, text) => {
    expect(formatNumber(value, decimals)).toBe(text);
  });

  it('takes its decimals from the resolution', () => {
    expect([0.01, 0.005, 0.001, 0.5, 1, 0.0254].map(decimalsFor)).toEqual([2, 3, 3, 1, 0, 2]);
  });
});
