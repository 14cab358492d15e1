'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { movesByOne } from '@/core/metrology/corrected';
import { placesOf } from '@/core/metrology/places';
import { sameDimension } from '@/core/quantity/units';
import { findActive } from '@/core/wear/active';
import type { Check } from '@/model/checks';
import type { Reading } from '@/model/snapshot';
import type { BenchJob } from '../job/useJob';
import { useKeep } from '../job/useKeep';
import { Field, Select, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';

interface CorrectReadingProps {
  readonly reading: Reading;
  readonly check: Check;
  readonly job: BenchJob;
  readonly onDone: () => void;
}

/**
 * Puts right where a reading belongs, or with which gauge it was read, by a record beside it: the reading stays as it was taken.
 * A series that slipped by a place is moved as a whole.
 */
export function CorrectReading({ reading, check, job, onDone }: CorrectReadingProps) {
  const keep = useKeep(job);
  const [reason, setReason] = useState('');
  const [place, setPlace] = useState(reading.place);
  const [gaugeId, setGaugeId] = useState(reading.gaugeId);
  const [held, setHeld] = useState(reading.held ?? '');
  const [trouble, setTrouble] = useState('');
  const places = placesOf(check);
  const gauges = job.snapshot.gauges.filter(({ unit, home }) => !home && sameDimension(unit, reading.unit));
  const run = findActive(job.snapshot.readings).filter(
    (other) => other.checkId === reading.checkId && other.positionId === reading.positionId,
  );
  const say = async (content: Parameters<typeof keep>[0], words: string) => {
    if (reason.trim() === '') return setTrouble('Say why it is put right.');
    const wrong = await keep(content, words);
    if (wrong) setTrouble(wrong);
    else onDone();
  };
  const at = Math.max(
    0,
    run.findIndex(({ id }) => id === reading.id),
  );
  const sayHeld = (readings: readonly Reading[]) => {
    const readingIds = readings.map(({ id }) => id);
    void say({ what: 'readings-held', readingIds, held, reason }, 'How it was held was put right');
  };
  const moveAll = (step: 1 | -1) => {
    const moves = movesByOne(run, places, reading.id, step, check.every !== undefined);
    if (!moves) return setTrouble('One of them would fall off the end. Move them one by one.');
    const words = `${moves.length === 1 ? 'One reading' : `${moves.length} readings`} moved by one place`;
    void say({ what: 'readings-moved', moves: [...moves], reason }, words);
  };
  return (
    <Box
      borderLeft="4px solid"
      borderColor="metal"
      paddingLeft="12px"
      marginBlock="8px"
      data-testid="put-right"
    >
      <Field label="Why is it put right?">
        {(wiring) => (
          <TextInput
            {...wiring}
            value={reason}
            maxLength={200}
            onChange={(event) => setReason(event.target.value)}
          />
        )}
      </Field>
      {places.length > 1 && (
        <Flex gap="8px" wrap="wrap" align="center" marginBottom="8px">
          <Select
            aria-label="It belongs to"
            value={place}
            width="auto"
            onChange={(event) => setPlace(event.target.value)}
          >
            {places.map((each) => (
              <option key={each} value={each}>
                {each}
              </option>
            ))}
          </Select>
          <Press
            disabled={place === reading.place}
            onClick={() =>
              void say(
                { what: 'readings-moved', moves: [{ readingId: reading.id, place }], reason },
                `Moved to ${place}`,
              )
            }
          >
            Move this reading there
          </Press>
          <Press onClick={() => moveAll(1)}>This and all after it, one place on</Press>
          <Press onClick={() => moveAll(-1)}>This and all after it, one place back</Press>
        </Flex>
      )}
      <Flex gap="8px" wrap="wrap" align="center">
        <Select
          aria-label="It was read with"
          value={gaugeId}
          width="auto"
          onChange={(event) => setGaugeId(event.target.value)}
        >
          {gauges.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Select>
        <Press
          disabled={gaugeId === reading.gaugeId}
          onClick={() =>
            void say(
              { what: 'reading-gauge', readingId: reading.id, gaugeId, reason },
              'The gauge was put right',
            )
          }
        >
          It was read with this gauge
        </Press>
      </Flex>
      <Flex gap="8px" wrap="wrap" align="center" marginTop="8px">
        <TextInput
          aria-label="It was held"
          placeholder="how it was held"
          value={held}
          maxLength={60}
          width="200px"
          list={check.holdings ? 'holdings-known' : undefined}
          onChange={(event) => setHeld(event.target.value)}
        />
        {check.holdings && (
          <datalist id="holdings-known">
            {check.holdings.map((each) => (
              <option key={each} value={each} />
            ))}
          </datalist>
        )}
        <Press disabled={held === (reading.held ?? '')} onClick={() => sayHeld([reading])}>
          This one was held so
        </Press>
        <Press disabled={held === (reading.held ?? '')} onClick={() => sayHeld(run.slice(at))}>
          This and all after it were held so
        </Press>
      </Flex>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}
