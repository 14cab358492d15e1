'use client';

import { Box, Grid } from '@chakra-ui/react';
import { useState } from 'react';
import { placesOf } from '@/core/metrology/places';
import { parseReading } from '@/core/quantity/parseReading';
import { toBase } from '@/core/quantity/units';
import type { AfterValue } from '@/core/rebuild/afterValues';
import type { Check } from '@/model/checks';
import { UNIT_SYMBOL } from '@/model/units';
import type { OfJob } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { useKept } from '../kit/useKept';
import { GaugeChoice, gaugesOf } from './GaugeChoice';

const MOST = 16;
const ROUND = 12;

/** Where a check is read anew: all its places where they are few, else a dozen evenly round. */
export function placesAfter(check: Pick<Check, 'places' | 'every'>): string[] {
  const places = placesOf(check);
  if (places.length <= MOST) return places;
  const round = placesOf({ every: check.every, places: undefined });
  return [
    ...new Set(
      Array.from({ length: ROUND }, (_, at) => round[Math.round((at * round.length) / ROUND)] ?? ''),
    ),
    ...(check.places ?? []),
  ];
}

interface MeasureAgainProps extends OfJob {
  readonly value: AfterValue;
  readonly onRead: () => void;
}

/** Figures of one check, read once more on the unit that is together again. */
export function MeasureAgain({ job, value: { check, position, key }, onRead }: MeasureAgainProps) {
  const keep = useKeep(job);
  const places = placesAfter(check);
  const { gauges, usual } = gaugesOf(job.snapshot, check);
  const [gaugeId, setGaugeId] = useState(usual);
  const [typed, setTyped, forget] = useKept<readonly string[]>(`${key} of ${job.snapshot.job.id}`, []);
  const [asInVehicle, setAsInVehicle] = useState(true);
  const [trouble, setTrouble] = useState('');
  const read = async () => {
    if (gaugeId === '') return setTrouble('There is no gauge for it on the list.');
    const figures: { place: string; shown: string; value: number }[] = [];
    for (const [at, place] of places.entries()) {
      const text = (typed[at] ?? '').trim();
      if (text === '') continue;
      const parsed = parseReading(text);
      if (!parsed.ok) return setTrouble(`${place ? `${place}: ` : ''}${parsed.message}`);
      figures.push({ place, shown: parsed.shown, value: parsed.value });
    }
    if (figures.length === 0) return setTrouble('No figures yet.');
    for (const { place, shown, value } of figures) {
      const wrong = await keep(
        {
          ...{ what: 'measured-after', checkId: check.id, positionId: position.id, place, raw: shown },
          ...{ unit: check.unit, value: toBase(value, check.unit), gaugeId, asInVehicle },
        },
        `${check.title}: ${shown} ${UNIT_SYMBOL[check.unit]}`,
      );
      if (wrong !== undefined) return setTrouble(wrong);
    }
    forget();
    onRead();
  };
  return (
    <Box
      as="form"
      marginTop="8px"
      onSubmit={(event) => {
        event.preventDefault();
        void read();
      }}
    >
      <Box marginBottom="6px">{check.howTo}</Box>
      <Grid templateColumns="repeat(auto-fill, minmax(104px, 1fr))" gap="8px">
        {places.map((place, at) => (
          <Box as="label" key={place}>
            {place || check.title}, {UNIT_SYMBOL[check.unit]}
            <TextInput
              inputMode="decimal"
              fontSize="18px"
              autoComplete="off"
              value={typed[at] ?? ''}
              onChange={(event) =>
                setTyped(places.map((_, each) => (each === at ? event.target.value : (typed[each] ?? ''))))
              }
            />
          </Box>
        ))}
      </Grid>
      <GaugeChoice gauges={gauges} value={gaugeId} onGauge={setGaugeId} />
      <Press
        chosen={asInVehicle}
        aria-pressed={asInVehicle}
        marginBottom="8px"
        onClick={() => setAsInVehicle(!asInVehicle)}
      >
        Held as in the vehicle
      </Press>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Press kind="main" size="bench" type="submit">
        Keep
      </Press>
    </Box>
  );
}
