'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import * as v from 'valibot';
import { inWords } from '@/core/faultWords';
import { tellTold } from '@/core/sound/tellRecording';
import { LOADS, RECORDED_WHERE, type ToldOfRecording, ToldOfRecordingSchema } from '@/model/recording';
import type { Recording } from '@/model/snapshot';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { Select, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { OneOf } from '../kit/OneOf';
import { Press } from '../kit/Press';
import { useKept } from '../kit/useKept';
import { EMPTY_TOLD, readTold, SPEED_FIELDS, SPEED_WAYS, type TypedTold, typedOf } from './toldText';

interface TellRecordingProps extends OfJob {
  readonly recording: Recording;
  readonly told: ToldOfRecording | undefined;
}

/** In which gear, under which load and how fast: without it a recording is only a noise. */
export function TellRecording({ job, recording, told }: TellRecordingProps) {
  const { rights } = useBench();
  const [open, setOpen] = useState(told === undefined);
  if (!rights.includes('capture.take')) return told ? <Box>{tellTold(told)}</Box> : null;
  if (!open)
    return (
      <Flex gap="12px" align="baseline" wrap="wrap" data-testid="told">
        <Box>{told && tellTold(told)}</Box>
        <Press kind="quiet" onClick={() => setOpen(true)}>
          it was otherwise
        </Press>
      </Flex>
    );
  return <ToldForm {...{ job, recording, told }} onDone={() => setOpen(false)} />;
}

function ToldForm({ job, recording, told, onDone }: TellRecordingProps & { readonly onDone: () => void }) {
  const keep = useKeep(job);
  const { unitType } = job.snapshot;
  const first = told ? typedOf(told) : { ...EMPTY_TOLD, outputPerWheel: isAxle(unitType) ? '1' : '4.1' };
  const [typed, setTyped, forget] = useKept(`told of ${recording.id}`, first);
  const [trouble, setTrouble] = useState('');
  const set = (over: Partial<TypedTold>) => {
    setTrouble('');
    setTyped({ ...typed, ...over });
  };
  const put = async () => {
    const read = v.safeParse(ToldOfRecordingSchema, readTold(typed));
    if (!read.success) return setTrouble(`${inWords(read.issues[0])}.`);
    const wrong = await keep(
      { what: 'recording-told', recordingId: recording.id, told: read.output },
      tellTold(read.output),
    );
    setTrouble(wrong ?? '');
    if (wrong) return;
    forget();
    onDone();
  };
  const onRoad = typed.by === 'road' || typed.by === 'run-up';
  const fields = [
    ...SPEED_FIELDS[typed.by],
    ...(onRoad
      ? ([
          ['wheelRolls', 'wheel rolls, m a turn'],
          ['outputPerWheel', 'output turns for one of the wheel'],
        ] as const)
      : []),
    ['doubt', 'speed may be off by, %'] as const,
  ];
  return (
    <Box
      as="form"
      data-testid="tell-recording"
      onSubmit={(event) => {
        event.preventDefault();
        void put();
      }}
    >
      <Flex gap="4px 20px" wrap="wrap">
        <OneOf
          label="Where"
          options={RECORDED_WHERE}
          chosen={[typed.where]}
          onPress={(where) => set({ where })}
        />
        <OneOf label="Load" options={LOADS} chosen={[typed.load]} onPress={(load) => set({ load })} />
        <OneOf
          label="Its speed is told by"
          options={SPEED_WAYS}
          chosen={[typed.by]}
          onPress={(by) => set({ by })}
        />
      </Flex>
      <Flex gap="8px" wrap="wrap" align="flex-end">
        <Box as="label" flex="0 1 130px" fontSize="13px">
          gear
          <Select value={typed.gear} onChange={({ target }) => set({ gear: target.value })}>
            <option value="">not known</option>
            {unitType.states.map(({ gear }) => (
              <option key={gear}>{gear}</option>
            ))}
          </Select>
        </Box>
        {(typed.by === 'turns' || typed.by === 'hand') && (
          <Box as="label" flex="0 1 130px" fontSize="13px">
            of the
            <Select value={typed.of} onChange={({ target }) => set({ of: target.value as TypedTold['of'] })}>
              <option>input</option>
              <option>output</option>
            </Select>
          </Box>
        )}
        {fields.map(([name, label]) => (
          <Box as="label" key={name} flex="0 1 130px" fontSize="13px">
            {label}
            <TextInput
              inputMode="decimal"
              autoComplete="off"
              value={typed[name]}
              onChange={({ target }) => set({ [name]: target.value })}
            />
          </Box>
        ))}
        <Box as="label" flex="1 1 180px" fontSize="13px">
          where the device was
          <TextInput
            maxLength={120}
            value={typed.place}
            onChange={({ target }) => set({ place: target.value })}
          />
        </Box>
        <Press type="submit" kind="take">
          Hold it against the unit
        </Press>
      </Flex>
      {trouble && <ErrorNotice>{trouble} What you typed is still here.</ErrorNotice>}
    </Box>
  );
}

const isAxle = ({ power }: OfJob['job']['snapshot']['unitType']): boolean => (power?.outputs.length ?? 0) > 1;
