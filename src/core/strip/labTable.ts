import type { OilThresholds } from '@/model/oilThresholds';
import { parseReading } from '../quantity/parseReading';

export interface LabColumns {
  readonly element: number;
  readonly value: number;
  readonly unit?: number;
}

export interface LabLine {
  readonly line: number;
  readonly element?: string;
  readonly value?: number;
  /** Why this line is left out. */
  readonly message?: string;
}

const ELEMENT = /^(element|metal|parameter|what|test)$/i;
const VALUE = /^(value|result|ppm|mg\/kg|figure)$/i;
const UNIT = /^units?$/i;

/** Which columns a laboratory's table means, as far as its heads tell; the person corrects it where they don't. */
export function guessColumns(heads: readonly string[]): Partial<LabColumns> {
  const find = (pattern: RegExp) => {
    const index = heads.findIndex((head) => pattern.test(head.trim()));
    return index < 0 ? undefined : index;
  };
  const [element, value, unit] = [find(ELEMENT), find(VALUE), find(UNIT)];
  return {
    ...(element === undefined ? {} : { element }),
    ...(value === undefined ? {} : { value }),
    ...(unit === undefined ? {} : { unit }),
  };
}

/**
 * Reads a laboratory's table line by line: a line that can't be taken says why, and keeps none of the others from being
 * taken. Figures may have a decimal comma; percent and mg/kg become ppm.
 * @param rows without the heads; line 1 of the file are the heads
 */
export function readLabTable(
  rows: readonly (readonly string[])[],
  columns: LabColumns,
  { elements }: OilThresholds,
): LabLine[] {
  const seen = new Set<string>();
  return rows.map((row, index): LabLine => {
    const line = index + 2;
    const written = (row[columns.element] ?? '').trim();
    const element = elements.find(({ short }) => short.includes(written.toLowerCase()));
    if (!element)
      return {
        line,
        message: written === '' ? 'no element' : `“${written}” is no element that is judged here`,
      };
    if (seen.has(element.id)) return { line, message: `${element.name} stands there twice` };
    const figure = (row[columns.value] ?? '').trim();
    const parsed = parseReading(figure);
    if (!parsed.ok) return { line, message: `${element.name}: ${parsed.message}` };
    if (parsed.value < 0) return { line, message: `${element.name} can’t be below zero` };
    const factor = toPpm(columns.unit === undefined ? '' : (row[columns.unit] ?? ''));
    if (factor === undefined)
      return { line, message: `${element.name}: “${row[columns.unit ?? 0]}” is no unit of it` };
    seen.add(element.id);
    return { line, element: element.id, value: parsed.value * factor };
  });
}

function toPpm(unit: string): number | undefined {
  const written = unit.trim().toLowerCase();
  if (['', '-', 'ppm', 'mg/kg', 'index'].includes(written)) return 1;
  return written === '%' ? 10_000 : undefined;
}
