'use client';

import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import { valibotResolver } from '@hookform/resolvers/valibot';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { describeSymptom } from '@/core/report/describeSymptom';
import { type JobEdit, JobEditSchema } from '@/model/job';
import type { Job } from '@/model/snapshot';
import { TOO_CLOSE_POLICIES } from '@/model/tooClose';
import { type OfJob, useBench } from '../job/useBench';
import { DateInput } from '../kit/DateInput';
import { longInstant } from '../kit/dates';
import { Field, Select, TextArea, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { type RefusalAnswer, send } from '../kit/send';
import { spoken } from '../kit/spoken';
import { StationPictures } from '../photographs/StationPictures';
import { AsReceived, receivedWords } from './AsReceived';
import { LookFirst } from './LookFirst';
import { SymptomForm } from './SymptomForm';

const LABELS: Record<
  Exclude<keyof JobEdit, 'version' | 'tooClosePolicy' | 'symptoms' | 'received'>,
  string
> = {
  customer: 'Customer',
  customerContact: 'How to reach the customer',
  machine: 'Machine',
  serial: 'Serial number',
  tag: 'Tag on the unit',
  complaint: 'Complaint, in the customer’s words',
  oilClaimed: 'Oil claimed to be in it',
  history: 'History',
  dueOn: 'Due',
  waitsFor: 'Waits for',
};
const TEXTS = Object.keys(LABELS) as (keyof typeof LABELS)[];
const FIELDS = [...TEXTS, 'tooClosePolicy', 'symptoms', 'received'] as const;
const NAMES = {
  ...LABELS,
  tooClosePolicy: 'A reading too close to call',
  symptoms: 'Symptoms',
  received: 'What it looked like',
};
const LONG = new Set<string>(['complaint', 'history']);

/** A field of a job in words, to lay two versions beside each other. */
function fieldWords(job: Partial<JobEdit>, field: (typeof FIELDS)[number]): string {
  if (field === 'symptoms') return (job.symptoms ?? []).map(describeSymptom).join('. ');
  if (field === 'received') return job.received ? receivedWords(job.received) : '';
  return String(job[field] ?? '');
}

const editOf = (job: Job): JobEdit => ({
  version: job.version,
  ...(Object.fromEntries(FIELDS.map((field) => [field, job[field]])) as Omit<JobEdit, 'version'>),
});

/** What the counter wrote down, and the way to mend it. Of two people who edit at once, the second sees both versions. */
export function JobSheet({ job }: OfJob) {
  const { rights, place } = useBench();
  const current = job.snapshot.job;
  const { register, handleSubmit, reset, getValues, setValue, watch, control, formState } = useForm({
    resolver: spoken(valibotResolver(JobEditSchema)),
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
    <Box>
      <Box color="second" marginBottom="8px">
        Booked in {longInstant(current.bookedAt)} by {current.bookedBy}. Unit type {current.unitTypeId},
        revision {current.unitTypeRevision}.
      </Box>
      {theirs && (
        <ErrorNotice>
          Somebody changed this job while you wrote. Nothing was overwritten. Where the two differ:
          {FIELDS.filter((field) => fieldWords(theirs, field) !== fieldWords(getValues(), field)).map(
            (field) => (
              <Flex key={field} gap="8px" wrap="wrap" align="center" marginTop="4px" color="ink">
                <span>
                  <strong>{NAMES[field]}</strong> – theirs: “{fieldWords(theirs, field)}” – yours: “
                  {fieldWords(getValues(), field)}”
                </span>
                <Press onClick={() => setValue(field, theirs[field])}>Take theirs</Press>
              </Flex>
            ),
          )}
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
        <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} columnGap="24px">
          {TEXTS.map((field) => (
            <Field key={field} label={LABELS[field]} error={formState.errors[field]?.message}>
              {(wiring) =>
                LONG.has(field) ? (
                  <TextArea {...wiring} {...register(field)} rows={3} readOnly={!mayEdit} />
                ) : field === 'dueOn' ? (
                  <Controller
                    control={control}
                    name="dueOn"
                    render={({ field: due }) => (
                      <DateInput
                        {...wiring}
                        value={due.value}
                        onDay={due.onChange}
                        onDone={due.onBlur}
                        readOnly={!mayEdit}
                      />
                    )}
                  />
                ) : (
                  <TextInput {...wiring} {...register(field)} readOnly={!mayEdit} />
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
        <LookFirst
          unitType={job.snapshot.unitType}
          symptoms={watch('symptoms') ?? []}
          parts={job.parts}
          onOpen={(part) => place.goTo({ part })}
        />
        <chakra.fieldset border="none" padding="0" disabled={!mayEdit}>
          <Controller
            control={control}
            name="symptoms"
            render={({ field }) => (
              <SymptomForm
                gears={job.snapshot.unitType.states.map(({ gear }) => gear)}
                symptoms={field.value ?? []}
                onChange={field.onChange}
              />
            )}
          />
          <Controller
            control={control}
            name="received"
            render={({ field }) => (
              <AsReceived received={field.value ?? current.received} onChange={field.onChange} />
            )}
          />
        </chakra.fieldset>
        {formState.errors.symptoms && (
          <ErrorNotice>The speeds of a symptom can’t be kept: the lower one stands first.</ErrorNotice>
        )}
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
      <StationPictures job={job} station="book-in" heading="As it came" />
    </Box>
  );
}
