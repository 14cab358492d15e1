'use client';

import { Box, chakra, Grid, Heading } from '@chakra-ui/react';
import { valibotResolver } from '@hookform/resolvers/valibot';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type * as v from 'valibot';
import { type GaugeStudyPlan, GaugeStudyPlanSchema } from '@/model/measuring';
import type { Actor } from '@/model/people';
import type { Right } from '@/model/rights';
import type { Gauge } from '@/model/snapshot';
import { UNIT_SYMBOL } from '@/model/units';
import { PageHead } from '../frame/PageHead';
import { longDate } from '../kit/dates';
import { Field, Select, TextInput } from '../kit/Field';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { numeric } from '../kit/numeric';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import { spoken } from '../kit/spoken';
import { Table } from '../kit/Table';

interface StudyHead {
  readonly study: { readonly id: string; readonly title: string; readonly plannedAt: string };
  readonly gauge: Gauge;
  readonly appraisers: readonly { readonly id: string; readonly name: string; readonly read: number }[];
  readonly each: number;
  readonly next?: unknown;
}

interface StudiesProps {
  readonly studies: readonly StudyHead[];
  readonly gauges: readonly Gauge[];
  readonly people: readonly { readonly id: string; readonly name: string }[];
  readonly actor: Actor;
  readonly rights: readonly Right[];
}

/** The shop's gauge studies: which gauge, how far along, and the plan for another. */
export function Studies({ studies, gauges, people, actor, rights }: StudiesProps) {
  const mayPlan = rights.includes('gauge.keep');
  return (
    <Box>
      <PageHead title="Gauge studies" back={{ href: '/gauges', words: 'All gauges' }} actor={actor} />
      <Grid
        as="main"
        templateColumns={{ base: '1fr', lg: mayPlan ? '3fr 2fr' : '1fr' }}
        gap="32px"
        padding="16px"
        maxWidth="1280px"
      >
        <Box>
          {studies.length === 0 && (
            <EmptyState>
              How far a gauge may be trusted comes out here: several people read the same parts several times,
              blind, and the scatter is told apart from what the parts differ by.
            </EmptyState>
          )}
          {studies.length > 0 && (
            <Table heads={['Study', 'Gauge', 'Planned', 'Read']} label="Gauge studies">
              {studies.map(({ study, gauge, appraisers, each, next }) => (
                <tr key={study.id}>
                  <td>
                    <chakra.span
                      display="inline-block"
                      paddingBlock="8px"
                      textDecoration="underline"
                      textUnderlineOffset="3px"
                    >
                      <Link href={`/gauges/studies/${study.id}`}>{study.title}</Link>
                    </chakra.span>
                    {next !== undefined && (
                      <Box fontSize="13px" fontWeight={650}>
                        Your turn
                      </Box>
                    )}
                  </td>
                  <td>{gauge.name}</td>
                  <td>{longDate(study.plannedAt)}</td>
                  <td>
                    {appraisers.map(({ id, name, read }) => (
                      <Box key={id}>
                        {name}: {read === each ? 'all' : `${read} of ${each}`}
                      </Box>
                    ))}
                  </td>
                </tr>
              ))}
            </Table>
          )}
        </Box>
        {mayPlan && <PlanForm gauges={gauges} people={people} />}
      </Grid>
    </Box>
  );
}

function PlanForm({ gauges, people }: Pick<StudiesProps, 'gauges' | 'people'>) {
  const router = useRouter();
  const [refusal, setRefusal] = useState('');
  const { register, handleSubmit, watch, formState } = useForm<
    v.InferInput<typeof GaugeStudyPlanSchema>,
    unknown,
    GaugeStudyPlan
  >({
    resolver: spoken(valibotResolver(GaugeStudyPlanSchema)),
    defaultValues: { gaugeId: gauges[0]?.id ?? '', parts: 5, trials: 2, appraisers: [], toleranceWords: '' },
  });
  const { errors } = formState;
  const gauge = gauges.find(({ id }) => id === watch('gaugeId'));
  const plan = handleSubmit(async (input) => {
    const answer = await send<{ studyId: string }>('POST', '/api/v1/gauge-studies', input);
    setRefusal(answer.ok ? '' : answer.refusal.message);
    if (answer.ok) router.push(`/gauges/studies/${answer.value.studyId}`);
  });
  return (
    <Box as="form" onSubmit={plan}>
      <Heading as="h2" fontSize="18px" marginBottom="8px">
        Plan a study
      </Heading>
      <Field label="What is measured" error={errors.title?.message}>
        {(wiring) => <TextInput {...wiring} {...register('title')} autoComplete="off" />}
      </Field>
      <Field label="Gauge" error={errors.gaugeId?.message}>
        {(wiring) => (
          <Select {...wiring} {...register('gaugeId')}>
            {gauges.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Grid templateColumns="1fr 1fr" columnGap="12px">
        <Field label="Parts" hint="5 to 10 that differ" error={errors.parts?.message}>
          {(wiring) => <TextInput {...wiring} {...register('parts', numeric)} inputMode="numeric" />}
        </Field>
        <Field label="Times each" error={errors.trials?.message}>
          {(wiring) => <TextInput {...wiring} {...register('trials', numeric)} inputMode="numeric" />}
        </Field>
      </Grid>
      <chakra.fieldset border="none" marginBottom="12px">
        <legend>Who reads</legend>
        {people.map(({ id, name }) => (
          <chakra.label key={id} display="flex" alignItems="center" gap="12px" minHeight="44px">
            <input type="checkbox" value={id} {...register('appraisers')} style={{ width: 22, height: 22 }} />
            {name}
          </chakra.label>
        ))}
        {errors.appraisers && (
          <Box color="oxide" role="alert" fontSize="13px">
            {errors.appraisers.message}
          </Box>
        )}
      </chakra.fieldset>
      <Field
        label={`Width of the limit to decide${gauge ? `, ${UNIT_SYMBOL[gauge.unit]}` : ''}`}
        hint="Most less least. Left empty, the gauge is held against what the parts differ by."
        error={errors.tolerance?.message}
      >
        {(wiring) => <TextInput {...wiring} {...register('tolerance', numeric)} inputMode="decimal" />}
      </Field>
      <Field label="Which limit that is">
        {(wiring) => <TextInput {...wiring} {...register('toleranceWords')} autoComplete="off" />}
      </Field>
      {refusal && <ErrorNotice>{refusal} What you typed is still here.</ErrorNotice>}
      <Press type="submit" kind="main" size="bench">
        Plan it
      </Press>
    </Box>
  );
}
