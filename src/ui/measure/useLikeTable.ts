'use client';

import { useRef, useState } from 'react';
import { likeChecks } from '@/core/metrology/likeChecks';
import { placesOf } from '@/core/metrology/places';
import { parseReading } from '@/core/quantity/parseReading';
import { type PastedTable, readPasted } from '@/core/quantity/pastedTable';
import { convert } from '@/core/quantity/units';
import { findActive } from '@/core/wear/active';
import type { PartState } from '@/core/wear/partStanding';
import type { Check } from '@/model/checks';
import type { Reading } from '@/model/snapshot';
import { UNIT_SYMBOL, type Unit } from '@/model/units';
import { keptOr } from '../job/keptOr';
import { type OfJob, useBench } from '../job/useBench';
import { useKept } from '../kit/useKept';
import { isFarOff } from './ReadingPad';

export interface At {
  readonly row: number;
  readonly column: number;
}

export interface Column {
  readonly part: PartState;
  readonly check: Check;
}

/** A check of several like parts as a table: places down, parts across; what is typed is taken cell by cell. */
export function useLikeTable({ job }: OfJob, check: Check) {
  const { tellKept } = useBench();
  const columns = likeChecks(check, job.snapshot.unitType.checks).flatMap(
    ({ check: own, positionId }): Column[] => {
      const part = job.parts.find(({ position }) => position.id === positionId);
      return part ? [{ part, check: own }] : [];
    },
  );
  const places = placesOf(check);
  const [drafts, setDrafts, forget] = useKept<Record<string, string>>(
    `table ${job.snapshot.job.id} ${check.id}`,
    {},
  );
  const typed = useRef(drafts);
  typed.current = drafts;
  const [at, setAt] = useState<At>({ row: 0, column: 0 });
  const [trouble, setTrouble] = useState('');
  /** Asked back once, and taken when it is pressed again. */
  const doubted = useRef('');
  const [pasted, setPasted] = useState<{ readonly text: string; readonly table: PastedTable }>();
  const put = (changes: Record<string, string | undefined>) => {
    const next = { ...typed.current };
    for (const [cell, text] of Object.entries(changes)) {
      if (text === undefined || text === '') delete next[cell];
      else next[cell] = text;
    }
    typed.current = next;
    setDrafts(next);
  };
  const readings = findActive(job.snapshot.readings);
  const readingAt = ({ row, column }: At): Reading | undefined =>
    readings.findLast(
      ({ positionId, checkId, place }) =>
        checkId === columns[column]?.check.id &&
        positionId === columns[column]?.part.position.id &&
        place === places[row],
    );
  /** Takes one cell; answers whether it is a figure. */
  const take = (
    cell: At,
    text: string,
    how: { readonly unit: Unit; readonly gaugeId: string; readonly held: string },
  ): boolean => {
    const { part, check: own } = columns[cell.column] ?? {};
    const place = places[cell.row];
    const parsed = parseReading(text);
    if (!part || !own || place === undefined) return false;
    if (!parsed.ok) {
      setTrouble(`${part.position.name}, ${place}: ${parsed.message}`);
      return false;
    }
    const doubt = `${keyOf(cell)} ${text} ${how.unit}`;
    if (isFarOff(convert(parsed.value, how.unit, own.unit), own) && doubted.current !== doubt) {
      doubted.current = doubt;
      setTrouble(
        `${part.position.name}, ${place}: ${parsed.shown} ${UNIT_SYMBOL[how.unit]} is far from what is usual here. Is the unit right? Take it again if it is so.`,
      );
      return false;
    }
    setTrouble('');
    const taken = job.take('reading', {
      ...{ positionId: part.position.id, checkId: own.id, place, raw: parsed.shown },
      ...{ unit: how.unit, gaugeId: how.gaugeId },
      ...(how.held === '' ? {} : { held: how.held }),
    });
    tellKept({
      ...{ kind: 'reading', captureId: taken.id },
      words: `${part.position.name}, ${place}: ${parsed.shown}`,
    });
    put({ [keyOf(cell)]: undefined });
    void keptOr(taken, 'take it again').then((wrong) => wrong !== '' && setTrouble(wrong));
    return true;
  };
  /** A paste fills from the cell in hand; where something is wrong with it, nothing of it, and it stays to be put right. */
  const paste = (text: string, from: At, unit: Unit, onUnit: (unit: Unit) => void) => {
    const table = readPasted(text, {
      ...{ rows: places.length - from.row, columns: columns.length - from.column, unit },
    });
    if (table.faults.length > 0) return setPasted({ text, table });
    if (table.unit && table.unit !== unit && Object.keys(typed.current).length > 0)
      return setTrouble(
        `What is pasted is in ${UNIT_SYMBOL[table.unit]}, and what is typed here in ${UNIT_SYMBOL[unit]}: take that first.`,
      );
    // What was written beside the figures holds: 2 thou are no 2 mm.
    if (table.unit) onUnit(table.unit);
    setPasted(undefined);
    setTrouble('');
    const cells = table.figures.map(({ row, column, shown }) => [
      keyOf({ row: from.row + row, column: from.column + column }),
      shown,
    ]);
    put(Object.fromEntries(cells));
  };
  return {
    ...{
      columns,
      places,
      drafts,
      at,
      setAt,
      trouble,
      setTrouble,
      pasted,
      setPasted,
      put,
      take,
      paste,
      readingAt,
    },
    typedAt: (cell: At) => typed.current[keyOf(cell)] ?? '',
    forget,
    send: () => void job.sendWaiting(),
  };
}
export type LikeTableState = ReturnType<typeof useLikeTable>;

export const keyOf = ({ row, column }: At): string => `${row} ${column}`;
export const cellOf = (key: string): At => {
  const [row = 0, column = 0] = key.split(' ').map(Number);
  return { row, column };
};

/** The next cell: down the places of a part, then on to the next part; stays in the last one. */
export const nextCell = ({ row, column }: At, rows: number, columns: number): At =>
  row + 1 < rows
    ? { row: row + 1, column }
    : column + 1 < columns
      ? { row: 0, column: column + 1 }
      : { row, column };
