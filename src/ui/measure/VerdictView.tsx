'use client';

import { Box, Flex } from '@chakra-ui/react';
import { decimalsFor } from '@/core/quantity/format';
import { convert, sameDimension } from '@/core/quantity/units';
import { lapsedWords } from '@/core/report/describeMeasurement';
import type { JudgedCheck } from '@/core/wear/partStanding';
import type { Gauge } from '@/model/snapshot';
import { useFigures } from '../kit/figures';
import { VERDICT_WORDS, VerdictRuler } from '../kit/VerdictRuler';

const FINEST = 0.001;

/** Decimals that the gauges of this shop make figures of a unit worth showing with. */
export function decimalsOfGauges(gauges: readonly Gauge[], unit: Gauge['unit']): number {
  const finest = Math.min(
    ...gauges.map((gauge) =>
      gauge.resolution > 0 && sameDimension(gauge.unit, unit)
        ? convert(gauge.resolution, gauge.unit, unit)
        : 1,
    ),
  );
  return decimalsFor(Math.max(finest, FINEST));
}

/** The verdict in words and on its ruler, what it rests on, and what would settle it. */
export function VerdictView({
  judged: { judgement },
  gauges,
}: {
  readonly judged: JudgedCheck;
  readonly gauges: readonly Gauge[];
}) {
  const { decisive, unit, word, placesMissing } = judgement;
  const decimals = decimalsOfGauges(gauges, unit);
  const figures = useFigures(unit, decimals, decisive?.value);
  if (!decisive) return null;
  const missing = missingWords(word, placesMissing);
  const probability = probabilityWords(decisive.probabilityWithin);
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
          {whichFigure(decisive)}
          <strong>
            {figures.number(decisive.value)} ± {figures.doubt(decisive.expandedUncertainty)}
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

/** Never “0” or “100 in 100”: nothing is that sure. */
function probabilityWords(probability: number | null): string {
  if (probability === null) return '';
  const hundredths = Math.round(probability * 100);
  const share = hundredths > 99 ? 'More than 99' : hundredths < 1 ? 'Less than 1' : String(hundredths);
  return ` ${share} in 100 that it is within.`;
}

function whichFigure({ statistic, place }: NonNullable<JudgedCheck['judgement']['decisive']>): string {
  if (statistic === 'range') return 'difference round the circle: ';
  if (statistic === 'tir') return 'total of the curve: ';
  return place ? `${statistic === 'min' ? 'smallest' : 'largest'}, ${place}: ` : '';
}

function missingWords(word: JudgedCheck['judgement']['word'], placesMissing: readonly string[]): string {
  const named = placesMissing.filter((place) => place !== '');
  if (named.length > 0) return `Still to read: ${named.join(', ')}.`;
  if (placesMissing.length > 0) return 'Not read at its own place yet.';
  return word === 'not-measured'
    ? 'Read all round the part: the difference round the circle has a limit too.'
    : '';
}
