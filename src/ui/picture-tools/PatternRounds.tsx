'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { formatNumber } from '@/core/quantity/format';
import { patternAdvice } from '@/core/setup/patternAdvice';
import { ownSensitivities, type PatternRound, patternRounds } from '@/core/setup/patternRounds';
import { runOutFirst } from '@/core/setup/runOutForecast';
import type { OfJob } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { Field, TextInput } from '../kit/Field';
import { useFigures } from '../kit/figures';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { FlankSketch } from './FlankSketch';
import { MoveSketch } from './MoveSketch';

const IDEAL = { length: 0.45, height: 0.5 };
const TOLERANCE = 0.08;

interface PatternRoundsProps extends OfJob {
  readonly positionId: string;
  readonly mayTake: boolean;
}

/** The patterns of a set: as found beside the last, what was moved between them, and what to move next. */
export function PatternRounds(props: PatternRoundsProps) {
  const { job, positionId, mayTake } = props;
  const rounds = patternRounds(job.snapshot.records, positionId);
  const read = rounds.filter(({ drive, coast }) => drive ?? coast);
  const leftOut = rounds.reduce((sum, round) => sum + round.leftOut, 0);
  if (read.length === 0 && leftOut === 0) return null;
  const [first, last] = [read[0], read.at(-1)];
  const comesFirst = runOutFirst(job.snapshot.unitType, job.parts, positionId);
  return (
    <Box as="section" data-testid="pattern-advice" aria-label="Contact pattern" marginTop="16px">
      <Heading as="h3" fontSize="16px">
        Contact pattern
      </Heading>
      {leftOut > 0 && (
        <Box fontSize="13px" color="second">
          {leftOut === 1 ? 'One picture is' : `${leftOut} pictures are`} left out: not to be relied on.
        </Box>
      )}
      {first && first !== last && <Round title="As found" round={first} />}
      {last && <Round title={first === last && !last.move ? 'As found' : tellMove(last)} round={last} />}
      {last && comesFirst && <RunOutFirst first={comesFirst} />}
      {last && !comesFirst && last.bearsTwice.length > 0 && <BearsTwice flanks={last.bearsTwice} />}
      {last && !comesFirst && last.bearsTwice.length === 0 && <Advice rounds={rounds} last={last} />}
      {mayTake && last && <MoveForm {...props} />}
    </Box>
  );
}

const tellMove = ({ move }: PatternRound): string =>
  move
    ? `After the pinion was moved ${signed(move.depthMm)} mm and the backlash changed by ${signed(move.backlashMm)} mm`
    : 'Last read';
const signed = (mm: number) => `${mm > 0 ? '+' : mm < 0 ? '−' : ''}${formatNumber(Math.abs(mm), 2)}`;

function Round({ title, round }: { readonly title: string; readonly round: PatternRound }) {
  const flanks = (['drive', 'coast'] as const).flatMap((flank) => {
    const pattern = round[flank];
    return pattern ? [{ flank, pattern }] : [];
  });
  return (
    <Box marginTop="8px" data-testid="pattern-round">
      <Box fontSize="15px" fontWeight={600}>
        {title}
      </Box>
      <Flex gap="16px" wrap="wrap">
        {flanks.map(({ flank, pattern }) => (
          <Box key={flank}>
            <FlankSketch title={flank} pattern={pattern} ideal={IDEAL} />
            {pattern.teeth > 1 && (
              <Box fontSize="13px" color="second">
                Mean of {pattern.teeth} teeth; they differ by up to {formatNumber(100 * pattern.spread, 0)} %
              </Box>
            )}
          </Box>
        ))}
      </Flex>
    </Box>
  );
}

/** While a run-out that no shim cures stands, a move of the set-up would be advice against it. */
function RunOutFirst({ first }: { readonly first: NonNullable<ReturnType<typeof runOutFirst>> }) {
  const figures = useFigures('mm', 2);
  return (
    <Box marginTop="8px" data-testid="run-out-first">
      <Box fontWeight={650}>First the run-out, then the pattern: no move is advised.</Box>
      {first.check} of {first.part} alone makes the backlash wander by about{' '}
      {figures.quantity(first.expected)}, more than the {figures.quantity(first.permitted ?? 0)} permitted. No
      shim and no depth will cure that: clean and dress the seat, turn the ring to another place, or true what
      carries it; then mark the pattern again.
    </Box>
  );
}

/** Between two patches lies a middle where nothing bears: a move that follows from it would be wrong for both. */
function BearsTwice({ flanks }: { readonly flanks: PatternRound['bearsTwice'] }) {
  return (
    <Box marginTop="8px" data-testid="bears-twice">
      <Box fontWeight={650}>
        The {flanks.join(' and the ')} flank bears on two places: no move is advised.
      </Box>
      No depth and no backlash brings two patches together. Look for a burr or a nick on the tooth, a bent or
      wrongly paired gear, a flank that is worn hollow; mark another tooth and compare.
    </Box>
  );
}

function Advice({ rounds, last }: { readonly rounds: readonly PatternRound[]; readonly last: PatternRound }) {
  const { drive, coast } = last;
  if (!drive || !coast)
    return (
      <Box color="second" marginTop="4px">
        {drive ? 'Coast' : 'Drive'} is still missing: both flanks are needed to say what to move.
      </Box>
    );
  const sensitivities = ownSensitivities(rounds);
  const advice = patternAdvice({
    ...{ drive: drive.centroid, coast: coast.centroid, ideal: IDEAL, tolerance: TOLERANCE },
    ...(sensitivities ? { sensitivities } : {}),
  });
  return (
    <Box marginTop="8px" data-testid="advice">
      {advice.verdict === 'move' && <MoveSketch {...advice} />}
      <Box fontWeight={650}>{advice.text}</Box>
    </Box>
  );
}

const figure = (text: string): number =>
  text.trim() === '' ? 0 : Number(text.trim().replace(/[−–]/, '-').replace(',', '.'));

/** What was moved since: the next patterns are another round, and teach how far this unit answers. */
function MoveForm(props: PatternRoundsProps) {
  const keep = useKeep(props.job);
  const [open, setOpen] = useState(false);
  const [depth, setDepth] = useState('');
  const [backlash, setBacklash] = useState('');
  const [trouble, setTrouble] = useState('');
  const take = async () => {
    const [depthMm, backlashMm] = [figure(depth), figure(backlash)];
    if (!Number.isFinite(depthMm) || !Number.isFinite(backlashMm))
      return setTrouble('Give millimetres, as in −0.10.');
    if (depthMm === 0 && backlashMm === 0) return setTrouble('Nothing was moved by that.');
    const wrong = await keep(
      { what: 'pattern-moved', positionId: props.positionId, depthMm, backlashMm },
      'Move of the set-up kept',
    );
    setTrouble(wrong ?? '');
    if (wrong) return;
    setOpen(false);
    setDepth('');
    setBacklash('');
  };
  if (!open)
    return (
      <Press marginTop="8px" onClick={() => setOpen(true)}>
        The set-up was moved
      </Press>
    );
  return (
    <Box marginTop="8px" borderLeft="4px solid" borderColor="metal" paddingLeft="12px">
      <Flex gap="12px" wrap="wrap">
        <Field label="Pinion, mm" hint="plus: toward the ring">
          {(wiring) => (
            <TextInput {...wiring} value={depth} onChange={(event) => setDepth(event.target.value)} />
          )}
        </Field>
        <Field label="Backlash, mm" hint="plus: more">
          {(wiring) => (
            <TextInput {...wiring} value={backlash} onChange={(event) => setBacklash(event.target.value)} />
          )}
        </Field>
      </Flex>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Flex gap="8px">
        <Press kind="main" onClick={() => void take()}>
          Begin the next round
        </Press>
        <Press kind="quiet" onClick={() => setOpen(false)}>
          Back
        </Press>
      </Flex>
    </Box>
  );
}
