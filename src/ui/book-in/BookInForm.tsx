'use client';

import { Box, chakra, Flex, Grid, Heading } from '@chakra-ui/react';
import { valibotResolver } from '@hookform/resolvers/valibot';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { type BookIn, BookInSchema, SYMPTOMS, type Symptom } from '@/model/job';
import type { Actor } from '@/model/people';
import { UNIT_FAMILIES } from '@/model/unitType';
import { PersonMenu } from '../frame/PersonMenu';
import { Field, Select, TextArea, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import { SeenBefore } from './SeenBefore';

const FAMILY_NAMES: Record<(typeof UNIT_FAMILIES)[number], string> = {
  countershaft: 'Countershaft gearbox',
  'hypoid-axle': 'Hypoid axle',
  'bevel-box': 'Right-angle bevel box',
  transfer: 'Transfer case',
  epicyclic: 'Epicyclic gearbox',
  combined: 'Gearbox with final drive',
  other: 'Something else',
};

interface BookInFormProps {
  readonly actor: Actor;
  readonly nextPeg: number;
  readonly unitTypes: readonly {
    readonly id: string;
    readonly title: string;
    readonly family: string;
    readonly revision: number;
  }[];
  readonly suggestedDue: string;
}

/** What the counter asks when a broken unit comes in. */
export function BookInForm({ actor, nextPeg, unitTypes, suggestedDue }: BookInFormProps) {
  const router = useRouter();
  const [refusal, setRefusal] = useState('');
  const first = unitTypes[0];
  const { register, handleSubmit, control, setValue, watch, formState } = useForm({
    resolver: valibotResolver(BookInSchema),
    defaultValues: {
      peg: nextPeg,
      customer: '',
      customerContact: '',
      machine: '',
      unitTypeId: first?.id,
      unitTitle: first?.title ?? '',
      unitFamily: (first?.family ?? 'other') as BookIn['unitFamily'],
      serial: '',
      tag: '',
      complaint: '',
      symptoms: [],
      oilClaimed: '',
      history: '',
      dueOn: suggestedDue,
    } satisfies BookIn as BookIn,
  });
  const errors = formState.errors;
  const described = watch('unitTypeId') !== undefined;
  const chooseType = (id: string) => {
    const type = unitTypes.find((known) => known.id === id);
    setValue('unitTypeId', type?.id);
    setValue('unitTitle', type?.title ?? '');
    setValue('unitFamily', (type?.family ?? 'other') as BookIn['unitFamily']);
  };
  const save = handleSubmit(async (values) => {
    const answer = await send<{ peg: number }>('POST', '/api/v1/jobs', values);
    if (!answer.ok) return setRefusal(answer.refusal.message);
    router.push(`/jobs/${answer.value.peg}?station=grade`);
  });
  return (
    <Box minHeight="100dvh">
      <Flex
        as="header"
        bg="bar"
        color="onBlue"
        padding="12px 16px"
        align="center"
        justify="space-between"
        gap="16px"
      >
        <Box>
          <Heading as="h1">Book in a unit</Heading>
          <Link href="/">Back to the rack</Link>
        </Box>
        <PersonMenu actor={actor} />
      </Flex>
      <chakra.form
        display="block"
        onSubmit={save}
        padding="16px"
        maxWidth="1040px"
        margin="0 auto"
        noValidate
      >
        <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} columnGap="32px">
          <Box>
            <Heading as="h2" fontSize="16px" marginBottom="8px">
              The unit
            </Heading>
            <Field label="Peg number, as stamped on the case" error={errors.peg?.message}>
              {(wiring) => (
                <TextInput
                  {...wiring}
                  {...register('peg', { valueAsNumber: true })}
                  inputMode="numeric"
                  fontSize="24px"
                />
              )}
            </Field>
            <Field
              label="Type of unit"
              hint={
                described
                  ? undefined
                  : 'Nobody has described this type yet: no drawing and no limits, everything else works.'
              }
            >
              {(wiring) => (
                <Select
                  {...wiring}
                  defaultValue={first?.id ?? ''}
                  onChange={(event) => chooseType(event.target.value)}
                >
                  {unitTypes.map(({ id, title }) => (
                    <option key={id} value={id}>
                      {title}
                    </option>
                  ))}
                  <option value="">Not described yet</option>
                </Select>
              )}
            </Field>
            {!described && (
              <Field label="Family">
                {(wiring) => (
                  <Select {...wiring} {...register('unitFamily')}>
                    {UNIT_FAMILIES.map((family) => (
                      <option key={family} value={family}>
                        {FAMILY_NAMES[family]}
                      </option>
                    ))}
                  </Select>
                )}
              </Field>
            )}
            <Field label="Name of the unit" error={errors.unitTitle?.message}>
              {(wiring) => <TextInput {...wiring} {...register('unitTitle')} />}
            </Field>
            <Flex gap="12px">
              <Field label="Serial number">
                {(wiring) => <TextInput {...wiring} {...register('serial')} />}
              </Field>
              <Field label="Tag">{(wiring) => <TextInput {...wiring} {...register('tag')} />}</Field>
            </Flex>
            <SeenBefore
              serial={watch('serial')}
              peg={watch('peg')}
              onTake={(words) => setValue('history', words)}
            />
            <Field label="Oil claimed to be in it">
              {(wiring) => <TextInput {...wiring} {...register('oilClaimed')} />}
            </Field>
          </Box>
          <Box>
            <Heading as="h2" fontSize="16px" marginBottom="8px">
              Whose, from what, until when
            </Heading>
            <Field label="Customer" error={errors.customer?.message}>
              {(wiring) => <TextInput {...wiring} {...register('customer')} />}
            </Field>
            <Field label="How to reach the customer">
              {(wiring) => <TextInput {...wiring} {...register('customerContact')} />}
            </Field>
            <Flex gap="12px">
              <Field label="Machine" error={errors.machine?.message}>
                {(wiring) => <TextInput {...wiring} {...register('machine')} />}
              </Field>
              <Field label="Distance, km" error={errors.distanceKm?.message}>
                {(wiring) => (
                  <TextInput
                    {...wiring}
                    {...register('distanceKm', {
                      setValueAs: (text: string) =>
                        text === '' || text === undefined ? undefined : Number(text),
                    })}
                    inputMode="numeric"
                  />
                )}
              </Field>
            </Flex>
            <Field label="Due" error={errors.dueOn?.message}>
              {(wiring) => <TextInput {...wiring} {...register('dueOn')} type="date" />}
            </Field>
            <Field label="History (apart before, ours, from whom)">
              {(wiring) => <TextArea {...wiring} {...register('history')} rows={2} />}
            </Field>
          </Box>
        </Grid>
        <Field label="Complaint, in the customer’s words" error={errors.complaint?.message}>
          {(wiring) => <TextArea {...wiring} {...register('complaint')} rows={3} />}
        </Field>
        <Controller
          control={control}
          name="symptoms"
          render={({ field }) => <Symptoms symptoms={field.value} onChange={field.onChange} />}
        />
        {refusal && <ErrorNotice>{refusal} What you typed is still here.</ErrorNotice>}
        <Press type="submit" kind="main" size="bench" disabled={formState.isSubmitting} marginTop="12px">
          Hang it on the rack
        </Press>
      </chakra.form>
    </Box>
  );
}

function Symptoms({
  symptoms,
  onChange,
}: {
  readonly symptoms: readonly Symptom[];
  readonly onChange: (symptoms: Symptom[]) => void;
}) {
  const toggle = (id: Symptom['id']) =>
    onChange(
      symptoms.some((symptom) => symptom.id === id)
        ? symptoms.filter((symptom) => symptom.id !== id)
        : [...symptoms, { id, when: '' }],
    );
  return (
    <chakra.fieldset border="none" padding="0" marginBottom="12px">
      <chakra.legend marginBottom="4px">Symptoms</chakra.legend>
      <Flex gap="8px" wrap="wrap">
        {SYMPTOMS.map(({ id, name }) => {
          const chosen = symptoms.some((symptom) => symptom.id === id);
          return (
            <Press key={id} chosen={chosen} aria-pressed={chosen} onClick={() => toggle(id)}>
              {name}
            </Press>
          );
        })}
      </Flex>
      {symptoms.map(({ id, when }) => (
        <Box key={id} maxWidth="560px" marginTop="8px">
          <Field
            label={`${SYMPTOMS.find((symptom) => symptom.id === id)?.name}: when, in which gear, drive or coast?`}
          >
            {(wiring) => (
              <TextInput
                {...wiring}
                value={when}
                maxLength={160}
                onChange={(event) =>
                  onChange(
                    symptoms.map((symptom) =>
                      symptom.id === id ? { id, when: event.target.value } : symptom,
                    ),
                  )
                }
              />
            )}
          </Field>
        </Box>
      ))}
    </chakra.fieldset>
  );
}
