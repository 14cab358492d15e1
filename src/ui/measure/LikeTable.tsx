'use client';

import { Box, chakra, Flex, Heading } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import { gaugesFor, usualGauge } from '@/core/metrology/gaugesFor';
import { padUnit } from '@/core/quantity/readsIn';
import { unitsAlike } from '@/core/quantity/units';
import type { Check } from '@/model/checks';
import { UNIT_SYMBOL, type Unit } from '@/model/units';
import type { OfJob } from '../job/useBench';
import { Select, TextArea } from '../kit/Field';
import { useReadsIn } from '../kit/figures';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { TakenWith } from './TakenWith';
import { type At, cellOf, keyOf, type LikeTableState, nextCell, useLikeTable } from './useLikeTable';

interface LikeTableProps extends OfJob {
  readonly check: Check;
  /** The part that it was opened from: the cursor begins at it. */
  readonly from: string;
  readonly onClose: () => void;
}

/** One check of all the parts that it is asked of: places down, parts across. Figures and Enter, or pasted from a spreadsheet. */
export function LikeTable({ job, check, from, onClose }: LikeTableProps) {
  const table = useLikeTable({ job }, check);
  const { columns, places, at, trouble, pasted } = table;
  const gauges = gaugesFor(
    job.snapshot.gauges.filter(({ home }) => !home),
    check,
  );
  const [gaugeId, setGaugeId] = useState(() => usualGauge(gauges, job.snapshot.readings, check));
  const readsIn = useReadsIn();
  const [unit, setUnit] = useState<Unit>(() => padUnit(check, readsIn));
  const [held, setHeld] = useState('');
  const grid = useRef<HTMLTableElement>(null);
  const focus = ({ row, column }: At) =>
    grid.current?.querySelector<HTMLInputElement>(`[data-cell="${row} ${column}"]`)?.focus();
  const begin = useRef(columns.findIndex(({ part }) => part.position.id === from));
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when it opens
  useEffect(() => focus({ row: 0, column: Math.max(0, begin.current) }), []);
  const gauge = gauges.find(({ id }) => id === gaugeId);
  if (!gauge) return <EmptyState>No gauge of this shop measures {UNIT_SYMBOL[check.unit]}.</EmptyState>;
  const takeAt = (cell: At, text: string) => {
    const next = nextCell(cell, places.length, columns.length);
    if (text.trim() === '') return focus(next);
    if (!table.take(cell, text, { unit, gaugeId, held })) return;
    table.send();
    focus(next);
  };
  const waiting = Object.entries(table.drafts).filter(([, text]) => text !== '');
  const takeAll = () => {
    for (const [key, text] of waiting)
      if (!table.take(cellOf(key), text, { unit, gaugeId, held })) return focus(cellOf(key));
    table.send();
  };
  return (
    <Box data-testid="like-table">
      <Flex justify="space-between" align="center" gap="8px">
        <Heading as="h3" fontSize="18px">
          {check.title}
          {columns.length > 1 ? `, ${columns.length} parts` : ''}
        </Heading>
        <Press onClick={onClose}>One at a time</Press>
      </Flex>
      <Flex
        position="sticky"
        top="0"
        zIndex={2}
        bg="paper"
        gap="12px"
        align="center"
        wrap="wrap"
        paddingBlock="6px"
        borderBottom="2px solid"
        borderColor="ink"
      >
        <Box fontSize="20px" fontWeight={650} data-testid="place" aria-live="polite">
          {columns[at.column]?.part.position.name}
          {places[at.row] ? `, ${places[at.row]}` : ''}
        </Box>
        <Select
          aria-label="Unit as printed on the gauge"
          value={unit}
          width="auto"
          onChange={(event) => setUnit(event.target.value as Unit)}
        >
          {unitsAlike(check.unit).map((alike) => (
            <option key={alike} value={alike}>
              {UNIT_SYMBOL[alike]}
            </option>
          ))}
        </Select>
        <Box flex="1 1 260px">
          <TakenWith {...{ check, gauges, gauge, held }} onGauge={setGaugeId} onHeld={setHeld} />
        </Box>
      </Flex>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      {pasted && <PutRight table={table} unit={unit} onUnit={setUnit} />}
      <Box overflowX="auto" marginTop="6px">
        <chakra.table
          ref={grid}
          aria-label={`${check.title}: places down, parts across`}
          css={{ '& th': { fontWeight: 400, fontSize: '13px', textAlign: 'left', padding: '2px 6px' } }}
        >
          <thead>
            <tr>
              <th />
              {columns.map(({ part: { position }, check: { id } }) => (
                <th key={`${position.id} ${id}`} scope="col">
                  {position.name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {places.map((place, row) => (
              <tr key={place}>
                <th scope="row">{place || 'reading'}</th>
                {columns.map(({ part, check: { id } }, column) => (
                  <Cell
                    key={`${part.position.id} ${id}`}
                    {...{ table, cell: { row, column }, onTake: takeAt, onGoTo: focus }}
                    label={`${part.position.name}, ${place || 'reading'}`}
                    onPaste={(text) => table.paste(text, { row, column }, unit, setUnit)}
                  />
                ))}
              </tr>
            ))}
          </tbody>
        </chakra.table>
      </Box>
      {waiting.length > 0 && (
        <Flex gap="8px" marginTop="8px" wrap="wrap">
          <Press kind="take" size="bench" onClick={takeAll}>
            Take {waiting.length === 1 ? 'this figure' : `these ${waiting.length} figures`}
          </Press>
          <Press onClick={table.forget}>Throw them away</Press>
        </Flex>
      )}
      <Box fontSize="13px" color="second" marginTop="6px">
        Enter takes a figure and goes on down the part, then to the next one; arrows go anywhere. What a
        spreadsheet gives is pasted into the cell where it begins.
      </Box>
    </Box>
  );
}

interface CellProps {
  readonly table: LikeTableState;
  readonly cell: At;
  readonly label: string;
  readonly onTake: (cell: At, text: string) => void;
  readonly onGoTo: (cell: At) => void;
  readonly onPaste: (text: string) => void;
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowDown: [1, 0],
  ArrowUp: [-1, 0],
  ArrowRight: [0, 1],
  ArrowLeft: [0, -1],
};

function Cell({ table, cell, label, onTake, onGoTo, onPaste }: CellProps) {
  const { drafts, columns, places } = table;
  const key = keyOf(cell);
  const before = table.readingAt(cell);
  return (
    <td>
      <chakra.input
        data-cell={key}
        aria-label={before ? `${label}, read ${before.raw} ${UNIT_SYMBOL[before.unit]}` : label}
        inputMode="decimal"
        autoComplete="off"
        width="84px"
        minHeight="44px"
        textAlign="right"
        paddingInline="6px"
        fontSize="18px"
        border="1px solid"
        borderColor={before ? 'ink' : 'rule'}
        borderStyle={before ? 'solid' : 'dashed'}
        bg="field"
        placeholder={before?.raw ?? ''}
        value={drafts[key] ?? ''}
        onFocus={() => table.setAt(cell)}
        onChange={(event) => table.put({ [key]: event.target.value })}
        onPaste={(event) => {
          const text = event.clipboardData.getData('text/plain');
          // One figure is typed by pasting it; a table fills from here.
          if (!/[\t\n;]/.test(text.trim())) return;
          event.preventDefault();
          onPaste(text);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault();
            return onTake(cell, table.typedAt(cell));
          }
          const step = ARROWS[event.key];
          if (!step) return;
          const [down, right] = step;
          const sideways = right !== 0 && event.currentTarget.value !== '';
          const next = { row: cell.row + down, column: cell.column + right };
          // Within a figure the arrows move in it.
          if (
            sideways ||
            next.row < 0 ||
            next.column < 0 ||
            next.row >= places.length ||
            next.column >= columns.length
          )
            return;
          event.preventDefault();
          onGoTo(next);
        }}
      />
    </td>
  );
}

/** What was pasted and can't be taken so: it stays here with what is wrong, to be put right. */
function PutRight({
  table,
  unit,
  onUnit,
}: {
  readonly table: LikeTableState;
  readonly unit: Unit;
  readonly onUnit: (unit: Unit) => void;
}) {
  const { pasted, setPasted, at } = table;
  if (!pasted) return null;
  return (
    <Box border="2px solid" borderColor="oxide" padding="8px" marginTop="6px" data-testid="pasted">
      {pasted.table.faults.map((fault) => (
        <Box key={fault} role="alert" color="oxide">
          {fault}
        </Box>
      ))}
      <TextArea
        aria-label="What was pasted"
        rows={4}
        fontSize="13px"
        value={pasted.text}
        onChange={(event) => setPasted({ ...pasted, text: event.target.value })}
      />
      <Flex gap="8px">
        <Press onClick={() => table.paste(pasted.text, at, unit, onUnit)}>Put it in now</Press>
        <Press kind="quiet" onClick={() => setPasted(undefined)}>
          Leave it
        </Press>
      </Flex>
    </Box>
  );
}
