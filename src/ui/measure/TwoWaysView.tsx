'use client';

import { Box, Grid } from '@chakra-ui/react';
import { compareTwoWays } from '@/core/metrology/twoWays';
import { convert } from '@/core/quantity/units';
import type { JudgedCheck } from '@/core/wear/partStanding';
import type { Gauge } from '@/model/snapshot';
import { useFigures } from '../kit/figures';
import { decimalsOfGauges } from './VerdictView';

/** The check that measures the same in another way, whichever of the two names the other. */
export function otherWayOf(judged: JudgedCheck, all: readonly JudgedCheck[]): JudgedCheck | undefined {
  return all.find(({ check }) => check.id === judged.check.sameAs || check.sameAs === judged.check.id);
}

/** One quantity measured in two ways, side by side, with their difference judged. */
export function TwoWaysView({
  first,
  second,
  gauges,
}: {
  readonly first: JudgedCheck;
  readonly second: JudgedCheck;
  readonly gauges: readonly Gauge[];
}) {
  const unit = first.judgement.unit;
  const decimals = decimalsOfGauges(gauges, unit);
  const [one, two] = [resultOf(first, unit), resultOf(second, unit)];
  const figures = useFigures(unit, decimals, one?.value);
  if (!one || !two) {
    return (
      <Box marginTop="8px" fontSize="13px" color="second">
        Measured in another way by “{second.check.title}”: read both, and the difference is judged here.
      </Box>
    );
  }
  const { difference, expandedUncertainty, word } = compareTwoWays(one, two);
  return (
    <Box marginTop="12px" data-testid="two-ways">
      <Grid
        templateColumns="1fr auto"
        columnGap="16px"
        borderTop="1px solid"
        borderBottom="1px solid"
        borderColor="rule"
        paddingBlock="4px"
      >
        {[
          { judged: first, result: one },
          { judged: second, result: two },
        ].map(({ judged, result }) => (
          <Box key={judged.check.id} display="contents">
            <span>{judged.check.title}</span>
            <strong>
              {figures.number(result.value)} ± {figures.doubt(result.expandedUncertainty)}
            </strong>
          </Box>
        ))}
        <span>Difference</span>
        <strong>
          {figures.number(difference)} ± {figures.doubt(expandedUncertainty)}
        </strong>
      </Grid>
      <Box color={word === 'disagree' ? 'oxide' : undefined}>
        {word === 'agree'
          ? 'The two agree, as far as their gauges can tell.'
          : 'The two cannot both be right. Look at how each was taken before either is believed.'}
      </Box>
    </Box>
  );
}

function resultOf({ judgement }: JudgedCheck, unit: JudgedCheck['judgement']['unit']) {
  const { decisive, unit: own } = judgement;
  if (!decisive || judgement.word === 'not-measured') return undefined;
  const inUnit = (value: number) => convert(value, own, unit);
  return {
    value: inUnit(decisive.value),
    standardUncertainty: inUnit(decisive.standardUncertainty),
    expandedUncertainty: inUnit(decisive.expandedUncertainty),
    degreesOfFreedom: decisive.degreesOfFreedom,
  };
}
