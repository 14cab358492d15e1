'use client';

import { Box, Heading } from '@chakra-ui/react';
import { factorsByRound, type SetUp } from '@/core/rebuild/setUp';
import type { HowToMove } from '@/core/rebuild/setUpMove';
import type { OfJob } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { DepthInstrument, PreloadInstrument } from './DepthAndPreload';
import { gaugesOf } from './GaugeChoice';
import { Instruments } from './Instruments';
import { Ladder } from './Ladder';
import { RoundForm } from './RoundForm';

interface SetUpBenchProps extends OfJob {
  readonly setUp: SetUp;
  readonly how: HowToMove | undefined;
  readonly mayBuild: boolean;
}

/** What is known of a gear set that is set up: its four instruments with found, now and after the move, every round, and the next one. */
export function SetUpBench({ job, setUp, how, mayBuild }: SetUpBenchProps) {
  const keep = useKeep(job);
  const { snapshot } = job;
  const { name, band, rounds, trouble, pair } = setUp;
  const check = snapshot.unitType.checks.find(({ id }) => id === band?.checkId);
  const depth = how?.packs?.packs.find(({ stack }) => stack.sets === 'depth');
  return (
    <Box as="section" aria-label={`Set-up of ${name}`} marginBottom="24px" data-testid="set-up">
      <Heading as="h3" fontSize="20px" lineHeight="24px">
        {name}
        {rounds.length > 0 && `, round ${rounds.length}`}
      </Heading>
      {!band && (
        <Box>No band is known for its backlash: nothing can be advised. The lead sets one under Limits.</Box>
      )}
      {trouble && <Box color="oxide">{trouble}</Box>}
      <DepthInstrument job={job} setUp={setUp} mayBuild={mayBuild} after={depth?.becomes} />
      <PreloadInstrument job={job} setUp={setUp} mayBuild={mayBuild} />
      {rounds.length > 0 && band && <Instruments setUp={setUp} />}
      {!setUp.hasSpiral && (
        <Box color="second" fontSize="13px">
          Straight teeth: the patches are kept, and no move is told from them. The maker’s chart decides.
        </Box>
      )}
      {rounds.length > 0 && <Ladder setUp={setUp} factors={factorsByRound(snapshot, job.parts, setUp)} />}
      {mayBuild && band && (
        <RoundForm
          key={rounds.length}
          {...{ job, setUp, how }}
          {...(check ? gaugesOf(snapshot, check) : { gauges: [], usual: '' })}
          onKeep={(round) =>
            keep(
              { what: 'setup-round', pair, note: '', ...round, teeth: [...round.teeth] },
              round.again ? 'Read again' : `Round ${rounds.length + 1} is kept`,
            )
          }
        />
      )}
    </Box>
  );
}
