import Papa from 'papaparse';
import type { Paper, PaperBlock } from '@/model/paper';
import { csvText } from '../csvText';

const COLUMNS = ['section', 'item', 'field', 'value'] as const;

/**
 * A report as one table with the columns section, item, field, value: a line for each cell of its tables and for each line of its text. So one
 * table holds what has many shapes, and any program reads it.
 */
export function paperCsv({ sections }: Paper): string {
  const lines = sections.flatMap(({ title, blocks }) =>
    blocks.flatMap((block) => linesOf(block).map((line) => [title, ...line].map(csvText))),
  );
  return `${Papa.unparse({ fields: [...COLUMNS], data: lines }, { newline: '\r\n' })}\r\n`;
}

/** Item, field, value. */
type Line = readonly [string, string, string];

function linesOf(block: PaperBlock): Line[] {
  switch (block.as) {
    case 'text':
      return [['', block.label ?? '', block.words]];
    case 'part':
      return [[block.name, 'grade', `${block.grade} ${block.gradeWord}`]];
    case 'facts':
      return block.facts.map(([label, value]): Line => ['', label, value]);
    case 'list':
      return block.lines.map((line): Line => ['', '', line]);
    case 'table':
      return block.rows.flatMap(({ cells }) => cellsOf(block.columns, cells));
    case 'photographs':
      return block.photographs.map(({ caption, digest }): Line => [caption, 'photograph', digest]);
    case 'drawing':
      return block.places.map(({ number, name }): Line => [name, 'number in the drawing', String(number)]);
    case 'scale':
      return [['', block.title, block.words[block.holds] ?? '']];
    case 'reply':
      return [];
  }
}

/** The first column that isn't a bare running number names the item. */
function cellsOf(columns: readonly { name: string }[], cells: readonly string[]): Line[] {
  const named = columns[0]?.name === 'No.' ? 1 : 0;
  return cells.flatMap((cell, at): Line[] =>
    at === named ? [] : [[cells[named] ?? '', columns[at]!.name, cell]],
  );
}
