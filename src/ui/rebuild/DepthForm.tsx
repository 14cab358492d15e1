'use client';

import { Box, Grid } from '@chakra-ui/react';
import { useState } from 'react';
import type { RecordOf } from '@/model/recordKinds';
import type { OfJob } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { TextField } from '../kit/Field';
import { figureOf } from '../kit/figureOf';
import { ErrorNotice } from '../kit/Notice';
import { OneOf } from '../kit/OneOf';
import { Press } from '../kit/Press';

const ROADS = { 'old-shim': 'from the old stack', measured: 'from the bare seat' } as const;
const MEANS = { thicker: '+ means thicker', thinner: '+ means thinner' } as const;
const FIELDS = {
  'old-shim': [
    ['oldShim', 'Old stack'],
    ['oldEtched', 'Etched on the old pinion'],
    ['newEtched', 'Etched on the new pinion'],
    ['oldBearing', 'Old bearing, width'],
    ['newBearing', 'New bearing, width'],
  ],
  measured: [
    ['seatToAxis', 'Ring’s axis to bare seat'],
    ['bearing', 'Bearing, width'],
    ['mounting', 'Mounting distance'],
  ],
} as const;

interface DepthFormProps extends OfJob {
  readonly pair: string;
  readonly onKept: () => void;
}

/** The first stack under the pinion, from what is etched and measured. */
export function DepthForm({ job, pair, onKept }: DepthFormProps) {
  const keep = useKeep(job);
  const [road, setRoad] = useState<keyof typeof ROADS>('old-shim');
  const [plusMeans, setPlusMeans] = useState<keyof typeof MEANS>();
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const [trouble, setTrouble] = useState('');
  const put = async () => {
    const figures: Record<string, number> = {};
    for (const [name, label] of FIELDS[road]) {
      const figure = figureOf(typed[name] ?? '');
      if (figure === undefined) return setTrouble(`${label} is needed.`);
      if (Number.isNaN(figure)) return setTrouble(`${label}: “${typed[name]}” is no figure.`);
      figures[name] = figure;
    }
    if (road === 'old-shim' && !plusMeans)
      return setTrouble('Which way does the maker count the etched figure? It stands in the manual.');
    const by = { road, ...figures, ...(road === 'old-shim' ? { plusMeans } : {}) };
    const wrong = await keep(
      { what: 'depth-figured', pair, by: by as RecordOf<'depth-figured'>['by'], note: '' },
      'The first stack is figured',
    );
    setTrouble(wrong ?? '');
    if (wrong === undefined) onKept();
  };
  return (
    <Box
      as="form"
      marginTop="6px"
      data-testid="depth-form"
      onSubmit={(event) => {
        event.preventDefault();
        void put();
      }}
    >
      <OneOf
        label="How"
        options={Object.values(ROADS)}
        chosen={[ROADS[road]]}
        onPress={(words) => setRoad(words === ROADS.measured ? 'measured' : 'old-shim')}
      />
      {road === 'old-shim' && (
        <OneOf
          label="As the maker counts what is etched"
          options={Object.values(MEANS)}
          chosen={plusMeans ? [MEANS[plusMeans]] : []}
          onPress={(words) => setPlusMeans(words === MEANS.thicker ? 'thicker' : 'thinner')}
        />
      )}
      <Grid templateColumns="repeat(auto-fill, minmax(150px, 1fr))" gap="8px">
        {FIELDS[road].map(([name, label]) => (
          <TextField
            key={name}
            label={`${label}, mm`}
            inputMode="decimal"
            value={typed[name] ?? ''}
            onText={(text) => setTyped({ ...typed, [name]: text })}
          />
        ))}
      </Grid>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Press kind="main" type="submit">
        Figure it
      </Press>
    </Box>
  );
}
