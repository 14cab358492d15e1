'use client';

import { Box, chakra, Flex, Grid, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import type { CheckJudgement } from '@/core/metrology/judgeCheck';
import { overDeg } from '@/core/metrology/places';
import { tellSeries } from '@/core/metrology/tellSeries';
import { decimalsFor } from '@/core/quantity/format';
import type { Check } from '@/model/checks';
import { UNIT_SYMBOL } from '@/model/units';
import { useFigures } from '../kit/figures';
import { Press } from '../kit/Press';
import { VERDICT_WORDS } from '../kit/VerdictRuler';
import { RingPlot, UnrolledPlot } from './RingPlot';

const FORMS = ['Round', 'Unrolled', 'Table'] as const;

interface SeriesViewProps {
  readonly check: Check;
  readonly judgement: CheckJudgement;
  readonly resolution: number;
  readonly nextPlace: string;
  readonly onRead: (place: string) => void;
}

/** A series while it is taken: as a ring, unrolled, or as a table; with what it says beside it. */
export function SeriesView({ check, judgement, resolution, nextPlace, onRead }: SeriesViewProps) {
  const [form, setForm] = useState<(typeof FORMS)[number]>('Round');
  const { series, limit, unit, variation } = judgement;
  const figures = useFigures(unit, decimalsFor(Math.max(resolution, 0.001)));
  const count = check.every?.count ?? 0;
  if (!series || count === 0) return null;
  const format = (value: number) => figures.number(value);
  const nextIndex = Number(nextPlace.split(' ').at(-1)) - 1;
  const title = `${check.title} round the part, ${series.points.length} of ${count} read, in ${UNIT_SYMBOL[figures.unit]}`;
  // A limit on a total or a difference is no circle that readings could lie beyond.
  const ofTotal = check.statistic === 'tir' || check.statistic === 'range';
  const plot = {
    ...{ series, limit: ofTotal ? undefined : limit, count, title, format },
    over: check.every ? overDeg(check.every) : 360,
  };
  return (
    <Box as="section" aria-label={`${check.title}, series`} data-testid="series">
      <Flex justify="space-between" align="center" wrap="wrap" gap="8px">
        <Heading as="h3">
          {check.title} round the part{' '}
          <Box as="span" fontWeight={400}>
            <strong>{series.points.length}</strong> of {count}
          </Box>
        </Heading>
        <Flex role="group" aria-label="How the series is shown">
          {FORMS.map((each) => (
            <Press
              key={each}
              chosen={each === form}
              aria-pressed={each === form}
              onClick={() => setForm(each)}
            >
              {each}
            </Press>
          ))}
        </Flex>
      </Flex>
      <Grid
        templateColumns={{ base: '1fr', xl: form === 'Round' ? '3fr 2fr' : '1fr' }}
        gap="16px"
        alignItems="start"
      >
        {form === 'Round' && (
          <RingPlot
            {...plot}
            nextIndex={Number.isFinite(nextIndex) && nextIndex >= 0 ? nextIndex : undefined}
          />
        )}
        {form === 'Unrolled' && <UnrolledPlot {...plot} />}
        {form === 'Table' && <SeriesTable {...plot} />}
        <Box fontStretch="87.5%">
          {limit && (
            <Box borderBottom="1px solid" borderColor="rule" paddingBottom="8px" marginBottom="8px">
              {limit.min !== undefined && limit.max !== undefined && (
                <Box>
                  Band {format(limit.min)} to {figures.quantity(limit.max)}
                </Box>
              )}
              {limit.variation !== undefined && (
                <Box>Difference round the circle at most {figures.quantity(limit.variation)}</Box>
              )}
            </Box>
          )}
          {variation && (
            <Box data-testid="variation" marginBottom="8px">
              <strong>Variation: {VERDICT_WORDS[variation.verdict].toLowerCase()}.</strong>{' '}
              {format(variation.value)} ± {figures.doubt(variation.expandedUncertainty)}
            </Box>
          )}
          {tellSeries(series, count, format, check).map(({ title: heading, text, again }) => (
            <Box key={heading} marginBottom="8px">
              <strong>{heading}</strong>
              <Box>{text}</Box>
              {again && (
                <Press marginTop="4px" width="100%" onClick={() => onRead(again)}>
                  Read {again} again
                </Press>
              )}
            </Box>
          ))}
        </Box>
      </Grid>
    </Box>
  );
}

function SeriesTable({
  series,
  format,
}: {
  readonly series: NonNullable<CheckJudgement['series']>;
  readonly format: (value: number) => string;
}) {
  return (
    <Box maxHeight="420px" overflowY="auto" tabIndex={0} role="region" aria-label="The series as a table">
      <chakra.table width="100%">
        <tbody>
          {series.points.map(({ place, value }) => (
            <chakra.tr key={place} borderBottom="1px solid" borderColor="rule">
              <td>{place}</td>
              <td>
                <strong>{format(value)}</strong>
                {series.analysis?.localPlaces.includes(place) ? ' stands alone' : ''}
              </td>
            </chakra.tr>
          ))}
        </tbody>
      </chakra.table>
    </Box>
  );
}
