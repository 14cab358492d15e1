import { UNIT_SYMBOL, type Unit } from '@/model/units';
import { parseReading } from './parseReading';
import { sameDimension } from './units';

export interface PastedFigure {
  readonly row: number;
  readonly column: number;
  /** As a reading shows it. */
  readonly shown: string;
  /** Where it was written beside the figure. */
  readonly unit?: Unit;
}

export interface PastedTable {
  readonly figures: readonly PastedFigure[];
  /** Each in words, with where; where there is one nothing is taken. */
  readonly faults: readonly string[];
  /** It fitted only with its rows as columns. */
  readonly isTurned: boolean;
  /** As written beside all its figures; absent where none was. */
  readonly unit?: Unit;
}

/** So many faults are told; the rest is counted. */
const MOST_TOLD = 5;

/** Rows and cells of what a spreadsheet gives: tabs between cells, or semicolons; a comma may be a decimal one and divides nothing. */
export function cellsOf(text: string): string[][] {
  const lines = text.replace(/\r\n?/g, '\n').replace(/\n+$/, '').split('\n');
  const divider = text.includes('\t') ? '\t' : text.includes(';') ? ';' : undefined;
  return lines.map((line) => (divider ? line.split(divider) : [line]).map((cell) => cell.trim()));
}

/**
 * Figures pasted from a spreadsheet, held against the room that is left from the cell where they begin: `rows` × `columns`, of a quantity in
 * `unit`. An empty cell is no reading and no fault.
 */
export function readPasted(
  text: string,
  { rows, columns, unit }: { readonly rows: number; readonly columns: number; readonly unit: Unit },
): PastedTable {
  const written = cellsOf(text);
  const wide = Math.max(0, ...written.map((row) => row.length));
  const fits = written.length <= rows && wide <= columns;
  const isTurned = !fits && written.length <= columns && wide <= rows;
  if (!fits && !isTurned)
    return {
      ...{ figures: [], isTurned: false },
      faults: [
        `The paste has ${many(written.length, 'row')} and ${many(wide, 'column')}; from here there is room for ${many(rows, 'row')} and ${many(columns, 'column')}.`,
      ],
    };
  const table = isTurned ? turned(written, wide) : written;
  const read = table.flatMap((row, at) => row.map((cell, column) => cellRead(cell, at, column, unit)));
  const figures = read.flatMap((cell) => (cell && 'shown' in cell ? [cell] : []));
  const faults = [
    ...read.flatMap((cell) => (cell && 'fault' in cell ? [cell.fault] : [])),
    ...mixedUnits(figures),
  ];
  if (faults.length > 0) return { figures: [], faults: toldFaults(faults), isTurned };
  return figures.length === 0
    ? { figures, faults: ['Nothing that was pasted is a figure.'], isTurned }
    : { figures, faults, isTurned, ...(figures[0]!.unit ? { unit: figures[0]!.unit } : {}) };
}

const many = (count: number, word: string): string => `${count} ${word}${count === 1 ? '' : 's'}`;
const turned = (rows: readonly (readonly string[])[], wide: number): string[][] =>
  Array.from({ length: wide }, (_, column) => rows.map((row) => row[column] ?? ''));

type CellRead = PastedFigure | { readonly fault: string } | undefined;

function cellRead(cell: string, row: number, column: number, unit: Unit): CellRead {
  if (cell === '') return undefined;
  const at = `Row ${row + 1}, column ${column + 1}`;
  const [, figures = '', word = ''] = /^([-+−–]?[\d.,\s]*)\s*(.*)$/.exec(cell) ?? [];
  const written = word === '' ? undefined : unitOf(word);
  if (word !== '' && written === undefined) return { fault: `${at}: “${cell}” is no figure.` };
  if (written && !sameDimension(written, unit))
    return { fault: `${at}: “${cell}” is no ${UNIT_SYMBOL[unit]}.` };
  const parsed = parseReading(figures);
  if (!parsed.ok) return { fault: `${at}: ${parsed.message}` };
  return { row, column, shown: parsed.shown, ...(written ? { unit: written } : {}) };
}

/** By its symbol, or by its word as a keyboard writes it. */
const unitOf = (word: string): Unit | undefined => {
  const asked = word
    .toLowerCase()
    .replace(/^μ/, 'µ')
    .replace(/^um$/, 'µm')
    .replace(/^["”]$/, 'in');
  return (Object.keys(UNIT_SYMBOL) as Unit[]).find(
    (unit) => UNIT_SYMBOL[unit].toLowerCase() === asked || unit.toLowerCase() === asked,
  );
};

/** Two units in one paste, or a unit beside some figures only: one of the two is a slip, and a wrong one is a wrong reading. */
function mixedUnits(figures: readonly PastedFigure[]): string[] {
  const units = [...new Set(figures.map(({ unit }) => unit ?? 'none'))];
  if (units.length < 2) return [];
  const columnOf = (asked: string) => figures.find(({ unit }) => (unit ?? 'none') === asked)!.column + 1;
  const told = units.map(
    (unit) => `${unit === 'none' ? 'no unit' : UNIT_SYMBOL[unit]} in column ${columnOf(unit)}`,
  );
  return [`There is ${told.join(' and ')}: one unit for all that is pasted.`];
}

const toldFaults = (faults: readonly string[]): string[] =>
  faults.length <= MOST_TOLD
    ? [...faults]
    : [...faults.slice(0, MOST_TOLD), `And ${faults.length - MOST_TOLD} more.`];
