import type { PaperBlock, PaperColumn } from '@/model/paper';
import {
  bottomOf,
  decoration,
  element,
  grouped,
  INKS,
  keepTogether,
  MARGIN,
  type Sheet,
  widthOf,
} from './sheet';

type Table = Extract<PaperBlock, { as: 'table' }>;

const SIZE = 8.5;
const PAD = 3;
const GAP = 8;
/** A row higher than this is torn anyway. */
const MOST_HELD = 420;

/** What the head and the first row of a table need, points. */
export function leadOfTable(sheet: Sheet, { columns, rows }: Table): number {
  const widths = widthsOf(sheet, columns);
  const head = heightOf(
    sheet,
    columns.map(({ name }) => name),
    widths,
    'bold',
  );
  return head + (rows[0] ? Math.min(MOST_HELD, heightOf(sheet, rows[0].cells, widths, 'text')) : 0);
}

const widthsOf = (sheet: Sheet, columns: readonly PaperColumn[]): number[] =>
  columns.map(({ share }) => share * widthOf(sheet) - GAP);

/** A table whose head stands again on every page; a row is only torn where it is longer than a page. */
export function printTable(sheet: Sheet, table: Table): void {
  const { columns, rows } = table;
  const lefts = columns.map((_, at) =>
    columns.slice(0, at).reduce((left, { share }) => left + share * widthOf(sheet), MARGIN),
  );
  const widths = widthsOf(sheet, columns);
  const grid = { columns, lefts, widths };
  grouped(sheet, 'Table', (inner) => {
    // A head never stands alone at the foot of a page.
    keepTogether(sheet, leadOfTable(sheet, table));
    heads(inner, grid);
    for (const { cells } of rows) {
      const high = heightOf(sheet, cells, widths, 'text');
      if (sheet.pdf.y + high > bottomOf(sheet) && high < bottomOf(sheet) - MARGIN) {
        sheet.pdf.addPage();
        decoration(sheet, () =>
          drawCells(
            sheet,
            grid,
            columns.map(({ name }) => name),
            'bold',
          ),
        );
      }
      row(inner, grid, cells);
    }
  });
  sheet.pdf.moveDown(0.6);
}

interface Grid {
  readonly columns: readonly PaperColumn[];
  readonly lefts: readonly number[];
  readonly widths: readonly number[];
}

function heads(sheet: Sheet, grid: Grid): void {
  const names = grid.columns.map(({ name }) => name);
  const top = sheet.pdf.y;
  const high = heightOf(sheet, names, grid.widths, 'bold');
  decoration(sheet, () => sheet.pdf.rect(MARGIN, top, widthOf(sheet), high).fill(INKS.band));
  grouped(sheet, 'TR', (line) => {
    names.forEach((name, at) => {
      element(line, 'TH', () => cell(sheet, grid, at, name, top, 'bold'), { scope: 'Column' });
    });
  });
  sheet.pdf.y = top + high;
}

function row(sheet: Sheet, grid: Grid, cells: readonly string[]): void {
  const top = sheet.pdf.y;
  const high = heightOf(sheet, cells, grid.widths, 'text');
  const page = sheet.pdf.page;
  grouped(sheet, 'TR', (line) => {
    cells.forEach((words, at) => {
      element(line, 'TD', () => cell(sheet, grid, at, words, top, 'text'));
    });
  });
  // A row longer than a page has gone on by itself.
  if (sheet.pdf.page === page) sheet.pdf.y = top + high;
  decoration(sheet, () => {
    sheet.pdf
      .strokeColor(INKS.rule)
      .lineWidth(0.3)
      .moveTo(MARGIN, sheet.pdf.y)
      .lineTo(MARGIN + widthOf(sheet), sheet.pdf.y)
      .stroke();
  });
}

function drawCells(sheet: Sheet, grid: Grid, names: readonly string[], font: 'text' | 'bold'): void {
  const top = sheet.pdf.y;
  names.forEach((name, at) => {
    cell(sheet, grid, at, name, top, font);
  });
  sheet.pdf.y = top + heightOf(sheet, names, grid.widths, font);
}

function cell(
  { pdf }: Sheet,
  { columns, lefts, widths }: Grid,
  at: number,
  words: string,
  top: number,
  font: 'text' | 'bold',
): void {
  pdf
    .font(font)
    .fontSize(SIZE)
    .fillColor(INKS.ink)
    .text(words || '–', lefts[at]! + 2, top + PAD, {
      width: widths[at]!,
      align: columns[at]!.numeric ? 'right' : 'left',
    });
}

function heightOf(
  { pdf }: Sheet,
  cells: readonly string[],
  widths: readonly number[],
  font: 'text' | 'bold',
): number {
  pdf.font(font).fontSize(SIZE);
  return (
    2 * PAD + Math.max(...cells.map((words, at) => pdf.heightOfString(words || '–', { width: widths[at]! })))
  );
}
