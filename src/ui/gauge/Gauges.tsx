'use client';

import { Box, chakra, Flex, Grid, Heading } from '@chakra-ui/react';
import { valibotResolver } from '@hookform/resolvers/valibot';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { type NewGauge, NewGaugeSchema } from '@/model/gauge';
import type { Actor } from '@/model/people';
import type { Right } from '@/model/rights';
import type { Gauge } from '@/model/snapshot';
import { UNIT_SYMBOL, UNITS } from '@/model/units';
import { PageHead } from '../frame/PageHead';
import { DateInput } from '../kit/DateInput';
import { longDate } from '../kit/dates';
import { Field, Select, TextInput } from '../kit/Field';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { numeric } from '../kit/numeric';
import { Press, PressLink } from '../kit/Press';
import { send } from '../kit/send';
import { spoken } from '../kit/spoken';
import { Table } from '../kit/Table';

interface GaugesProps {
  readonly gauges: readonly Gauge[];
  readonly actor: Actor;
  readonly rights: readonly Right[];
  readonly today: string;
}

/** The shop's gauges: what each reads to, how far it may be off, and until when somebody vouches for it. */
export function Gauges({ gauges, actor, rights, today }: GaugesProps) {
  const mayKeep = rights.includes('gauge.keep');
  return (
    <Box>
      <PageHead
        title="Gauges"
        {...(rights.includes('job.read') ? { back: { href: '/', words: 'Back to the rack' } } : {})}
        actor={actor}
      />
      <Grid
        as="main"
        templateColumns={{ base: '1fr', lg: mayKeep ? '3fr 1.4fr' : '1fr' }}
        gap="32px"
        padding="16px"
        maxWidth="1400px"
      >
        <Box overflowX="auto">
          <PressLink href="/gauges/studies" marginBottom="8px">
            Gauge studies: how far each may be trusted
          </PressLink>
          {gauges.length === 0 && (
            <EmptyState>The shop’s gauges come here. Without one no reading can be judged.</EmptyState>
          )}
          <Table heads={['Gauge', 'Kind', 'Reads to', 'May be off by', 'Scatter', 'Calibrated until']}>
            {gauges.map((gauge) => (
              <GaugeRow key={gauge.id} gauge={gauge} mayKeep={mayKeep} today={today} />
            ))}
          </Table>
        </Box>
        {mayKeep && <NewGaugeForm />}
      </Grid>
    </Box>
  );
}

function GaugeRow({
  gauge,
  mayKeep,
  today,
}: {
  readonly gauge: Gauge;
  readonly mayKeep: boolean;
  readonly today: string;
}) {
  const router = useRouter();
  const [until, setUntil] = useState(gauge.calibratedUntil);
  const [refusal, setRefusal] = useState('');
  const overdue = gauge.calibratedUntil < today;
  const unit = UNIT_SYMBOL[gauge.unit];
  const save = async () => {
    const answer = await send('PATCH', '/api/v1/gauges', { gaugeId: gauge.id, calibratedUntil: until });
    setRefusal(answer.ok ? '' : answer.refusal.message);
    if (answer.ok) router.refresh();
  };
  return (
    <tr>
      <td>
        <strong>{gauge.name}</strong>
      </td>
      <td>{gauge.kind}</td>
      <chakra.td whiteSpace="nowrap">
        {gauge.resolution} {unit}
      </chakra.td>
      <chakra.td whiteSpace="nowrap">
        ± {gauge.maxPermissibleError} {unit}
      </chakra.td>
      <chakra.td whiteSpace="nowrap">
        {gauge.repeatability === null ? 'not known' : `${Number(gauge.repeatability.toPrecision(2))} ${unit}`}
      </chakra.td>
      <td>
        {overdue && (
          <Box as="span" color="oxide" fontWeight={650}>
            Overdue since{' '}
          </Box>
        )}
        {longDate(gauge.calibratedUntil)}
        {mayKeep && (
          <Flex gap="8px" marginBlock="4px">
            <Box width="190px">
              <DateInput aria-label={`${gauge.name} calibrated until`} value={until} onDay={setUntil} />
            </Box>
            <Press disabled={until === gauge.calibratedUntil || until === ''} onClick={() => void save()}>
              Came back calibrated
            </Press>
          </Flex>
        )}
        {refusal && <ErrorNotice>{refusal}</ErrorNotice>}
      </td>
    </tr>
  );
}

function NewGaugeForm() {
  const router = useRouter();
  const [refusal, setRefusal] = useState('');
  const { register, handleSubmit, reset, formState, control } = useForm<NewGauge>({
    resolver: spoken(valibotResolver(NewGaugeSchema)),
    defaultValues: { unit: 'mm' },
  });
  const { errors } = formState;
  const add = handleSubmit(async (gauge) => {
    const answer = await send('POST', '/api/v1/gauges', gauge);
    setRefusal(answer.ok ? '' : answer.refusal.message);
    if (!answer.ok) return;
    reset();
    router.refresh();
  });
  return (
    <Box as="form" onSubmit={add}>
      <Heading as="h2" fontSize="16px" marginBottom="8px">
        A gauge for the list
      </Heading>
      <Field label="Name, as it is called here" error={errors.name?.message}>
        {(wiring) => <TextInput {...wiring} {...register('name')} autoComplete="off" />}
      </Field>
      <Field label="Kind (dial indicator, caliper, feelers …)" error={errors.kind?.message}>
        {(wiring) => <TextInput {...wiring} {...register('kind')} autoComplete="off" />}
      </Field>
      <Field label="Unit printed on it">
        {(wiring) => (
          <Select {...wiring} {...register('unit')}>
            {UNITS.map((unit) => (
              <option key={unit} value={unit}>
                {UNIT_SYMBOL[unit]}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Field label="Reads to" error={errors.resolution?.message}>
        {(wiring) => <TextInput {...wiring} {...register('resolution', numeric)} inputMode="decimal" />}
      </Field>
      <Field label="May be off by (largest permissible error)" error={errors.maxPermissibleError?.message}>
        {(wiring) => (
          <TextInput {...wiring} {...register('maxPermissibleError', numeric)} inputMode="decimal" />
        )}
      </Field>
      <Field label="Scatter of one reading, if it is known" error={errors.repeatability?.message}>
        {(wiring) => <TextInput {...wiring} {...register('repeatability', numeric)} inputMode="decimal" />}
      </Field>
      <Field label="Calibrated until" error={errors.calibratedUntil?.message}>
        {(wiring) => (
          <Controller
            control={control}
            name="calibratedUntil"
            render={({ field }) => (
              <DateInput {...wiring} value={field.value ?? ''} onDay={field.onChange} onDone={field.onBlur} />
            )}
          />
        )}
      </Field>
      {refusal && <ErrorNotice>{refusal} What you typed is still here.</ErrorNotice>}
      <Press type="submit" kind="main" size="bench">
        Put it on the list
      </Press>
    </Box>
  );
}
