import { describe, expect, it } from 'vitest';
import { cellsOf, readPasted } from './pastedTable';

const room = { rows: 3, columns: 2, unit: 'mm' as const };
const read = (text: string, over: object = {}) => readPasted(text, { ...room, ...over });

describe('a table pasted from a spreadsheet', () => {
  it('is divided by tabs or semicolons, and never by a comma that may be a decimal one', () => {
    expect(cellsOf('1\t2\r\n3\t4\r\n')).toEqual([
      ['1', '2'],
      ['3', '4'],
    ]);
    expect(cellsOf('0,25;0,3')).toEqual([['0,25', '0,3']]);
    expect(cellsOf('0,25\n0,30')).toEqual([['0,25'], ['0,30']]);
  });
  it('gives each figure its place; an empty cell is no reading', () => {
    const { figures, faults } = read('0.25\t0,3\n\t0.4');
    expect(faults).toEqual([]);
    expect(figures).toEqual([
      { row: 0, column: 0, shown: '0.25' },
      { row: 0, column: 1, shown: '0.3' },
      { row: 1, column: 1, shown: '0.4' },
    ]);
  });
  it('of the wrong shape says how much room there is, and fits with its rows as columns where only that fits', () => {
    expect(read('1\n2\n3\n4').faults).toEqual([
      'The paste has 4 rows and 1 column; from here there is room for 3 rows and 2 columns.',
    ]);
    const across = read('1\t2\t3');
    expect(across).toMatchObject({ isTurned: true, faults: [] });
    expect(across.figures.map(({ row, column }) => [row, column])).toEqual([
      [0, 0],
      [1, 0],
      [2, 0],
    ]);
  });
  it('says where a word stands among the figures, and takes nothing of it', () => {
    const { figures, faults } = read('0.2\n0.3\tbad\n1,234');
    expect(figures).toEqual([]);
    expect(faults[0]).toBe('Row 2, column 2: “bad” is no figure.');
    expect(faults[1]).toContain('Row 3, column 1: “1,234” can mean');
    expect(read('').faults).toEqual(['Nothing that was pasted is a figure.']);
  });
  it('takes a unit beside the figures, one for all of them, and no other quantity', () => {
    expect(read('2 thou\n3 thou').figures.map(({ shown, unit }) => [shown, unit])).toEqual([
      ['2', 'thou'],
      ['3', 'thou'],
    ]);
    expect(read('0.05 mm\n2 thou').faults).toEqual([
      'There is mm in column 1 and thou in column 1: one unit for all that is pasted.',
    ]);
    expect(read('0.05 mm\n0.06').faults).toEqual([
      'There is mm in column 1 and no unit in column 1: one unit for all that is pasted.',
    ]);
    expect(read('2 thou').unit).toBe('thou');
    expect(read('2')).not.toHaveProperty('unit');
    expect(read('2 thou\t0.05 mm').faults[0]).toContain('thou in column 1 and mm in column 2');
    expect(read('3 N·m').faults[0]).toContain('is no mm');
  });
  it('tells five faults and counts the rest', () => {
    const { faults } = read(Array(9).fill('x').join('\n'), { rows: 9 });
    expect(faults).toHaveLength(6);
    expect(faults.at(-1)).toBe('And 4 more.');
  });
});
