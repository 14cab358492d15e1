'use client';

import { Box, Flex, Grid } from '@chakra-ui/react';
import { valibotResolver } from '@hookform/resolvers/valibot';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type * as v from 'valibot';
import type { CountablePair } from '@/core/gearing/countablePairs';
import { countedRatios } from '@/core/gearing/countedRatios';
import { identityOfEntry } from '@/core/gearing/identityOfEntry';
import { settledIdentity } from '@/core/open/identityQuestions';
import { formatNumber } from '@/core/quantity/format';
import { type IdentityCounts, IdentityCountsSchema, type IdentityEntry } from '@/model/measuring';
import type { UnitType } from '@/model/unitType';
import { keptOr } from '../job/keptOr';
import { LostVersions } from '../job/LostVersions';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { longInstant } from '../kit/dates';
import { Field, TextField, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { numeric } from '../kit/numeric';
import { Press } from '../kit/Press';
import { spoken } from '../kit/spoken';

/** One pair: its teeth counted, held against tag, marks, mate and type; and a conflict settled with a reason. */
export function PairCount({ job, pair }: OfJob & { readonly pair: CountablePair }) {
  const { rights } = useBench();
  const entry = job.snapshot.identities.find(({ pairId }) => pairId === pair.id);
  return (
    <>
      <CountForm
        key={`${pair.id} ${entry?.version ?? 0}`}
        pair={pair}
        entry={entry}
        job={job}
        mayCount={rights.includes('identity.count')}
      />
      {entry && (
        <>
          <Comparison entry={entry} pair={pair} />
          <Settling entry={entry} pair={pair} job={job} />
          <InTheTrain unitType={job.snapshot.unitType} pair={pair} entry={entry} />
        </>
      )}
    </>
  );
}

/** A pair in conflict blocks both gears until a person says why it may go on; what was counted stays as it is. */
function Settling({
  entry,
  pair,
  job,
}: OfJob & { readonly entry: IdentityEntry; readonly pair: CountablePair }) {
  const { rights } = useBench();
  const keep = useKeep(job);
  const [reason, setReason] = useState('');
  const [trouble, setTrouble] = useState('');
  const identity = identityOfEntry(entry, pair);
  if (typeof identity === 'string' || identity.conflicts.length === 0) return null;
  const settled = settledIdentity(job.snapshot.records, entry);
  if (settled)
    return (
      <Box data-testid="identity-settled">
        Settled by {settled.author}: {settled.content.reason}.
      </Box>
    );
  const settle = async () => {
    const content = { pairId: pair.id, countVersion: entry.version, reason };
    setTrouble((await keep({ what: 'identity-settled', ...content }, 'The identity is settled')) ?? '');
  };
  return (
    <Box
      marginTop="8px"
      borderLeft="4px solid"
      borderColor="oxide"
      paddingLeft="12px"
      data-testid="identity-conflict"
    >
      Neither gear may be used again until this is settled: count again, replace the pair, or say why it may
      go on.
      {rights.includes('identity.settle') && (
        <Flex gap="8px" align="flex-end" wrap="wrap" marginTop="4px">
          <Box flex="1 1 240px">
            <TextField label="Why it may go on" value={reason} onText={setReason} maxLength={200} />
          </Box>
          <Press marginBottom="12px" disabled={reason.trim() === ''} onClick={() => void settle()}>
            Settle it in my name
          </Press>
        </Flex>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}

function CountForm({
  pair,
  entry,
  job,
  mayCount,
}: {
  readonly pair: CountablePair;
  readonly entry: IdentityEntry | undefined;
  readonly job: OfJob['job'];
  readonly mayCount: boolean;
}) {
  const { job: current, unitType } = job.snapshot;
  const tagged = unitType.ratios.find(({ tag }) => tag === current.tag)?.ratio;
  const { register, handleSubmit, formState } = useForm<
    v.InferInput<typeof IdentityCountsSchema>,
    unknown,
    IdentityCounts
  >({
    resolver: spoken(valibotResolver(IdentityCountsSchema)),
    defaultValues: entry ?? {
      marked: '',
      pinionSet: '',
      ringSet: '',
      ...(tagged === undefined ? {} : { tagRatio: tagged }),
    },
  });
  const [trouble, setTrouble] = useState('');
  const { errors } = formState;
  const keep = handleSubmit(async (counts) => {
    const taken = job.take('identity', { pairId: pair.id, version: entry?.version ?? 0, counts });
    setTrouble(await keptOr(taken, 'count again'));
    void job.sendWaiting();
  });
  const fields = [
    ['pinionTeeth', 'Smaller gear, teeth', 'numeric'],
    ['ringTeeth', 'Larger gear, teeth', 'numeric'],
    ['marked', 'Teeth marked on them', 'text'],
    ['pinionSet', 'Set number on the smaller', 'text'],
    ['ringSet', 'Set number on the larger', 'text'],
    ['tagRatio', 'Ratio on the tag', 'decimal'],
    ['splinesCounted', 'Splines counted', 'numeric'],
    ['splinesMate', 'Splines of its mate', 'numeric'],
  ] as const;
  return (
    <Box as="form" onSubmit={keep}>
      <Grid templateColumns="repeat(auto-fill, minmax(104px, 1fr))" alignItems="end" columnGap="12px">
        {fields.map(([name, label, mode]) => (
          <Field key={name} label={label} error={errors[name]?.message}>
            {(wiring) => (
              <TextInput
                {...wiring}
                {...register(name, mode === 'text' ? {} : numeric)}
                inputMode={mode}
                autoComplete="off"
                readOnly={!mayCount}
              />
            )}
          </Field>
        ))}
      </Grid>
      <LostVersions
        {...{ job, kind: 'identity', holds: entry }}
        of={({ content }) => content.pairId === pair.id}
        tell={({ counts }) => {
          const { pinionTeeth, ringTeeth } = counts as IdentityCounts;
          return `${ringTeeth} to ${pinionTeeth}`;
        }}
      />
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Flex align="center" gap="12px">
        {mayCount && <Press type="submit">Hold it against tag and mate</Press>}
        {entry && (
          <Box fontSize="13px" color="second">
            Counted by {entry.by}, {longInstant(entry.at)}
          </Box>
        )}
      </Flex>
    </Box>
  );
}

/** Each with both figures, as one says it. */
function conflictWords(what: string, counted: number | string, stated: number | string): string {
  switch (what) {
    case 'ratio on the tag':
      return `Counted, the ratio is ${counted}; the tag says ${stated}.`;
    case 'pairs of this unit type':
      return `Counted ${counted}; this type of unit has ${stated}.`;
    case 'splines':
      return `Counted ${counted} splines; its mate has ${stated}.`;
    case 'set number on the ring':
      return `The smaller gear is marked ${counted}, the larger ${stated}: they are not of one set.`;
    case 'pinion teeth marked':
      return `Counted ${counted} teeth on the smaller gear; ${stated} are marked.`;
    case 'ring teeth marked':
      return `Counted ${counted} teeth on the larger gear; ${stated} are marked.`;
    default:
      return `Counted ${counted}, but ${what}: ${stated}.`;
  }
}

/** What agrees and what does not, each with both figures. */
function Comparison({ entry, pair }: { readonly entry: IdentityEntry; readonly pair: CountablePair }) {
  const identity = identityOfEntry(entry, pair);
  if (typeof identity === 'string') return <ErrorNotice>{identity}</ErrorNotice>;
  const { ratio, commonFactor, conflicts } = identity;
  return (
    <Box marginTop="12px" data-testid="identity-result">
      <Box fontSize="20px" fontWeight={650}>
        {entry.ringTeeth} to {entry.pinionTeeth}: ratio {formatNumber(ratio, 3)}
      </Box>
      {conflicts.length === 0 && (
        <Box>Nothing that was counted speaks against the tag, the marks or the type.</Box>
      )}
      {conflicts.map(({ what, counted, stated }) => (
        <Box key={what} color="oxide">
          {conflictWords(what, counted, stated)}
        </Box>
      ))}
      {commonFactor > 1 && (
        <Box>
          Both counts share the factor {commonFactor}: the same teeth meet again and again, so the match marks
          matter when it goes back.
        </Box>
      )}
    </Box>
  );
}

/** What the counted teeth do to the ratios of the whole train. */
function InTheTrain({
  unitType,
  pair,
  entry,
}: {
  readonly unitType: UnitType;
  readonly pair: CountablePair;
  readonly entry: IdentityEntry;
}) {
  const differing = countedRatios(unitType, pair, entry);
  if (differing.length === 0) return null;
  return (
    <Box color="oxide" data-testid="counted-ratios">
      {differing.map(({ gear, counted, described }) => (
        <Box key={gear}>
          With the counted teeth {gear} would be {formatNumber(counted, 3)}; this type has{' '}
          {formatNumber(described, 3)}.
        </Box>
      ))}
    </Box>
  );
}
