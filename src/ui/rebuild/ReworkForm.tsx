'use client';

import { Box, Flex, Grid, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { REWORK_NAMES, reworkRule } from '@/core/rebuild/reworkRules';
import { REWORK_ACTS, type ReworkAct } from '@/model/records/rework';
import type { OfJob } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { DateInput } from '../kit/DateInput';
import { Field, Select, TextField } from '../kit/Field';
import { figureOf } from '../kit/figureOf';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { useKept } from '../kit/useKept';

interface Draft {
  readonly positionId: string;
  readonly act: ReworkAct;
  readonly words: string;
  readonly min: string;
  readonly max: string;
  readonly before: string;
  readonly sentTo: string;
  readonly due: string;
  readonly process: string;
}
const EMPTY: Draft = {
  ...{ positionId: '', act: 'polish', words: '', min: '', max: '', before: '' },
  ...{ sentTo: '', due: '', process: '' },
};

/** A ticket for one part: which work, to which figure, in the house or sent out, with what the trade says of it. */
export function ReworkForm({ job }: OfJob) {
  const keep = useKeep(job);
  const { unitType, job: head } = job.snapshot;
  const [draft, setDraft, forget] = useKept<Draft>(`rework of ${head.id}`, EMPTY);
  const [trouble, setTrouble] = useState('');
  const set = (over: Partial<Draft>) => setDraft({ ...draft, ...over });
  const piece = unitType.positions.find(({ id }) => id === draft.positionId);
  const rule = piece && reworkRule(draft.act, piece);
  const isBarred = rule?.refused !== undefined && (rule.never === true || draft.process.trim() === '');
  const write = async () => {
    if (!piece) return setTrouble('Which part?');
    if (isBarred) return setTrouble(rule?.refused ?? '');
    const figures = Object.fromEntries(
      (['min', 'max', 'before'] as const).flatMap((name) => {
        const figure = figureOf(draft[name]);
        return figure === undefined ? [] : [[name, figure]];
      }),
    );
    const { act, words, sentTo, due, process } = draft;
    const wrong = await keep(
      {
        ...{ what: 'rework', positionId: piece.id, act, words: words.trim() },
        ...{ ...figures, sentTo: sentTo.trim(), process: process.trim() },
        ...(due ? { due } : {}),
      },
      `Ticket for ${piece.name}`,
    );
    setTrouble(wrong ?? '');
    if (wrong === undefined) forget();
  };
  return (
    <Box
      as="form"
      borderTop="2px solid"
      borderColor="ink"
      paddingTop="8px"
      data-testid="rework-form"
      onSubmit={(event) => {
        event.preventDefault();
        void write();
      }}
    >
      <Heading as="h3" fontSize="18px">
        A ticket
      </Heading>
      <Field label="Which part">
        {(wiring) => (
          <Select
            {...wiring}
            value={draft.positionId}
            onChange={(event) => set({ positionId: event.target.value })}
          >
            <option value="">Choose a part</option>
            {unitType.positions.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Flex role="group" aria-label="Which work" wrap="wrap" gap="4px" marginBottom="8px">
        {REWORK_ACTS.map((act) => (
          <Press
            key={act}
            chosen={draft.act === act}
            aria-pressed={draft.act === act}
            onClick={() => set({ act })}
          >
            {REWORK_NAMES[act]}
          </Press>
        ))}
      </Flex>
      {rule?.refused && (
        <Box border="2px solid" borderColor="oxide" padding="8px 10px" marginBottom="8px" role="note">
          <strong>Refused.</strong> {rule.refused}
        </Box>
      )}
      {rule?.cautions.map((words) => (
        <Box key={words} borderLeft="4px solid" borderColor="oxide" paddingLeft="10px" marginBottom="6px">
          {words}
        </Box>
      ))}
      {rule?.refused && !rule.never && (
        <TextField
          label="The documented process, with its bake, that makes it right all the same"
          value={draft.process}
          onText={(process) => set({ process })}
          maxLength={160}
        />
      )}
      <TextField
        label="What is done"
        value={draft.words}
        onText={(words) => set({ words })}
        maxLength={200}
      />
      <Grid templateColumns="repeat(3, 1fr)" gap="8px">
        <TextField
          label="At least, mm"
          value={draft.min}
          onText={(min) => set({ min })}
          inputMode="decimal"
        />
        <TextField label="At most, mm" value={draft.max} onText={(max) => set({ max })} inputMode="decimal" />
        <TextField
          label="Before, mm"
          value={draft.before}
          onText={(before) => set({ before })}
          inputMode="decimal"
        />
      </Grid>
      <Grid templateColumns="1fr 1fr" gap="8px">
        <TextField
          label="Sent to (empty: in the house)"
          value={draft.sentTo}
          onText={(sentTo) => set({ sentTo })}
          maxLength={80}
        />
        <Field label="Due">
          {(wiring) => <DateInput {...wiring} value={draft.due} onDay={(due) => set({ due })} />}
        </Field>
      </Grid>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Press kind="take" size="bench" type="submit" disabled={isBarred}>
        Write the ticket
      </Press>
    </Box>
  );
}
