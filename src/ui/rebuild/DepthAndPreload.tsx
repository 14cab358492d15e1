'use client';

import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { formatNumber } from '@/core/quantity/format';
import { type Depth, depthOf } from '@/core/rebuild/depthOf';
import { type Preload, preloadOf } from '@/core/rebuild/preloadOf';
import type { SetUp } from '@/core/rebuild/setUp';
import { describeLimit } from '@/core/report/describeMeasurement';
import type { OfJob } from '../job/useBench';
import { Press } from '../kit/Press';
import { DepthForm } from './DepthForm';
import { Instrument } from './Instrument';
import { Ratchet } from './Ratchet';
import { RulerOfMarks } from './RulerOfMarks';
import { TorqueForm } from './TorqueForm';

interface OfSetUp extends OfJob {
  readonly setUp: SetUp;
  readonly mayBuild: boolean;
}

const signed = (value: number): string => `${value > 0 ? '+ ' : ''}${formatNumber(value, 2)}`;

/** Where the pinion stands: its stack as found, as first figured, as it lies, and as the advice would have it. */
export function DepthInstrument({
  job,
  setUp,
  mayBuild,
  after,
}: OfSetUp & { readonly after: number | undefined }) {
  const [isOpen, setOpen] = useState(false);
  const depth = depthOf(job.snapshot, setUp);
  const { found, now, first, stack } = depth;
  const asked = setUp.advice?.move?.depth ?? 0;
  return (
    <Instrument
      number={1}
      current={asked !== 0}
      title="Pinion depth"
      note={stack ? `stack ${stack.letter}; thicker: ${stack.thicker}` : 'no stack is described'}
      drawing={
        now === undefined ? null : (
          <RulerOfMarks
            name="Depth stack"
            unit="mm"
            found={found}
            now={now}
            after={asked === 0 ? undefined : after}
            aim={first?.stackMm}
          />
        )
      }
      figure={now === undefined ? '' : formatNumber(now, 2)}
      verdict={depthWords(depth, asked)}
    >
      {first && (
        <Box fontSize="13px" color="second">
          First figured: {formatNumber(first.stackMm, 2)} mm (
          {first.record.content.by.road === 'measured' ? 'from the bare seat' : 'from the old stack'},{' '}
          {first.record.author}). The pattern decides.
        </Box>
      )}
      {mayBuild && stack && (
        <Press kind="quiet" paddingInline="0" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
          Figure the first stack
        </Press>
      )}
      {isOpen && <DepthForm job={job} pair={setUp.pair} onKept={() => setOpen(false)} />}
    </Instrument>
  );
}

function depthWords({ moved, now }: Depth, asked: number): string {
  if (asked !== 0) return `to move ${signed(asked)}`;
  if (now === undefined) return 'its stack was not put down';
  return moved === 0 ? 'as found; the pattern decides' : `moved ${signed(moved)}; the pattern decides`;
}

/** How hard the pinion turns, against the band of the bearings that are in; a crush sleeve only ever goes tighter. */
export function PreloadInstrument({ job, setUp, mayBuild }: OfSetUp) {
  const [isOpen, setOpen] = useState(false);
  const preload = preloadOf(job.snapshot, setUp);
  if (!preload) return null;
  const { found, now, judgement, advice, carrier, early } = preload;
  const last = preload.readings.findLast(({ content }) => content.of === 'pinion')?.content;
  const { min, max } = judgement?.limit ?? {};
  return (
    <Instrument
      number={2}
      current={advice !== undefined && advice.act !== 'within'}
      title="Pinion preload"
      note={
        last
          ? `turning steadily, ${last.seal > 0 ? 'seal taken off' : 'seal out'}, ${last.bearings} bearings`
          : 'turning steadily, seal out or its drag known'
      }
      drawing={
        now === undefined ? null : (
          <>
            <RulerOfMarks
              name="Turning torque"
              unit="N·m"
              decimals={1}
              found={found}
              now={now}
              doubt={judgement?.decisive?.expandedUncertainty}
              band={min === undefined || max === undefined ? undefined : { min, max }}
              aim={min === undefined || max === undefined ? undefined : (min + max) / 2}
            />
            {last?.sleeve === 'new' && max !== undefined && <Ratchet now={now} max={max} />}
          </>
        )
      }
      figure={now === undefined ? '' : formatNumber(now, 1)}
      verdict={preloadVerdict(preload)}
    >
      {advice && (
        <Box data-testid="preload-advice" data-act={advice.act}>
          {advice.words}
          {advice.degrees &&
            ` About ${formatNumber(advice.degrees[0], 0)} to ${formatNumber(advice.degrees[1], 0)}° of the nut is usual for it.`}
        </Box>
      )}
      {early && <Box color="oxide">{early}</Box>}
      {last?.breakAway !== undefined && last.breakAway > last.steady * 2 && (
        <Box color="oxide">
          It breaks away at more than twice its steady torque: look for a catch before you go on.
        </Box>
      )}
      {carrier !== undefined && (
        <Box fontSize="13px" color="second">
          With the carrier in: {formatNumber(carrier, 1)} N·m at the carrier.
        </Box>
      )}
      {judgement && !judgement.limit && (
        <Box fontSize="13px" color="second">
          {describeLimit(judgement.limit)}
        </Box>
      )}
      {mayBuild && (
        <Press kind="quiet" paddingInline="0" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
          Read the turning torque
        </Press>
      )}
      {isOpen && <TorqueForm job={job} setUp={setUp} check={preload.check} onKept={() => setOpen(false)} />}
    </Instrument>
  );
}

const ACTS: Readonly<Record<NonNullable<Preload['advice']>['act'], string>> = {
  ...{
    'turn-first': 'Turn it first',
    within: 'Within',
    tighter: 'Too loose',
    'too-close': 'Too close to call',
  },
  ...{ 'new-sleeve': 'Too tight: a new sleeve', 'thicker-spacer': 'Too tight', looser: 'Too tight' },
};

function preloadVerdict({ advice, now }: Preload): string {
  if (now === undefined) return 'not read yet';
  return advice ? ACTS[advice.act] : 'No limit known';
}
