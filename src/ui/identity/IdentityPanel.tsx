'use client';

import { Box, Flex, Grid, Heading } from '@chakra-ui/react';
import { valibotResolver } from '@hookform/resolvers/valibot';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type * as v from 'valibot';
import { ANY_PAIR, type CountablePair, countablePairs } from '@/core/gearing/countablePairs';
import { countedRatios } from '@/core/gearing/countedRatios';
import { identityOfEntry } from '@/core/gearing/identityOfEntry';
import { formatNumber } from '@/core/quantity/format';
import { type IdentityCounts, IdentityCountsSchema, type IdentityEntry } from '@/model/measuring';
import type { UnitType } from '@/model/unitType';
import { keptOr } from '../job/keptOr';
import { LostVersions } from '../job/LostVersions';
import { type OfJob, useBench } from '../job/useBench';
import { longInstant } from '../kit/dates';
import { Field, Select, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { numeric } from '../kit/numeric';
import { Press } from '../kit/Press';
import { OtherRatio } from './OtherRatio';

const UNDESCRIBED: CountablePair = { id: ANY_PAIR, name: 'The pair that was counted', pinion: 0, ring: 0 };

/** Teeth and splines counted by hand, held against the tag, the casting and the mate; and what another ratio would do. */
export function IdentityPanel({ job }: OfJob) {
  const { rights } = useBench();
  const { unitType, identities } = job.snapshot;
  const pairs = countablePairs(unitType);
  const offered = pairs.length > 0 ? pairs : [UNDESCRIBED];
  const [pairId, setPairId] = useState(offered[0]!.id);
  const pair = offered.find(({ id }) => id === pairId) ?? offered[0]!;
  const entry = identities.find((each) => each.pairId === pair.id);
  return (
    <Box
      as="section"
      aria-label="Ratio and identity"
      marginTop="32px"
      maxWidth="960px"
      data-testid="identity"
    >
      <Heading as="h2" fontSize="18px" marginBottom="8px">
        Ratio and identity
      </Heading>
      {offered.length > 1 && (
        <Field label="Pair">
          {(wiring) => (
            <Select {...wiring} value={pair.id} onChange={(event) => setPairId(event.target.value)}>
              {offered.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </Select>
          )}
        </Field>
      )}
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
          <InTheTrain unitType={unitType} pair={pair} entry={entry} />
          <OtherRatio pinionTeeth={entry.pinionTeeth} ringTeeth={entry.ringTeeth} />
        </>
      )}
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
    resolver: valibotResolver(IdentityCountsSchema),
    defaultValues: entry ?? { marked: '', ...(tagged === undefined ? {} : { tagRatio: tagged }) },
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
    ['marked', 'Marked on the gears', 'text'],
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

const CONFLICT_WORDS: Record<string, string> = {
  'pairs of this unit type': 'this type of unit has',
};

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
          Counted {counted}, but {CONFLICT_WORDS[what] ?? `${what} say`} {stated}.
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
