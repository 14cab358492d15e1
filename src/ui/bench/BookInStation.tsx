'use client';

import { Box, Flex, Grid } from '@chakra-ui/react';
import { valibotResolver } from '@hookform/resolvers/valibot';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { type JobEdit, JobEditSchema, SYMPTOMS } from '@/model/job';
import type { Job } from '@/model/snapshot';
import { TOO_CLOSE_POLICIES } from '@/model/tooClose';
import { longInstant } from '../kit/dates';
import { Field, Select, TextArea, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { type RefusalAnswer, send } from '../kit/send';
import type { StationProps } from './StationWork';

const LABELS: Record<Exclude<keyof JobEdit, 'version' | 'tooClosePolicy'>, string> = {
  customer: 'Customer',
  customerContact: 'How to reach the customer',
  machine: 'Machine',
  serial: 'Serial number',
  tag: 'Tag on the unit',
  complaint: 'Complaint, in the customer’s words',
  oilClaimed: 'Oil claimed to be in it',
  history: 'History',
  dueOn: 'Due',
  holdReason: 'On hold because (empty: not on hold)',
  waitsFor: 'Waits for',
};
const TEXTS = Object.keys(LABELS) as (keyof typeof LABELS)[];
const FIELDS = [...TEXTS, 'tooClosePolicy'] as const;
const NAMES = { ...LABELS, tooClosePolicy: 'A reading too close to call' };
const LONG = new Set<string>(['complaint', 'history']);

const editOf = (job: Job): JobEdit => ({
  version: job.version,
  ...(Object.fromEntries(FIELDS.map((field) => [field, job[field]])) as Omit<JobEdit, 'version'>),
});

/** What the counter wrote down, and the way to mend it. Of two people who edit at once, the second sees both versions. */
export function BookInStation({ job, rights }: StationProps) {
  const current = job.snapshot.job;
  const { register, handleSubmit, reset, getValues, setValue, formState } = useForm({
    resolver: valibotResolver(JobEditSchema),
    defaultValues: editOf(current),
  });
  const [refusal, setRefusal] = useState<RefusalAnswer>();
  const [kept, setKept] = useState(false);
  const mayEdit = rights.includes('job.edit');
  const save = handleSubmit(async (edit) => {
    const answer = await send<Job>('PUT', `/api/v1/jobs/${current.id}`, edit);
    setKept(answer.ok);
    if (!answer.ok) return setRefusal(answer.refusal);
    setRefusal(undefined);
    reset(editOf(answer.value));
    await job.refresh();
  });
  const theirs = refusal?.code === 'stale' ? (refusal.details.theirs as Job) : undefined;
  return (
    <Box maxWidth="960px">
      <Box color="second" marginBottom="8px">
        Booked in {longInstant(current.bookedAt)} by {current.bookedBy}. Unit type {current.unitTypeId},
        revision {current.unitTypeRevision}.
        {current.symptoms.length > 0 && (
          <>
            {' '}
            Symptoms:{' '}
            {current.symptoms
              .map(
                ({ id, when }) =>
                  `${SYMPTOMS.find((symptom) => symptom.id === id)?.name}${when ? ` (${when})` : ''}`,
              )
              .join(', ')}
            .
          </>
        )}
      </Box>
      {theirs && (
        <ErrorNotice>
          Somebody changed this job while you wrote. Nothing was overwritten. Where the two differ:
          {FIELDS.filter((field) => String(theirs[field]) !== String(getValues(field))).map((field) => (
            <Flex key={field} gap="8px" wrap="wrap" align="center" marginTop="4px" color="ink">
              <span>
                <strong>{NAMES[field]}</strong> – theirs: “{theirs[field]}” – yours: “{getValues(field)}”
              </span>
              <Press onClick={() => setValue(field, theirs[field])}>Take theirs</Press>
            </Flex>
          ))}
          <Press
            marginTop="8px"
            onClick={() => {
              setValue('version', theirs.version);
              setRefusal(undefined);
              void save();
            }}
          >
            Save what stands in the fields now
          </Press>
        </ErrorNotice>
      )}
      <Box as="form" onSubmit={save}>
        <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} columnGap="24px">
          {TEXTS.map((field) => (
            <Field key={field} label={LABELS[field]} error={formState.errors[field]?.message}>
              {(wiring) =>
                LONG.has(field) ? (
                  <TextArea {...wiring} {...register(field)} rows={3} readOnly={!mayEdit} />
                ) : (
                  <TextInput
                    {...wiring}
                    {...register(field)}
                    type={field === 'dueOn' ? 'date' : 'text'}
                    readOnly={!mayEdit}
                  />
                )
              }
            </Field>
          ))}
          <Field label={NAMES.tooClosePolicy}>
            {(wiring) => (
              <Select {...wiring} {...register('tooClosePolicy')} disabled={!mayEdit}>
                <option value="">as the shop does it</option>
                {TOO_CLOSE_POLICIES.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        </Grid>
        {refusal && !theirs && <ErrorNotice>{refusal.message}</ErrorNotice>}
        {mayEdit && (
          <Flex gap="12px" align="center">
            <Press type="submit" kind="main" size="bench" disabled={formState.isSubmitting}>
              Save
            </Press>
            {kept && <span role="status">Saved.</span>}
          </Flex>
        )}
      </Box>
    </Box>
  );
}
