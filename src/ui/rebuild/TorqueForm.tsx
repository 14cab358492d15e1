'use client';

import { Box, Grid } from '@chakra-ui/react';
import { useState } from 'react';
import type { SetUp } from '@/core/rebuild/setUp';
import { bearingsOf } from '@/core/rebuild/setUpReadings';
import { recordsOf } from '@/core/strip/recordsOf';
import type { Check } from '@/model/checks';
import type { SLEEVES } from '@/model/records/setup-figures';
import type { OfJob } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { TextField } from '../kit/Field';
import { figureOf } from '../kit/figureOf';
import { ErrorNotice } from '../kit/Notice';
import { OneOf } from '../kit/OneOf';
import { Press } from '../kit/Press';
import { GaugeChoice, gaugesOf } from './GaugeChoice';

const SLEEVE_WORDS: Readonly<Record<(typeof SLEEVES)[number], string>> = {
  ...{
    none: 'no sleeve, set-up drag',
    old: 'the old sleeve',
    new: 'the new sleeve',
    solid: 'a solid spacer',
  },
};
const OF = { pinion: 'the pinion alone', total: 'all of it, carrier in' } as const;
const wordsToKey = <Key extends string>(all: Readonly<Record<Key, string>>, words: string): Key =>
  (Object.keys(all) as Key[]).find((key) => all[key] === words)!;

interface TorqueFormProps extends OfJob {
  readonly setUp: SetUp;
  readonly check: Check;
  readonly onKept: () => void;
}

/** How hard it turns, by hand or with string and spring balance, and what was in while it was read. */
export function TorqueForm({ job, setUp, check, onKept }: TorqueFormProps) {
  const keep = useKeep(job);
  const { gauges, usual } = gaugesOf(job.snapshot, check);
  // The form begins anew after each reading, and a day later: what was chosen stays until somebody changes it.
  const before = recordsOf(job.snapshot.records, 'turning-torque')
    .filter(({ content }) => content.pair === setUp.pair)
    .at(-1)?.content;
  const [of, setOf] = useState<keyof typeof OF>(before?.of ?? 'pinion');
  const [bearings, setBearings] = useState(
    () => before?.bearings ?? bearingsOf(job.snapshot, setUp.pinionPosition),
  );
  const [sleeve, setSleeve] = useState<(typeof SLEEVES)[number]>(before?.sleeve ?? 'none');
  const [gaugeId, setGaugeId] = useState(
    gauges.some(({ id }) => id === before?.gaugeId) ? before!.gaugeId : usual,
  );
  const [typed, setTyped] = useState({ steady: '', breakAway: '', seal: '0', turns: '' });
  const [trouble, setTrouble] = useState('');
  const put = async () => {
    const figures = Object.fromEntries(
      Object.entries(typed).map(([name, text]) => [name, figureOf(text)] as const),
    ) as Record<keyof typeof typed, number | undefined>;
    const bad = Object.entries(figures).find(([, figure]) => figure !== undefined && Number.isNaN(figure));
    if (bad) return setTrouble(`“${typed[bad[0] as keyof typeof typed]}” is no figure.`);
    const { steady, breakAway, seal = 0, turns } = figures;
    if (steady === undefined) return setTrouble('How hard does it turn, steadily?');
    if (turns === undefined) return setTrouble('How many turns before it was read? Rollers settle.');
    if (seal > steady) return setTrouble('The seal can’t drag more than all of it.');
    if (gaugeId === '') return setTrouble('There is no gauge for it on the list.');
    const wrong = await keep(
      {
        ...{ what: 'turning-torque', pair: setUp.pair, of, gaugeId, steady, seal, bearings, sleeve, turns },
        ...(breakAway === undefined ? {} : { breakAway }),
        note: '',
      },
      `Turning torque ${steady} N·m`,
    );
    setTrouble(wrong ?? '');
    if (wrong === undefined) onKept();
  };
  const field = (name: keyof typeof typed, label: string) => (
    <TextField
      label={label}
      inputMode="decimal"
      value={typed[name]}
      onText={(text) => setTyped({ ...typed, [name]: text })}
    />
  );
  return (
    <Box
      as="form"
      marginTop="6px"
      data-testid="torque-form"
      onSubmit={(event) => {
        event.preventDefault();
        void put();
      }}
    >
      <OneOf
        label="What turns"
        options={Object.values(OF)}
        chosen={[OF[of]]}
        onPress={(words) => setOf(wordsToKey(OF, words))}
      />
      <OneOf
        label="Between the bearings"
        options={Object.values(SLEEVE_WORDS)}
        chosen={[SLEEVE_WORDS[sleeve]]}
        onPress={(words) => setSleeve(wordsToKey(SLEEVE_WORDS, words))}
      />
      <OneOf label="Bearings" options={['new', 'used'] as const} chosen={[bearings]} onPress={setBearings} />
      <Grid templateColumns="repeat(auto-fill, minmax(140px, 1fr))" gap="8px">
        {field('steady', 'Turning steadily, N·m')}
        {field('breakAway', 'Breaking away, N·m')}
        {field('seal', 'Of it the seal, N·m (0: out)')}
        {field('turns', 'Turns before it')}
      </Grid>
      <GaugeChoice gauges={gauges} value={gaugeId} onGauge={setGaugeId} />
      <Box fontSize="13px" color="second" marginBottom="6px">
        With string and spring balance: force in newton × radius in metres.
      </Box>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Press kind="main" size="bench" type="submit">
        Keep the turning torque
      </Press>
    </Box>
  );
}
