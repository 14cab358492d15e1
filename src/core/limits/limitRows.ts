import * as v from 'valibot';
import { type Check, LIMIT_KINDS, LIMIT_SOURCES, type Limit, LimitSchema } from '@/model/checks';
import { UnitSchema } from '@/model/units';
import type { Position } from '@/model/unitType';
import { parseReading } from '../quantity/parseReading';
import { sameDimension } from '../quantity/units';

/** The columns of a limit sheet as a table, in this order. */
export const LIMIT_COLUMNS = [
  'part',
  'check',
  'kind',
  'min',
  'max',
  'aim',
  'variation',
  'unit',
  'source',
  'source words',
  'reason',
] as const;
/** One row; a column that the table does not have is left out, and what stands there already is kept. */
export type LimitRow = Readonly<Partial<Record<(typeof LIMIT_COLUMNS)[number], string>>>;

/** A row with its line in the table, from 1. */
export interface NumberedRow {
  readonly line: number;
  readonly row: LimitRow;
}

export type RowOutcome =
  | { readonly line: number; readonly ok: false; readonly message: string }
  | {
      readonly line: number;
      readonly ok: true;
      readonly what: 'new' | 'changed' | 'same';
      readonly checkId: string;
      readonly limit: Limit;
    };

type Sheet = { readonly checks: readonly Check[]; readonly positions: readonly Position[] };

/**
 * Reads rows of a table against the checks they name, each on its own: a row that can't be taken says why, with its
 * line, and keeps none of the others from being taken. Figures are read as from a hand, so `1,234` is asked back.
 */
export function readLimitRows(sheet: Sheet, rows: readonly NumberedRow[]): RowOutcome[] {
  const seen = new Map<string, number>();
  return rows.map(({ line, row }): RowOutcome => {
    const read = readRow(sheet, row);
    if (typeof read === 'string') return { line, ok: false, message: read };
    const key = `${read.check.id} ${limitKey(read.limit)}`;
    const before = seen.get(key);
    if (before !== undefined) return { line, ok: false, message: `says again what line ${before} says` };
    seen.set(key, line);
    const there = read.check.limits.find((limit) => limitKey(limit) === limitKey(read.limit));
    const what = there === undefined ? 'new' : sameFigures(there, read.limit) ? 'same' : 'changed';
    return { line, ok: true, what, checkId: read.check.id, limit: read.limit };
  });
}

/** The checks with the rows that could be taken put in; a limit of the same kind and source is replaced. */
export function withLimits(checks: readonly Check[], outcomes: readonly RowOutcome[]): Check[] {
  return checks.map((check) => {
    const taken = outcomes.flatMap((outcome) =>
      outcome.ok && outcome.what !== 'same' && outcome.checkId === check.id ? [outcome.limit] : [],
    );
    const kept = check.limits.filter((limit) => !taken.some((each) => limitKey(each) === limitKey(limit)));
    return taken.length === 0 ? check : { ...check, limits: [...kept, ...taken] };
  });
}

/** One limit of each kind and source stands on a check. */
export const limitKey = ({ kind, source }: Limit): string => `${kind} ${source.kind}`;

const FIGURES = ['min', 'max', 'aim', 'variation'] as const;
const sameFigures = (a: Limit, b: Limit): boolean =>
  FIGURES.every((figure) => a[figure] === b[figure]) &&
  a.unit === b.unit &&
  a.source.words === b.source.words &&
  (a.reason ?? '') === (b.reason ?? '');

function readRow(sheet: Sheet, row: LimitRow): { check: Check; limit: Limit } | string {
  const check = findCheck(sheet, row);
  if (typeof check === 'string') return check;
  const kind = folded(row.kind);
  const source = folded(row.source) || 'maker';
  if (!(LIMIT_KINDS as readonly string[]).includes(kind))
    return `“${row.kind ?? ''}” is no kind; one of ${LIMIT_KINDS.join(', ')}`;
  if (!(LIMIT_SOURCES as readonly string[]).includes(source))
    return `“${row.source}” is no source; one of ${LIMIT_SOURCES.join(', ')}`;
  const there = check.limits.find((limit) => limitKey(limit) === `${kind} ${source}`);
  const unit = v.safeParse(UnitSchema, row.unit?.trim() || (there?.unit ?? check.unit));
  if (!unit.success) return `“${row.unit}” is no unit of this shop`;
  if (!sameDimension(unit.output, check.unit))
    return `${check.title} is measured in ${check.unit}, not in ${unit.output}`;
  const figures = readFigures(row, there?.unit === unit.output ? there : undefined);
  if (typeof figures === 'string') return figures;
  if (figures.min === undefined && figures.max === undefined && figures.variation === undefined)
    return 'holds no figure: neither min nor max nor variation';
  const words = row['source words'] ?? there?.source.words ?? '';
  if (words.trim() === '') return 'names no source: which book and page, or whose experience';
  const reason = (row.reason ?? there?.reason ?? '').trim();
  const limit = v.safeParse(LimitSchema, {
    kind,
    ...figures,
    unit: unit.output,
    source: { kind: source, words },
    ...(reason ? { reason } : {}),
  });
  return limit.success ? { check, limit: limit.output } : limit.issues[0].message;
}

const folded = (text = ''): string => text.trim().toLowerCase();

function findCheck({ checks, positions }: Sheet, row: LimitRow): Check | string {
  const part = folded(row.part);
  const named = positions.filter(({ id, name }) => folded(name) === part || id === part).map(({ id }) => id);
  if (named.length === 0) return `there is no part “${row.part ?? ''}”`;
  const check = folded(row.check);
  const found = checks.filter(
    ({ id, title, positions: on }) =>
      on.some((id) => named.includes(id)) && (folded(title) === check || id === check),
  );
  if (found.length === 0) return `${row.part} has no check “${row.check ?? ''}”`;
  if (found.length > 1) return `${row.part} has ${found.length} checks “${row.check}”; name it by its id`;
  return found[0]!;
}

function readFigures(
  row: LimitRow,
  there: Limit | undefined,
): Partial<Record<(typeof FIGURES)[number], number>> | string {
  const figures: Partial<Record<(typeof FIGURES)[number], number>> = {};
  for (const figure of FIGURES) {
    const text = row[figure];
    const kept = text === undefined ? there?.[figure] : undefined;
    if (kept !== undefined) figures[figure] = kept;
    if (text === undefined || text.trim() === '') continue;
    const parsed = parseReading(text);
    if (!parsed.ok) return `${figure}: ${parsed.message}`;
    figures[figure] = parsed.value;
  }
  return figures;
}

/** A check's limits as rows, in the sheet's columns. */
export function limitRowsOf({ checks, positions }: Sheet): LimitRow[] {
  return checks.flatMap((check) => {
    const part = positions.find(({ id }) => id === check.positions[0])?.name ?? check.positions[0] ?? '';
    const text = (value: number | undefined) => (value === undefined ? '' : String(value));
    return check.limits.map((limit) => ({
      part,
      check: check.title,
      kind: limit.kind,
      min: text(limit.min),
      max: text(limit.max),
      aim: text(limit.aim),
      variation: text(limit.variation),
      unit: limit.unit,
      source: limit.source.kind,
      'source words': limit.source.words,
      reason: limit.reason ?? '',
    }));
  });
}
