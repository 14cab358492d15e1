'use client';

import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { EARLIER_TRACES } from '@/core/strip/earlierTraces';
import { findActive } from '@/core/wear/active';
import { EARLIER_REPAIR } from '@/model/damage';
import type { Position } from '@/model/unitType';
import { type OfJob, useBench } from '../job/useBench';
import { OneOf } from '../kit/OneOf';
import { Press } from '../kit/Press';

/** Somebody was here before: each trace becomes a finding on its piece at once, marked as from earlier. */
export function EarlierTraces({ job, positions }: OfJob & { readonly positions: readonly Position[] }) {
  const { tellKept } = useBench();
  const [open, setOpen] = useState(false);
  const [piece, setPiece] = useState<string>();
  const on = positions.find(({ id }) => id === piece) ?? (positions.length === 1 ? positions[0] : undefined);
  const found = findActive(job.snapshot.findings).filter(
    ({ mode, positionId }) => mode === EARLIER_REPAIR && positions.some(({ id }) => id === positionId),
  );
  const note = async (trace: string) => {
    if (!on) return;
    const content = {
      positionId: on.id,
      mode: EARLIER_REPAIR,
      place: 'everywhere',
      severity: 'light',
      story: 'from-earlier',
      note: trace,
    };
    const taken = job.take('finding', content);
    tellKept({ kind: 'finding', captureId: taken.id, words: `${on.name}: ${trace}` });
    await taken.kept;
    await job.sendWaiting();
  };
  if (positions.length === 0) return null;
  return (
    <Box marginBottom="12px" data-testid="earlier-traces">
      {found.map(({ id, positionId, note: trace }) => (
        <Box key={id}>
          {positions.find((position) => position.id === positionId)?.name}: {trace}, from an earlier repair
        </Box>
      ))}
      <Press aria-expanded={open} onClick={() => setOpen(!open)}>
        Somebody was here before
      </Press>
      {open && (
        <Box paddingLeft="12px" borderLeft="2px solid" borderColor="rule" marginTop="8px">
          {positions.length > 1 && (
            <OneOf
              label="On which piece"
              options={positions.map(({ name }) => name)}
              chosen={on ? [on.name] : []}
              onPress={(name) => setPiece(positions.find((position) => position.name === name)?.id)}
            />
          )}
          {on && (
            <OneOf
              label={`What an earlier repairer left on ${on.name}`}
              options={EARLIER_TRACES}
              chosen={EARLIER_TRACES.filter((trace) =>
                found.some(({ positionId, note: said }) => positionId === on.id && said === trace),
              )}
              onPress={(trace) => void note(trace)}
            />
          )}
        </Box>
      )}
    </Box>
  );
}
