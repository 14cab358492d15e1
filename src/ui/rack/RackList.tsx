'use client';

import { Box, chakra } from '@chakra-ui/react';
import {
  type ColumnDef,
  createSortedRowModel,
  flexRender,
  type Header,
  rowSortingFeature,
  sortFn_alphanumeric,
  sortFn_basic,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import Link from 'next/link';
import { useState } from 'react';
import { STATIONS } from '@/model/job';
import type { RackEntry } from '@/model/snapshot';
import { longDate, overdueWords } from '../kit/dates';
import { tellAsked } from './tellAsked';

const FEATURES = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { basic: sortFn_basic, alphanumeric: sortFn_alphanumeric },
});

const stationOf = ({ station }: RackEntry) => STATIONS.findIndex(({ id }) => id === station);
const waitsFor = ({ hold, waitsFor: words, asked }: RackEntry) =>
  [hold ? `On hold: ${hold}` : words, tellAsked(asked)].filter(Boolean).join('. ');

const columnsFor = (today: string): ColumnDef<typeof FEATURES, RackEntry>[] => [
  {
    id: 'peg',
    header: 'Peg',
    sortDescFirst: false,
    accessorFn: ({ peg }) => peg,
    cell: ({ row: { original } }) => <Link href={`/jobs/${original.peg}`}>{original.peg}</Link>,
  },
  { id: 'unit', header: 'Unit', accessorFn: ({ title, machine }) => `${title}, ${machine}` },
  { id: 'owner', header: 'Owner', accessorFn: ({ customer }) => customer },
  {
    id: 'station',
    header: 'Station',
    sortDescFirst: false,
    // By how far it has come, then by how much is open.
    accessorFn: (entry) => stationOf(entry) * 10_000 + entry.stationOpen,
    cell: ({ row: { original } }) =>
      original.trouble || `${STATIONS[stationOf(original)]?.name}, ${original.stationOpen} open`,
  },
  { id: 'waits', header: 'Waits for', accessorFn: waitsFor },
  {
    id: 'due',
    header: 'Due',
    accessorFn: ({ dueOn }) => dueOn,
    cell: ({ row: { original } }) => {
      const late = overdueWords(original.dueOn, today);
      return `${longDate(original.dueOn)}${late ? `, ${late}` : ''}`;
    },
  },
];

interface RackListProps {
  readonly entries: readonly RackEntry[];
  readonly today: string;
}

/** The same units for keyboards, screen readers and people who prefer lists; a press on a head sorts by it. */
export function RackList({ entries, today }: RackListProps) {
  const [columns] = useState(() => columnsFor(today));
  const table = useTable({ features: FEATURES, columns, data: entries });
  return (
    <Box overflowX="auto">
      <chakra.table width="100%" marginTop="12px" css={CELLS}>
        <thead>
          <tr>
            {table.getFlatHeaders().map((header) => (
              <SortHead key={header.id} header={header} />
            ))}
          </tr>
        </thead>
        <tbody>
          {table.getRowModel().rows.map((row) => (
            <tr key={row.original.peg}>
              {row.getAllCells().map((cell) => (
                <td key={cell.id}>{flexRender(cell.column.columnDef.cell, cell.getContext())}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </chakra.table>
    </Box>
  );
}

const CELLS = {
  '& td': {
    padding: '8px 12px 8px 0',
    borderBottom: '1px solid var(--chakra-colors-rule)',
    textAlign: 'left',
    verticalAlign: 'top',
  },
};
const SORTED = { asc: 'ascending', desc: 'descending' } as const;

function SortHead({ header }: { readonly header: Header<typeof FEATURES, RackEntry, unknown> }) {
  const sorted = header.column.getIsSorted();
  return (
    <chakra.th
      textAlign="left"
      borderBottom="2px solid"
      borderColor="ink"
      aria-sort={sorted ? SORTED[sorted] : 'none'}
    >
      <chakra.button
        type="button"
        minHeight="44px"
        paddingRight="12px"
        fontWeight={600}
        cursor="pointer"
        onClick={header.column.getToggleSortingHandler()}
      >
        {flexRender(header.column.columnDef.header, header.getContext())}
        <Box as="span" aria-hidden="true" marginLeft="4px" color="second">
          {sorted === 'asc' ? '↑' : sorted === 'desc' ? '↓' : '↕'}
        </Box>
      </chakra.button>
    </chakra.th>
  );
}
