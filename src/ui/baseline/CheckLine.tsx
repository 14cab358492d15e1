'use client';

import { Box, Flex } from '@chakra-ui/react';
import type { BaselineCheck } from '@/core/strip/baseline';
import { findActive } from '@/core/wear/active';
import type { JudgedCheck, PartState } from '@/core/wear/partStanding';
import type { JobBeside } from '@/model/earlier';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { useFigures } from '../kit/figures';
import { Press } from '../kit/Press';
import { VERDICT_WORDS, VerdictRuler } from '../kit/VerdictRuler';
import { CheckPicture } from '../measure/CheckPicture';
import { ReadingPad } from '../measure/ReadingPad';
import { SeriesView } from '../measure/SeriesView';
import { isWhole, placeToRead, readInHolding } from '../measure/seriesWalk';
import { MeasuringProvider, useMeasuringOf } from '../measure/useMeasuring';
import { decimalsOfGauges, VerdictView } from '../measure/VerdictView';
import { Instrument } from '../rebuild/Instrument';
import { BesideWords } from './BesideWords';
import { CannotBeDone } from './CannotBeDone';

interface CheckLineProps extends OfJob {
  readonly number: number;
  readonly line: BaselineCheck;
  readonly part: PartState;
  readonly judged: JudgedCheck;
  readonly isCurrent: boolean;
  /** Of its earlier job and of a sister. */
  readonly beside: readonly JobBeside[];
  /** What is known besides its limit: the bearings were loose. */
  readonly note: string;
  readonly onOpen: () => void;
  /** Left out where no other one is open. */
  readonly onNext?: (() => void) | undefined;
}

/** One check before anything moves: its figure on its ruler and its verdict; the one in hand is read right here. */
export function CheckLine(props: CheckLineProps) {
  const { number, line, judged, isCurrent, note, beside, onOpen } = props;
  const { rights } = useBench();
  const { judgement } = judged;
  const { decisive, unit } = judgement;
  const decimals = decimalsOfGauges(props.job.snapshot.gauges, unit);
  const figures = useFigures(unit, decimals, decisive?.value);
  const { check, position, state, reason } = line;
  return (
    <Box data-baseline={check.id} data-state={state}>
      <Instrument
        number={number}
        current={isCurrent}
        title={check.title}
        note={position.name}
        drawing={
          isCurrent ? (
            <Box fontSize="13px" lineHeight="18px">
              {check.howTo}
            </Box>
          ) : (
            decisive && <VerdictRuler judgement={judgement} decimals={decimals} />
          )
        }
        figure={decisive ? figures.number(decisive.value) : ''}
        verdict={verdictOf(state, judgement.word)}
        bad={state === 'read' && judgement.word === 'beyond'}
      >
        <BesideWords {...{ beside, check, decimals }} positionId={position.id} />
        {reason && state === 'cannot' && <Box>can’t be done: {reason.content.reason}</Box>}
        {note && state === 'read' && (
          <Box fontSize="13px" color="second">
            {note}
          </Box>
        )}
        {!isCurrent && rights.includes('capture.take') && (
          <Flex gap="8px" wrap="wrap" marginTop="4px" align="flex-start">
            <Press kind={state === 'open' ? 'main' : 'quiet'} onClick={onOpen}>
              {state === 'open' ? 'Read it' : 'again, or in another way'}
            </Press>
            {state === 'open' && <GiveUp {...props} />}
          </Flex>
        )}
        {isCurrent && <ReadHere {...props} />}
      </Instrument>
    </Box>
  );
}

function verdictOf(state: BaselineCheck['state'], word: JudgedCheck['judgement']['word']): string {
  if (state === 'open') return 'open';
  return state === 'cannot'
    ? 'Can’t be done'
    : word === 'not-measured'
      ? 'Not all read yet'
      : VERDICT_WORDS[word];
}

/** The pad under the check in hand, what was read so far, and the way to the next one. */
function ReadHere({ job, line: { check, position, state }, part, judged, onNext }: CheckLineProps) {
  const { rights } = useBench();
  const chosen = useMeasuringOf(`${position.id} ${check.id}`);
  const [measuring, onMeasuring] = chosen;
  const reading = placeToRead(check, readInHolding(job.snapshot, check, position.id, measuring), measuring);
  const own = findActive(job.snapshot.readings).filter(
    ({ checkId, positionId }) => checkId === check.id && positionId === position.id,
  );
  const used = job.snapshot.gauges.filter(({ id }) => own.some(({ gaugeId }) => gaugeId === id));
  if (!rights.includes('capture.take')) return null;
  const whole = isWhole(job.snapshot, check, position.id, measuring);
  return (
    <MeasuringProvider value={chosen}>
      <Flex gap="12px" align="flex-start" justify="space-between">
        <Box flex="1" minWidth="0">
          <ReadingPad
            {...{ job, part, check, reading }}
            goesOn={whole && onNext !== undefined}
            onDone={() => {
              if (!isWhole(job.now(), check, position.id, measuring)) return false;
              onNext?.();
              return true;
            }}
          />
        </Box>
        {check.picture && <CheckPicture picture={check.picture} title={`How to: ${check.howTo}`} />}
      </Flex>
      <VerdictView judged={judged} gauges={job.snapshot.gauges} />
      {check.every && own.length > 0 && (
        <SeriesView
          check={check}
          judgement={judged.judgement}
          resolution={Math.min(...used.map(({ resolution }) => resolution), 1)}
          nextPlace={reading.here}
          onRead={(at) => onMeasuring({ ...measuring, at })}
        />
      )}
      <Flex gap="8px" wrap="wrap" marginTop="8px" align="flex-start">
        {state !== 'read' && <GiveUp job={job} line={{ check, position }} />}
        {onNext && !whole && (
          <Press size="bench" onClick={onNext}>
            Next check
          </Press>
        )}
      </Flex>
    </MeasuringProvider>
  );
}

/** It can't be read, with the reason: an honest answer, and no reading. */
function GiveUp({
  job,
  line: { check, position },
}: OfJob & { readonly line: Pick<BaselineCheck, 'check' | 'position'> }) {
  const keep = useKeep(job);
  return (
    <CannotBeDone
      onKeep={(reason) =>
        keep(
          { what: 'not-measured', checkId: check.id, positionId: position.id, reason },
          `${check.title}: put down`,
        )
      }
    />
  );
}
