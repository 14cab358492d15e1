'use client';

import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { inventory, inventoryQuestion } from '@/core/strip/inventory';
import type { OfJob } from '../job/useBench';
import { EmptyState } from '../kit/Notice';
import { Press, PressLink } from '../kit/Press';
import { CountLine } from './CountLine';

/** Every piece that belongs in the unit, counted out: what is missing, too much or wrong stays open up to the report. */
export function Inventory(props: OfJob) {
  const { unitType, records } = props.job.snapshot;
  const lines = inventory(unitType, records);
  const [onlyOpen, setOnlyOpen] = useState(false);
  const wrong = lines.filter((line) => inventoryQuestion(line) !== undefined).length;
  const uncounted = lines.filter(({ state }) => state === 'not-counted').length;
  const shown = onlyOpen ? lines.filter(({ state }) => state !== 'all-there') : lines;
  if (lines.length === 0)
    return <EmptyState>Pieces come here as the parts of this unit are described.</EmptyState>;
  return (
    <Box maxWidth="980px" data-testid="inventory">
      <Box marginBottom="8px">
        {lines.length - uncounted} of {lines.length} kinds counted
        {wrong > 0 ? `, ${wrong} not as they should be` : ''}.{' '}
        <Press kind="quiet" aria-pressed={onlyOpen} onClick={() => setOnlyOpen(!onlyOpen)}>
          {onlyOpen ? 'Show all' : 'Only what is open'}
        </Press>
        <PressLink href={`/api/v1/jobs/${props.job.snapshot.job.id}/labels`}>
          Labels for the bags (PDF)
        </PressLink>
      </Box>
      {shown.map((line) => (
        <CountLine key={line.position.id} {...props} line={line} />
      ))}
    </Box>
  );
}
