'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { openHolds, tellHold } from '@/core/strip/holds';
import { STATIONS, type StationId } from '@/model/job';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { DateField } from '../kit/DateInput';
import { longDate, longInstant } from '../kit/dates';
import { TextField } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { useKept } from '../kit/useKept';

const EMPTY = { reason: '', whoActs: '', next: '', until: '' };

/** What holds the job: each hold with whose turn it is, and the way to lift it or to put the job on hold. */
export function HoldPanel({ job }: OfJob) {
  const { rights, place } = useBench();
  const { snapshot } = job;
  const keep = useKeep(job);
  const [said, setSaid, forget] = useKept(`hold ${snapshot.job.id}`, EMPTY);
  const [trouble, setTrouble] = useState('');
  const mayHold = rights.includes('job.hold');
  const hold = async () => {
    const { reason, whoActs, next = '', until } = said;
    if (reason.trim() === '') return setTrouble('Say what it waits for.');
    const content = {
      what: 'held' as const,
      reason,
      whoActs,
      station: place.station,
      ...(next.trim() ? { next } : {}),
      ...(until ? { until } : {}),
    };
    const wrong = await keep(content, `On hold: ${reason}`);
    setTrouble(wrong ?? '');
    if (!wrong) forget();
  };
  const change = (over: Partial<typeof EMPTY>) => setSaid({ ...said, ...over });
  return (
    <Box as="section" aria-label="Hold" data-testid="hold-panel" maxWidth="960px">
      {openHolds(snapshot.records).map((open) => (
        <Flex key={open.id} gap="12px" align="center" wrap="wrap" paddingBlock="4px">
          <Box flex="1 1 320px">
            <strong>On hold: {tellHold(open)}.</strong>
            <Box fontSize="13px" color="second">
              Since {longInstant(open.deviceTime)}, at {nameOf(open.content.station)}, by {open.author}
              {open.content.next ? `; next: ${open.content.next}` : ''}
              {open.content.until ? `; expected by ${longDate(open.content.until)}` : ''}
            </Box>
          </Box>
          {mayHold && (
            <Press
              onClick={() =>
                void keep(
                  { what: 'hold-lifted', holdId: open.id, note: '' },
                  `Hold lifted: ${open.content.reason}`,
                )
              }
            >
              It is there: lift the hold
            </Press>
          )}
        </Flex>
      ))}
      {mayHold && (
        <Flex
          as="form"
          gap="12px"
          wrap="wrap"
          align="flex-end"
          onSubmit={(event) => {
            event.preventDefault();
            void hold();
          }}
        >
          <Box flex="2 1 240px">
            <TextField
              label="It waits for"
              value={said.reason}
              maxLength={200}
              onText={(reason) => change({ reason })}
            />
          </Box>
          <Box flex="1 1 160px">
            <TextField
              label="Whose turn it is"
              value={said.whoActs}
              maxLength={80}
              onText={(whoActs) => change({ whoActs })}
            />
          </Box>
          <Box flex="1 1 160px">
            <TextField
              label="Next step"
              value={said.next ?? ''}
              maxLength={120}
              onText={(next) => change({ next })}
            />
          </Box>
          <Box flex="0 1 160px">
            <DateField label="Expected by" value={said.until} onDay={(until) => change({ until })} />
          </Box>
          <Press type="submit" marginBottom="12px">
            Put it on hold
          </Press>
        </Flex>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}

const nameOf = (station: StationId): string => STATIONS.find(({ id }) => id === station)?.name ?? station;
