'use client';

import { Box, Flex, Grid, Heading } from '@chakra-ui/react';
import { type ReactNode, useState } from 'react';
import * as v from 'valibot';
import { parseReading } from '@/core/quantity/parseReading';
import { PlainBoxSchema } from '@/model/plainBox';
import type { Position, UnitType } from '@/model/unitType';
import { type OfJob, useBench } from '../job/useBench';
import { Field, Select, TextField } from '../kit/Field';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';

type Text = Record<string, string>;

/** Places, teeth and mates of the parts that came off an unknown box: from them it gets its drawing and its ratio. */
export function DescribeBox({ job }: OfJob) {
  const { rights } = useBench();
  const { unitType, job: current } = job.snapshot;
  const shafts = unitType.positions.filter(({ family }) => family === 'shaft-spline');
  const gears = unitType.positions.filter(({ family }) => family === 'gear-teeth');
  const [text, setText] = useState<Text>(() => textOf(unitType));
  const [trouble, setTrouble] = useState('');
  if (!job.snapshot.job.ownType || !rights.includes('unit-type.describe')) return null;
  const set = (name: string, value: string) => {
    setTrouble('');
    setText({ ...text, [name]: value });
  };
  const draw = async () => {
    const box = v.safeParse(PlainBoxSchema, boxOf(text, shafts, gears));
    if (!box.success) {
      const [issue] = box.issues;
      return setTrouble(`${placeOf(issue.path, shafts, gears)}${issue.message}.`);
    }
    const answer = await send('PUT', `/api/v1/jobs/${current.id}/box`, {
      version: current.version,
      box: box.output,
    });
    setTrouble(answer.ok ? '' : answer.refusal.message);
    if (answer.ok) await job.refresh();
  };
  return (
    <Box as="section" aria-label="Shafts and gears" marginTop="24px" data-testid="describe-box">
      <Heading as="h3" fontSize="16px">
        Shafts and gears
      </Heading>
      {shafts.length === 0 || gears.length === 0 ? (
        <EmptyState>
          Once a shaft and a gear are on the list, their measures go in here, and the unit gets a drawing and
          a ratio.
        </EmptyState>
      ) : (
        <Box
          as="form"
          onSubmit={(event) => {
            event.preventDefault();
            void draw();
          }}
        >
          {shafts.map((shaft) => (
            <Row key={shaft.id} name={shaft.name}>
              <Figure text={text} set={set} name={`${shaft.id} length`} label={`${shaft.name}, length, mm`} />
              <Figure
                text={text}
                set={set}
                name={`${shaft.id} diameter`}
                label={`${shaft.name}, diameter, mm`}
              />
            </Row>
          ))}
          {gears.map((gear) => (
            <Row key={gear.id} name={gear.name}>
              <Choice
                text={text}
                set={set}
                name={`${gear.id} shaft`}
                label={`${gear.name}, on`}
                of={shafts}
              />
              <Figure
                text={text}
                set={set}
                name={`${gear.id} place`}
                label={`${gear.name}, from the left end, mm`}
              />
              <Figure text={text} set={set} name={`${gear.id} width`} label={`${gear.name}, width, mm`} />
              <Figure text={text} set={set} name={`${gear.id} teeth`} label={`${gear.name}, teeth`} />
              <Choice
                text={text}
                set={set}
                name={`${gear.id} mate`}
                label={`${gear.name}, meets`}
                of={gears.filter(({ id }) => id !== gear.id)}
              />
            </Row>
          ))}
          <Grid templateColumns={{ base: '1fr', md: 'repeat(3, 1fr)' }} columnGap="12px" maxWidth="720px">
            <Figure text={text} set={set} name="module" label="Module, mm" />
            <Choice text={text} set={set} name="input" label="Power comes in by" of={shafts} />
            <Choice text={text} set={set} name="output" label="Power leaves by" of={shafts} />
          </Grid>
          {trouble && <ErrorNotice>{trouble} What you typed is still here.</ErrorNotice>}
          <Press type="submit" kind="main">
            Draw it
          </Press>
        </Box>
      )}
    </Box>
  );
}

const Row = ({ name, children }: { readonly name: string; readonly children: ReactNode }) => (
  <Box borderBottom="1px solid" borderColor="rule" paddingTop="8px">
    <strong>{name}</strong>
    <Flex gap="12px" wrap="wrap" css={{ '& > *': { flex: '1 1 130px' } }}>
      {children}
    </Flex>
  </Box>
);

interface PartProps {
  readonly text: Text;
  readonly set: (name: string, value: string) => void;
  readonly name: string;
  readonly label: string;
}

const Figure = ({ text, set, name, label }: PartProps) => (
  <TextField
    label={label}
    value={text[name] ?? ''}
    onText={(typed) => set(name, typed)}
    inputMode="decimal"
  />
);

const Choice = ({ text, set, name, label, of }: PartProps & { readonly of: readonly Position[] }) => (
  <Field label={label}>
    {(wiring) => (
      <Select {...wiring} value={text[name] ?? ''} onChange={(event) => set(name, event.target.value)}>
        <option value="">–</option>
        {of.map(({ id, name: called }) => (
          <option key={id} value={id}>
            {called}
          </option>
        ))}
      </Select>
    )}
  </Field>
);

/** What stands in the type already, as it was typed. */
function textOf({ positions, gears, meshes, power }: UnitType): Text {
  const text: Text = { module: '2.5', input: power?.input ?? '', output: power?.outputs[0]?.body ?? '' };
  for (const { id, draw, body, from, to } of positions) {
    if (draw?.shape === 'shaft') {
      text[`${id} length`] = String(to ?? '');
      text[`${id} diameter`] = String((draw.steps[0]?.radius ?? 0) * 2);
    }
    const gear = gears.find(({ position }) => position === id);
    if (!gear || from === undefined || to === undefined) continue;
    const mesh = meshes.find(({ a, b }) => a === gear.id || b === gear.id);
    text[`${id} shaft`] = body ?? '';
    text[`${id} place`] = String(from);
    text[`${id} width`] = String(to - from);
    text[`${id} teeth`] = String(gear.teeth);
    text[`${id} mate`] = mesh ? (mesh.a === gear.id ? mesh.b : mesh.a) : '';
  }
  const [first] = gears;
  if (first?.module) text.module = String(first.module);
  return text;
}

/** Rows that nobody has begun are left out: a box may be described as far as it lies open. */
function boxOf(text: Text, shafts: readonly Position[], gears: readonly Position[]) {
  const figure = (name: string) => {
    const parsed = parseReading(text[name] ?? '');
    return parsed.ok ? parsed.value : Number.NaN;
  };
  const begun = (id: string) =>
    Object.entries(text).some(([name, value]) => name.startsWith(`${id} `) && value !== '');
  return {
    module: figure('module'),
    input: text.input,
    output: text.output,
    shafts: shafts
      .filter(({ id }) => begun(id))
      .map(({ id }) => ({
        position: id,
        length: figure(`${id} length`),
        diameter: figure(`${id} diameter`),
      })),
    gears: gears
      .filter(({ id }) => begun(id))
      .map(({ id }) => ({
        position: id,
        shaft: text[`${id} shaft`],
        place: figure(`${id} place`),
        width: figure(`${id} width`),
        teeth: figure(`${id} teeth`),
        ...(text[`${id} mate`] ? { mate: text[`${id} mate`] } : {}),
      })),
  };
}

/** Which field an issue is about, as the field is called. */
function placeOf(
  path: readonly { readonly key: unknown; readonly input: unknown }[] | undefined,
  shafts: readonly Position[],
  gears: readonly Position[],
): string {
  const [list, row, field] = path ?? [];
  if (!row)
    return list?.key === 'input' || list?.key === 'output'
      ? `Power, ${list.key}: `
      : `${String(list?.key)}: `;
  const position = (row as { value?: { position?: string } }).value?.position;
  const name = [...shafts, ...gears].find(({ id }) => id === position)?.name ?? '';
  return `${name}, ${String(field?.key ?? '')}: `;
}
