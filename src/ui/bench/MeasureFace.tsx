'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { forecastVariation } from '@/core/gearing/forecastVariation';
import { decimalsFor, formatNumber, formatQuantity } from '@/core/quantity/format';
import { convert } from '@/core/quantity/units';
import { describeLimit, describeSource, lapsedWords } from '@/core/report/describeMeasurement';
import { findActive } from '@/core/wear/active';
import type { PartState } from '@/core/wear/partStanding';
import { UNIT_SYMBOL } from '@/model/units';
import { EmptyState } from '../kit/Notice';
import { Press } from '../kit/Press';
import { VERDICT_WORDS, VerdictRuler } from '../kit/VerdictRuler';
import { CaptureLine } from './CaptureLine';
import { ReadingPad } from './ReadingPad';
import { placeToRead } from './seriesWalk';
import type { FaceProps } from './Ticket';

/** One check at a time: how to, the number pad, what was read, and the verdict on its ruler. */
export function MeasureFace(props: FaceProps) {
  const { judgements } = props.part;
  const judged = judgements.find(({ check }) => check.id === props.place.check) ?? judgements[0];
  if (!judged) {
    return (
      <EmptyState>
        No check is described for this part, so there is no limit to judge it by. It can be looked at,
        photographed and graded; that nothing was measured stays visible.
      </EmptyState>
    );
  }
  return (
    <Box>
      {judgements.length > 1 && (
        <Flex gap="8px" wrap="wrap" marginBottom="8px">
          {judgements.map(({ check }) => (
            <Press
              key={check.id}
              chosen={check.id === judged.check.id}
              aria-pressed={check.id === judged.check.id}
              onClick={() => props.place.goTo({ check: check.id })}
            >
              {check.title}
            </Press>
          ))}
        </Flex>
      )}
      <CheckWork {...props} judged={judged} key={judged.check.id} />
    </Box>
  );
}

function CheckWork({ judged, ...props }: FaceProps & { readonly judged: PartState['judgements'][number] }) {
  const { check, judgement } = judged;
  const { job, part, rights } = props;
  const readings = job.snapshot.readings.filter(
    (reading) =>
      reading.checkId === check.id && reading.positionId === part.position.id && !reading.struck?.slip,
  );
  const active = findActive(readings);
  const reading = placeToRead(
    check,
    active.map(({ place }) => place),
    props.measuring,
  );
  return (
    <Box>
      <Heading as="h3" fontSize="18px">
        {check.title}
      </Heading>
      <Box fontSize="13px" lineHeight="18px">
        {check.howTo}
      </Box>
      {rights.includes('capture.take') && <ReadingPad {...props} check={check} reading={reading} />}
      <Verdict judged={judged} job={job} />
      <Forecast judged={judged} job={job} part={part} />
      <Box marginTop="8px">
        {readings.map((reading) => {
          const gauge = job.snapshot.gauges.find(({ id }) => id === reading.gaugeId);
          return (
            <CaptureLine key={reading.id} kind="reading" capture={reading} job={job} rights={rights}>
              {reading.place && `${reading.place}: `}
              <strong>
                {reading.raw} {UNIT_SYMBOL[reading.unit]}
              </strong>{' '}
              <Box as="span" fontSize="13px" color="second">
                {gauge?.name},
              </Box>
            </CaptureLine>
          );
        })}
      </Box>
      <Box fontSize="13px" marginTop="8px" color="second">
        {judgement.limit
          ? `${describeLimit(judgement.limit)}: ${describeSource(judgement.limit)}`
          : 'No limit known: it stays an open question, whatever is read.'}
      </Box>
    </Box>
  );
}

function Verdict({
  judged: { judgement },
  job,
}: {
  readonly judged: PartState['judgements'][number];
  readonly job: FaceProps['job'];
}) {
  const { decisive, unit, word, placesMissing } = judgement;
  if (!decisive) return null;
  const finest = Math.min(
    ...job.snapshot.gauges.map((gauge) =>
      gauge.resolution > 0 && sameKind(gauge.unit, unit) ? convert(gauge.resolution, gauge.unit, unit) : 1,
    ),
  );
  const decimals = decimalsFor(Math.max(finest, 0.001));
  const missing = missingWords(word, placesMissing);
  const probability =
    decisive.probabilityWithin === null
      ? ''
      : ` ${Math.round(decisive.probabilityWithin * 100)} in 100 that it is within.`;
  return (
    <Box marginTop="12px" data-testid="verdict">
      <Flex justify="space-between" align="baseline" wrap="wrap" gap="4px">
        <Box
          fontSize="24px"
          lineHeight="30px"
          fontWeight={650}
          color={word === 'beyond' ? 'oxide' : undefined}
        >
          {word === 'not-measured' ? 'Not all read yet' : VERDICT_WORDS[word]}
        </Box>
        <Box>
          {decisive.statistic === 'range' && 'difference round the circle: '}
          {decisive.place && `${decisive.statistic === 'min' ? 'smallest' : 'largest'}, ${decisive.place}: `}
          <strong>
            {formatNumber(decisive.value, decimals)} ±{' '}
            {formatQuantity(decisive.expandedUncertainty, decimals + 1, unit)}
          </strong>
        </Box>
      </Flex>
      <VerdictRuler judgement={judgement} decimals={decimals} />
      <Box>
        {missing || decisive.advice}
        {probability}
      </Box>
      {judgement.lapsed.map((gauge) => (
        <Box key={gauge} color="oxide">
          {lapsedWords(gauge)}
        </Box>
      ))}
    </Box>
  );
}

/** Run-out measured on a bevel ring says at once how far the backlash will wander. */
function Forecast({
  judged: { check, judgement },
  job,
  part,
}: { readonly judged: PartState['judgements'][number] } & Pick<FaceProps, 'job' | 'part'>) {
  if (!check.forecasts || !judgement.decisive || judgement.unit !== 'mm') return null;
  const expected = forecastVariation(job.snapshot.unitType, part.position.id, judgement.decisive.value);
  if (expected === undefined) return null;
  const permitted = part.judgements.find((other) => other.check.id === check.forecasts)?.judgement.limit
    ?.variation;
  return (
    <Box marginTop="8px" borderLeft="4px solid" borderColor="metal" paddingLeft="12px" data-testid="forecast">
      This run-out alone makes the backlash wander by about{' '}
      <strong>{formatQuantity(expected, 2, 'mm')}</strong>
      {permitted === undefined
        ? '.'
        : expected > permitted
          ? `, more than the ${formatQuantity(permitted, 2, 'mm')} permitted: no shim will cure it.`
          : `; ${formatQuantity(permitted, 2, 'mm')} are permitted.`}
    </Box>
  );
}

function missingWords(
  word: PartState['judgements'][number]['judgement']['word'],
  placesMissing: readonly string[],
): string {
  if (placesMissing.length > 0) return `Still to read: ${placesMissing.join(', ')}.`;
  return word === 'not-measured'
    ? 'Read all round the part: the difference round the circle has a limit too.'
    : '';
}

const sameKind = (a: Parameters<typeof convert>[1], b: Parameters<typeof convert>[1]): boolean => {
  try {
    convert(1, a, b);
    return true;
  } catch {
    return false;
  }
};
