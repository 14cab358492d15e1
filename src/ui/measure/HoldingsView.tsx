'use client';

import { Box, Grid } from '@chakra-ui/react';
import { type CheckJudgement, holdingWords } from '@/core/metrology/judgeCheck';
import { compareTwoWays } from '@/core/metrology/twoWays';
import type { Gauge } from '@/model/snapshot';
import { useFigures } from '../kit/figures';
import { VERDICT_WORDS } from '../kit/VerdictRuler';
import { decimalsOfGauges } from './VerdictView';

/** The same check in several set-ups: what each says beside the others, and that none of them is averaged. */
export function HoldingsView({
  judgement: { holdings = [], unit },
  gauges,
}: {
  readonly judgement: CheckJudgement;
  readonly gauges: readonly Gauge[];
}) {
  const figures = useFigures(unit, decimalsOfGauges(gauges, unit), holdings[0]?.decisive?.value);
  const read = holdings.flatMap((each) => (each.decisive ? [{ ...each, decisive: each.decisive }] : []));
  const [one, two] = read;
  if (!one || !two) return null;
  const apart = read.length === 2 ? compareTwoWays(one.decisive, two.decisive) : undefined;
  return (
    <Box marginTop="12px" data-testid="holdings">
      <Box fontWeight={600}>Held in different ways: compared, never averaged</Box>
      <Grid
        templateColumns="1fr auto auto"
        columnGap="16px"
        borderTop="1px solid"
        borderBottom="1px solid"
        borderColor="rule"
        paddingBlock="4px"
      >
        {read.map((each) => (
          <Box key={each.held ?? ''} display="contents">
            <span>{holdingWords(each, true)}</span>
            <strong>
              {figures.number(each.decisive.value)} ± {figures.doubt(each.decisive.expandedUncertainty)}
            </strong>
            <Box as="span" color={each.word === 'beyond' ? 'oxide' : undefined}>
              {each.word === 'not-measured' ? 'Not all read yet' : VERDICT_WORDS[each.word]}
            </Box>
          </Box>
        ))}
      </Grid>
      {apart && (
        <Box>
          {apart.word === 'disagree'
            ? `They differ by ${figures.number(Math.abs(apart.difference))} ± ${figures.doubt(apart.expandedUncertainty)}: what holds the part has a share in it.`
            : 'They agree, as far as their gauges can tell.'}{' '}
          The worst of them stands for the part.
        </Box>
      )}
    </Box>
  );
}
