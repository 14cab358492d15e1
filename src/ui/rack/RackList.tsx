import { Box, chakra } from '@chakra-ui/react';
import Link from 'next/link';
import { STATIONS } from '@/model/job';
import type { RackEntry } from '@/model/snapshot';
import { longDate, overdueWords } from '../kit/dates';

const Cell = chakra('td', {
  base: {
    padding: '8px 12px 8px 0',
    borderBottom: '1px solid',
    borderColor: 'rule',
    textAlign: 'left',
    verticalAlign: 'top',
  },
});
const Head = chakra('th', {
  base: {
    padding: '8px 12px 8px 0',
    borderBottom: '2px solid',
    borderColor: 'ink',
    textAlign: 'left',
    fontWeight: 600,
  },
});

/** The same units for keyboards, screen readers and people who prefer lists. */
export function RackList({
  entries,
  today,
}: {
  readonly entries: readonly RackEntry[];
  readonly today: string;
}) {
  return (
    <Box overflowX="auto">
      <chakra.table width="100%" marginTop="12px">
        <thead>
          <tr>
            {['Peg', 'Unit', 'Owner', 'Station', 'Waits for', 'Due'].map((head) => (
              <Head key={head}>{head}</Head>
            ))}
          </tr>
        </thead>
        <tbody>
          {entries.map((entry) => (
            <tr key={entry.peg}>
              <Cell>
                <Link href={`/jobs/${entry.peg}`}>{entry.peg}</Link>
              </Cell>
              <Cell>
                {entry.title}, {entry.machine}
              </Cell>
              <Cell>{entry.customer}</Cell>
              <Cell>
                {entry.trouble ||
                  `${STATIONS.find(({ id }) => id === entry.station)?.name}, ${entry.stationOpen} open`}
              </Cell>
              <Cell>{entry.hold ? `On hold: ${entry.hold}` : entry.waitsFor}</Cell>
              <Cell>
                {longDate(entry.dueOn)}
                {overdueWords(entry.dueOn, today) ? `, ${overdueWords(entry.dueOn, today)}` : ''}
              </Cell>
            </tr>
          ))}
        </tbody>
      </chakra.table>
    </Box>
  );
}
