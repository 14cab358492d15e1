import Papa from 'papaparse';
import * as v from 'valibot';
import {
  LIMIT_COLUMNS,
  type LimitRow,
  limitRowsOf,
  type NumberedRow,
  type RowOutcome,
  readLimitRows,
} from '@/core/limits/limitRows';
import { CheckSchema } from '@/model/checks';
import { IdSchema, TABLE_LINES } from '@/model/ids';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';
import { readSheet } from './sheets';

const PreviewSchema = v.object({
  unitTypeId: IdSchema,
  /** The checks as they stand in the draft. */
  checks: v.pipe(v.array(CheckSchema), v.maxLength(2000)),
  text: v.pipe(
    v.string(),
    v.trim(),
    v.minLength(1, 'paste some rows first'),
    v.maxLength(500_000, 'at most half a million characters at once'),
  ),
});

/** What a pasted table would change, line by line. Nothing is stored. */
export const previewTable = defineUseCase(
  'limit.keep',
  PreviewSchema,
  (actor, context, { unitTypeId, checks, text }): { readonly outcomes: readonly RowOutcome[] } => {
    const { unitType } = readSheet(actor, context, { unitTypeId });
    const rows = readTable(text);
    return { outcomes: readLimitRows({ checks, positions: unitType.positions }, rows) };
  },
);

/** Tabs, semicolons or commas; with the columns' names in the first line, or in the sheet's own order without them. */
function readTable(text: string): NumberedRow[] {
  const { data } = Papa.parse<string[]>(text, { skipEmptyLines: false, delimitersToGuess: ['\t', ';', ','] });
  if (data.length > TABLE_LINES)
    throw new Refusal('bad-input', `The table has ${data.length} lines; at most ${TABLE_LINES} at once.`);
  const head = (data[0] ?? []).map((cell) => cell.trim().toLowerCase());
  const named = head.includes('part') && head.includes('check');
  const unknown = named ? head.find((cell) => cell !== '' && !isColumn(cell)) : undefined;
  if (unknown) {
    throw new Refusal(
      'bad-input',
      `The column “${unknown}” is not known. Columns: ${LIMIT_COLUMNS.join(', ')}.`,
    );
  }
  const columns: readonly string[] = named ? head : LIMIT_COLUMNS;
  const rows = data
    .map((cells, index) => ({ line: index + 1, cells }))
    .slice(named ? 1 : 0)
    .filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  if (rows.length === 0) throw new Refusal('bad-input', 'There is no row below the columns’ names.');
  return rows.map(({ line, cells }) => ({ line, row: rowOf(columns, cells) }));
}

const rowOf = (columns: readonly string[], cells: readonly string[]): LimitRow =>
  Object.fromEntries(
    LIMIT_COLUMNS.flatMap((column) => {
      const at = columns.indexOf(column);
      return at < 0 ? [] : [[column, cells[at] ?? '']];
    }),
  );

const isColumn = (cell: string): boolean => (LIMIT_COLUMNS as readonly string[]).includes(cell);

/** The sheet as a table that a spreadsheet opens; cells that could pass for formulas are made harmless. */
export const printTable = defineUseCase(
  'limit.read',
  v.object({ unitTypeId: IdSchema }),
  (actor, context, { unitTypeId }) => {
    const { unitType } = readSheet(actor, context, { unitTypeId });
    return {
      fileName: `${unitType.id}-revision-${unitType.revision}.csv`,
      text: Papa.unparse(limitRowsOf(unitType), { columns: [...LIMIT_COLUMNS], escapeFormulae: true }),
    };
  },
);
