'use client';

import { Box, chakra, Flex, Grid, Heading } from '@chakra-ui/react';
import { valibotResolver } from '@hookform/resolvers/valibot';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import type { EarlierJob } from '@/model/earlier';
import { type BookIn, BookInSchema } from '@/model/job';
import type { Actor } from '@/model/people';
import { NOTHING_NOTED } from '@/model/symptoms';
import { UNIT_FAMILIES } from '@/model/unitType';
import { PersonMenu } from '../frame/PersonMenu';
import { DateInput } from '../kit/DateInput';
import { Field, Select, TextArea, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { numericIn } from '../kit/numeric';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import { spoken } from '../kit/spoken';
import { useKeptForm } from '../kit/useKeptForm';
import { AsReceived } from './AsReceived';
import { FirstPictures } from './FirstPictures';
import { keepPictures } from './keepPictures';
import { LookFirst } from './LookFirst';
import { SeenBefore } from './SeenBefore';
import { SymptomForm } from './SymptomForm';
import { useUnitType } from './useUnitType';

const FAMILY_NAMES: Record<(typeof UNIT_FAMILIES)[number], string> = {
  countershaft: 'Countershaft gearbox',
  'hypoid-axle': 'Hypoid axle',
  'bevel-box': 'Right-angle bevel box',
  transfer: 'Transfer case',
  epicyclic: 'Epicyclic gearbox',
  combined: 'Gearbox with final drive',
  other: 'Something else',
};

const UNDESCRIBED = 'not-described';
/** Characters. */
const MOST_HISTORY = 600;

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

/** By what a booking that was left is recognised. */
const leftWords = ({
  customer,
  machine,
  unitTitle,
  peg,
}: Pick<BookIn, 'customer' | 'machine' | 'unitTitle' | 'peg'>): string =>
  [`peg ${peg}`, customer, machine, unitTitle].filter((word) => word.trim() !== '').join(', ');

/** What the counter asks when a broken unit comes in. */
export function BookInForm({ actor, nextPeg, unitTypes, suggestedDue }: BookInFormProps) {
  const router = useRouter();
  const [refusal, setRefusal] = useState('');
  const [pictures, setPictures] = useState<readonly File[]>([]);
  // Nothing is chosen before somebody chooses: a type that stood there by itself would go through unseen.
  const [typeChosen, setTypeChosen] = useState(false);
  const { register, handleSubmit, control, setValue, watch, reset, formState } = useForm({
    resolver: spoken(valibotResolver(BookInSchema)),
    defaultValues: {
      peg: nextPeg,
      customer: '',
      customerContact: '',
      machine: '',
      unitTypeId: undefined,
      unitTitle: '',
      unitFamily: 'other' as BookIn['unitFamily'],
      serial: '',
      tag: '',
      complaint: '',
      symptoms: [],
      received: NOTHING_NOTED,
      oilClaimed: '',
      history: '',
      dueOn: suggestedDue,
    } satisfies BookIn as BookIn,
  });
  // Half-filled forms belong to a person: nobody is offered what somebody else began.
  const { left, goOn, leaveIt, forget } = useKeptForm(`book in ${actor.id}`, { watch, reset });
  const errors = formState.errors;
  const typeId = watch('unitTypeId');
  const described = typeId !== undefined;
  const undescribed = typeChosen && !described;
  const unitType = useUnitType(typeId);
  const chooseType = (id: string) => {
    setTypeChosen(true);
    setRefusal('');
    const type = unitTypes.find((known) => known.id === id);
    setValue('unitTypeId', type?.id);
    setValue('unitTitle', type?.title ?? '');
    setValue('unitFamily', (type?.family ?? 'other') as BookIn['unitFamily']);
  };
  /** What is known of it from before fills what nobody typed yet; what was typed stays. */
  const takeOver = (earlier: EarlierJob, history: string) => {
    setValue('comebackOf', earlier.jobId);
    const { customer, customerContact, machine, serial, tag } = earlier;
    for (const [name, words] of Object.entries({ customer, customerContact, machine, serial, tag }))
      if (watch(name as 'customer') === '') setValue(name as 'customer', words);
    setValue('history', history.slice(0, MOST_HISTORY));
    if (!typeChosen && unitTypes.some(({ id }) => id === earlier.unitTypeId)) chooseType(earlier.unitTypeId);
  };
  const save = handleSubmit(async (values) => {
    const answer = await send<{ jobId: string; peg: number }>('POST', '/api/v1/jobs', values);
    if (!answer.ok) return setRefusal(`${answer.refusal.message} What you typed is kept in the form.`);
    const { jobId, peg } = answer.value;
    forget();
    const lost = await keepPictures({ id: jobId, peg }, actor, pictures);
    if (lost.length > 0)
      return setRefusal(
        `The unit hangs on peg ${peg}, but this device has no room for ${lost.join(', ')}. Free some space and choose them again at its Book in.`,
      );
    router.push(`/jobs/${peg}?station=drain`);
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
        onSubmit={(event) => {
          if (typeChosen) return void save(event);
          event.preventDefault();
          setRefusal('Choose the type of unit, or “Not described yet”. What you typed is kept in the form.');
        }}
        padding="16px"
        maxWidth="1040px"
        margin="0 auto"
        noValidate
      >
        {left && (
          <Flex gap="12px" align="center" wrap="wrap" marginBottom="12px" data-testid="left-booking">
            A booking was left unfinished here: {leftWords(left)}. Photographs have to be chosen anew.
            <Press
              onClick={() => {
                // One that was not chosen then is asked for now.
                setTypeChosen(left.unitTypeId !== undefined);
                goOn();
              }}
            >
              Go on with it
            </Press>
            <Press kind="quiet" onClick={leaveIt}>
              Throw it away
            </Press>
          </Flex>
        )}
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
                !undescribed
                  ? undefined
                  : 'Nobody has described this type yet: no drawing and no limits, everything else works.'
              }
            >
              {(wiring) => (
                <Select
                  {...wiring}
                  value={typeChosen ? (typeId ?? UNDESCRIBED) : ''}
                  onChange={(event) => chooseType(event.target.value)}
                >
                  <option value="" disabled>
                    Choose the type
                  </option>
                  {unitTypes.map(({ id, title }) => (
                    <option key={id} value={id}>
                      {title}
                    </option>
                  ))}
                  <option value={UNDESCRIBED}>Not described yet</option>
                </Select>
              )}
            </Field>
            {undescribed && (
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
              machine={watch('machine')}
              customer={watch('customer')}
              distanceKm={watch('distanceKm')}
              chosen={watch('comebackOf')}
              onOurs={takeOver}
              onNotOurs={() => setValue('comebackOf', undefined)}
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
                    {...register('distanceKm', numericIn({ unit: 'km', largest: 9_999_999 }))}
                    inputMode="numeric"
                  />
                )}
              </Field>
            </Flex>
            <Field label="Due" error={errors.dueOn?.message}>
              {(wiring) => (
                <Controller
                  control={control}
                  name="dueOn"
                  render={({ field }) => (
                    <DateInput
                      {...wiring}
                      value={field.value ?? ''}
                      onDay={field.onChange}
                      onDone={field.onBlur}
                    />
                  )}
                />
              )}
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
          render={({ field }) => (
            <SymptomForm
              gears={unitType?.states.map(({ gear }) => gear) ?? []}
              symptoms={field.value}
              onChange={field.onChange}
            />
          )}
        />
        {errors.symptoms && (
          <ErrorNotice>One of the symptoms can’t be kept: {wordsOf(errors.symptoms)}.</ErrorNotice>
        )}
        {unitType && <LookFirst unitType={unitType} symptoms={watch('symptoms')} />}
        <Controller
          control={control}
          name="received"
          render={({ field }) => (
            <AsReceived received={field.value ?? NOTHING_NOTED} onChange={field.onChange} />
          )}
        />
        <FirstPictures pictures={pictures} onChange={setPictures} />
        {refusal && <ErrorNotice>{refusal}</ErrorNotice>}
        <Press type="submit" kind="main" size="bench" disabled={formState.isSubmitting} marginTop="12px">
          Hang it on the rack
        </Press>
      </chakra.form>
    </Box>
  );
}

/** The first words of what is wrong, however deep they stand. */
function wordsOf(fault: unknown): string {
  if (typeof fault !== 'object' || fault === null) return '';
  if ('message' in fault && typeof fault.message === 'string' && fault.message !== '') return fault.message;
  return (
    Object.values(fault)
      .filter((each) => !(each instanceof Element))
      .map(wordsOf)
      .find((words) => words !== '') ?? ''
  );
}
