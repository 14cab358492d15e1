import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import type { Check, Limit } from '@/model/checks';
import { limitInForce, limitsBeside } from '../metrology/limitInForce';
import { LIMIT_COLUMNS, type LimitRow, limitRowsOf, readLimitRows, withLimits } from './limitRows';
import { sheetChanges } from './sheetChanges';
import { sheetFaults } from './sheetFaults';

const box = shippedUnitTypes().find(({ id }) => id === 'skell-five')!;
const row = (over: Partial<LimitRow>): LimitRow => ({
  ...(Object.fromEntries(LIMIT_COLUMNS.map((column) => [column, ''])) as LimitRow),
  part: '1st ring',
  check: 'Reserve gap',
  kind: 'service',
  min: '0.8',
  unit: 'mm',
  source: 'maker',
  'source words': 'sheet 5-7',
  ...over,
});
const numbered = (rows: readonly LimitRow[]) => rows.map((each, index) => ({ line: index + 2, row: each }));
const read = (...rows: LimitRow[]) => readLimitRows(box, numbered(rows));
const messageOf = (over: Partial<LimitRow>) => {
  const [outcome] = read(row(over));
  return outcome?.ok === false ? outcome.message : `taken: ${outcome?.what}`;
};
const maker: Limit = { kind: 'service', min: 0.8, unit: 'mm', source: { kind: 'maker', words: 'p. 1' } };
const shop: Limit = { ...maker, min: 0.9, source: { kind: 'shop', words: 'lead' }, reason: 'two came back' };

describe('rows of a pasted limit sheet', () => {
  it('take what is new, tell what changes and what stands already', () => {
    expect(read(row({}))).toMatchObject([{ line: 2, ok: true, what: 'new', checkId: 'ring-1-gap' }]);
    expect(messageOf({ part: '4th ring', min: '0.85', 'source words': 'Skell works sheet 5-7' })).toBe(
      'taken: changed',
    );
    expect(messageOf({ part: '4th ring', min: '0,80', 'source words': 'Skell works sheet 5-7' })).toBe(
      'taken: same',
    );
  });

  it.each([
    [{ part: '9th ring' }, 'there is no part “9th ring”'],
    [{ check: 'Colour' }, '1st ring has no check “Colour”'],
    [{ min: 'much' }, 'min: “much” is not one number'],
    [{ min: '1,234' }, 'min: “1,234” can mean 1.234 or 1234'],
    [{ min: '1e9' }, 'min: “1e9” is not one number'],
    [{ min: 'Infinity' }, 'min: “Infinity” is not one number'],
    [{ min: '' }, 'holds no figure'],
    [{ max: '0.5' }, 'min lies above max'],
    [{ aim: '0.2' }, 'the aim lies outside the limits'],
    [{ unit: 'lbft' }, 'Reserve gap is measured in mm, not in lbft'],
    [{ unit: 'ell' }, '“ell” is no unit of this shop'],
    [{ kind: 'usual' }, '“usual” is no kind'],
    [{ source: 'neighbour' }, '“neighbour” is no source'],
    [{ 'source words': ' ' }, 'names no source'],
  ])('name what is wrong: %j', (over, words) => {
    expect(messageOf(over)).toContain(words);
  });

  it('keep a bad line from spoiling the others, and a line that says the same twice from being taken twice', () => {
    const outcomes = read(row({}), row({ min: 'x' }), row({ min: '0.7' }), row({ part: '2nd ring' }));
    expect(outcomes.map(({ line, ok }) => [line, ok])).toEqual([
      [2, true],
      [3, false],
      [4, false],
      [5, true],
    ]);
    expect(outcomes[2]).toMatchObject({ message: 'says again what line 2 says' });
    const checks = withLimits(box.checks, outcomes);
    expect(checks.filter((check, index) => check !== box.checks[index]).map(({ id }) => id)).toEqual([
      'ring-1-gap',
      'ring-2-gap',
    ]);
  });

  it('leave alone what the table has no column for', () => {
    const [backlash] = readLimitRows(
      shippedUnitTypes().find(({ id }) => id === 'torvane-hx41')!,
      numbered([{ part: 'Ring gear', check: 'Backlash', kind: 'set-up', min: '0.16' }]),
    );
    expect(backlash).toMatchObject({
      what: 'changed',
      limit: {
        min: 0.16,
        max: 0.2,
        aim: 0.17,
        variation: 0.05,
        source: { words: 'Torvane book HX, p. 4-11' },
      },
    });
  });

  it('come back as they went out: every shipped sheet, printed and read, changes nothing', () => {
    for (const type of shippedUnitTypes()) {
      // Where a part has two checks of one title, a row names its check by its id.
      const rows = limitRowsOf(type);
      const outcomes = readLimitRows(type, numbered(rows));
      expect(outcomes.filter(({ ok }) => !ok)).toEqual([]);
      expect(sheetChanges(type.checks, withLimits(type.checks, outcomes))).toEqual([]);
    }
  });

  it('read a figure in inches as the same figure, whatever the decimal sign', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 99_999 }), fc.boolean(), (tenThousandths, comma) => {
        const text = (tenThousandths / 10_000).toFixed(4);
        const [outcome] = read(row({ min: comma ? text.replace('.', ',') : text, unit: 'in' }));
        expect(outcome).toMatchObject({ ok: true, limit: { min: tenThousandths / 10_000, unit: 'in' } });
      }),
    );
  });
});

describe('which limit is in force', () => {
  const check = (...limits: Limit[]) => ({ limits });
  it('is the shop’s where it gives a reason, and the maker’s stays beside it', () => {
    expect(limitInForce(check(maker, shop))).toBe(shop);
    expect(limitsBeside(check(maker, shop))).toEqual([maker]);
    const { reason: _, ...unexplained } = shop;
    expect(limitInForce(check(unexplained, maker))).toBe(maker);
  });
  it('is the service limit before set-up and new, and a rule of the trade last of its kind', () => {
    const setUp: Limit = { ...maker, kind: 'set-up' };
    const field: Limit = { ...maker, source: { kind: 'field', words: 'rule' } };
    expect(limitInForce(check(setUp, field))).toBe(field);
    expect(limitInForce(check(field, maker))).toBe(maker);
    expect(limitInForce(check())).toBeUndefined();
  });
});

describe('a sheet before it is stored', () => {
  const [first] = box.checks as [Check];
  const messages = (checks: Check[]) => sheetFaults(box, checks).map(({ message }) => message);
  it('has nothing wrong with it as it ships', () => {
    for (const type of shippedUnitTypes()) expect(sheetFaults(type, type.checks)).toEqual([]);
  });
  it('is told each fault by its check', () => {
    expect(messages([{ ...first, positions: ['nowhere'] }])).toEqual([
      'Reserve gap: there is no part “nowhere”',
    ]);
    expect(messages([{ ...first, limits: [maker, maker] }])[0]).toContain(
      'two limits of one kind and source',
    );
    expect(messages([{ ...first, limits: [{ ...maker, unit: 'Nm' }] }])[0]).toContain(
      'a limit in Nm on a check in mm',
    );
    const { reason: _, ...unexplained } = shop;
    expect(messages([{ ...first, limits: [maker, unexplained] }])[0]).toContain('needs a reason');
    expect(messages([{ ...first, sameAs: 'gone' }])[0]).toContain('there is no check “gone”');
    expect(messages([first, first])[0]).toContain('is used twice');
  });
  it('says what changed, figure by figure', () => {
    const changed = { ...first, limits: [{ ...maker, aim: 1, variation: 0.1 }] };
    expect(sheetChanges([first], [changed])).toEqual([
      'Reserve gap, service maker: none → at least 0.80 mm, aim 1, variation 0.1',
    ]);
    expect(sheetChanges([first], [{ ...first, statistic: 'max' }])).toEqual([
      'Reserve gap is read or judged in another way',
    ]);
    expect(sheetChanges([changed], [])).toEqual(['Reserve gap is no longer checked']);
    expect(sheetChanges([], [first])).toEqual(['Reserve gap is checked now']);
  });
});
