'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { modesOf } from '@/core/catalogs/words';
import { LEAST_TRUST } from '@/core/imaging/confidence';
import { formatNumber } from '@/core/quantity/format';
import { SEVERITIES, type Severity } from '@/model/damage';
import type { RecordOf } from '@/model/recordKinds';
import { useBench } from '../job/useBench';
import { Field, Select } from '../kit/Field';
import { Press } from '../kit/Press';
import type { Work } from './tool';

interface NotePitsProps extends Pick<Work, 'job' | 'picture'> {
  readonly positionId: string;
  readonly measured: RecordOf<'picture-measured'>;
}

/** What was measured becomes a finding's extent, once a person has said what it is and how severe. */
export function NotePits({ job, picture, positionId, measured }: NotePitsProps) {
  const { tellKept } = useBench();
  const [open, setOpen] = useState(false);
  const [modeId, setModeId] = useState('');
  const [place, setPlace] = useState('');
  const part = job.snapshot.unitType.positions.find(({ id }) => id === positionId);
  if (!part || measured.found.kind !== 'pits') return null;
  if (measured.confidence < LEAST_TRUST && !measured.byHand) return null;
  const { areaFraction, count } = measured.found;
  const modes = modesOf(job.snapshot.catalogs, part.family).filter(
    ({ shareOf, countOf }) => shareOf ?? countOf,
  );
  const mode =
    modes.find(({ id }) => id === modeId) ?? modes.find(({ term }) => /pit/i.test(term)) ?? modes[0];
  if (!mode) return null;
  // “Teeth” are counted by a person: so many pits are not so many teeth.
  const counted = mode.countOf !== undefined && /pit|spot|dent/i.test(mode.countOf) && count <= 999;
  const where = mode.places.includes(place) ? place : mode.places[0]!;
  const note = async (severity: Severity) => {
    const how = measured.outline ? 'Share of what was drawn round; measured' : 'Measured';
    const taken = job.take('finding', {
      ...{ positionId, mode: mode.id, place: where, severity, story: 'unknown' },
      note: `${how} in ${picture.fileName}, confidence ${formatNumber(measured.confidence, 2)}`.slice(0, 400),
      ...(counted ? { count } : {}),
      ...(mode.shareOf
        ? ({ share: Math.round(areaFraction * 1000) / 1000, shareFrom: 'picture' } as const)
        : {}),
    });
    await taken.kept;
    tellKept({ kind: 'finding', captureId: taken.id, words: `${part.name}: ${mode.term} noted` });
    setOpen(false);
    await job.sendWaiting();
  };
  if (!open) return <Press onClick={() => setOpen(true)}>Note it as a finding</Press>;
  return (
    <Box borderLeft="4px solid" borderColor="metal" paddingLeft="12px" data-testid="note-pits">
      <Field label="What it is">
        {(wiring) => (
          <Select {...wiring} value={mode.id} onChange={(event) => setModeId(event.target.value)}>
            {modes.map(({ id, term }) => (
              <option key={id} value={id}>
                {term}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Field label="Where">
        {(wiring) => (
          <Select {...wiring} value={where} onChange={(event) => setPlace(event.target.value)}>
            {mode.places.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </Select>
        )}
      </Field>
      <Box fontSize="15px" marginBottom="4px">
        How severe? This notes it
        {mode.shareOf ? `, with ${formatNumber(100 * areaFraction, 1)} % of ${mode.shareOf}` : ''}
        {counted ? `, ${count} ${mode.countOf}` : ''}.
      </Box>
      <Flex gap="8px" wrap="wrap">
        {SEVERITIES.map((severity) => (
          <Press key={severity} kind="main" onClick={() => void note(severity)}>
            {severity}
          </Press>
        ))}
        <Press kind="quiet" onClick={() => setOpen(false)}>
          Back
        </Press>
      </Flex>
    </Box>
  );
}
