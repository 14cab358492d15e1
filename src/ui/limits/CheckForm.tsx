'use client';

import { Box, Flex, Grid } from '@chakra-ui/react';
import { useState } from 'react';
import * as v from 'valibot';
import { inWords, placeInWords } from '@/core/faultWords';
import { parseReading } from '@/core/quantity/parseReading';
import { JUDGED_STATISTICS } from '@/model/checkDefinition';
import { type Check, CheckSchema } from '@/model/checks';
import { UNIT_SYMBOL } from '@/model/units';
import { Field, Select, TextField } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';

const STATISTIC_NAMES: Record<Check['statistic'], string> = {
  mean: 'mean of repeats, or the extremes of places',
  min: 'the smallest',
  max: 'the largest',
  range: 'largest less smallest',
  tir: 'total of the fitted curve',
};

/** How a check is called, read and judged. Places round a gear come with its definition and stay. */
export function CheckForm({
  check,
  onTake,
  onCancel,
}: {
  readonly check: Check;
  readonly onTake: (check: Check) => void;
  readonly onCancel: () => void;
}) {
  const [text, setText] = useState({
    title: check.title,
    howTo: check.howTo,
    statistic: check.statistic,
    places: check.places?.join('; ') ?? '',
    from: check.typical ? String(check.typical.from) : '',
    to: check.typical ? String(check.typical.to) : '',
  });
  const [trouble, setTrouble] = useState('');
  const set = (part: Partial<typeof text>) => setText({ ...text, ...part });
  const take = () => {
    const changed = readCheckText(check, text);
    if (typeof changed === 'string') return setTrouble(changed);
    onTake(changed);
  };
  return (
    <Box
      as="form"
      marginTop="12px"
      onSubmit={(event) => {
        event.preventDefault();
        take();
      }}
    >
      <TextField label="Called" value={text.title} onText={(typed) => set({ title: typed })} />
      <TextField label="How to, in one line" value={text.howTo} onText={(typed) => set({ howTo: typed })} />
      <TextField
        label="Places that must be read"
        hint="With semicolons between them; empty: one place."
        value={text.places}
        onText={(typed) => set({ places: typed })}
      />
      <Field label="Judged">
        {(wiring) => (
          <Select
            {...wiring}
            value={text.statistic}
            onChange={(event) => set({ statistic: event.target.value as Check['statistic'] })}
          >
            {JUDGED_STATISTICS.filter((statistic) => statistic !== 'tir' || check.every).map((statistic) => (
              <option key={statistic} value={statistic}>
                {STATISTIC_NAMES[statistic]}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Grid templateColumns="1fr 1fr" columnGap="12px">
        {(['from', 'to'] as const).map((end) => (
          <TextField
            key={end}
            label={`Usually ${end}, ${UNIT_SYMBOL[check.unit]}`}
            value={text[end]}
            onText={(typed) => set({ [end]: typed })}
            inputMode="decimal"
          />
        ))}
      </Grid>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Flex gap="8px">
        <Press type="submit" kind="main">
          Into the draft
        </Press>
        <Press onClick={onCancel}>Leave it</Press>
      </Flex>
    </Box>
  );
}

/** The check as it was typed, or the sentence that says what is wrong with it. */
function readCheckText(
  check: Check,
  text: Record<'title' | 'howTo' | 'places' | 'from' | 'to', string> & Pick<Check, 'statistic'>,
): Check | string {
  const { places: _, typical: __, ...rest } = check;
  const places = text.places
    .split(';')
    .map((place) => place.trim())
    .filter((place) => place !== '');
  if (new Set(places).size !== places.length) return 'A place is named twice.';
  const ends = [text.from, text.to].map((end) => (end.trim() === '' ? undefined : parseReading(end)));
  const wrong = ends.find((end) => end?.ok === false);
  if (wrong?.ok === false) return `What is usual: ${wrong.message}`;
  const [from, to] = ends;
  if ((from === undefined) !== (to === undefined)) return 'What is usual needs both ends, or none.';
  const parsed = v.safeParse(CheckSchema, {
    ...rest,
    title: text.title,
    howTo: text.howTo,
    statistic: text.statistic,
    ...(places.length > 0 ? { places } : {}),
    ...(from?.ok && to?.ok ? { typical: { from: from.value, to: to.value } } : {}),
  });
  return parsed.success
    ? parsed.output
    : `${placeInWords(v.getDotPath(parsed.issues[0]) ?? '')}: ${inWords(parsed.issues[0])}.`;
}
