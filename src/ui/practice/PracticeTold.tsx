import { Box } from '@chakra-ui/react';
import { useMemo } from 'react';
import { PRACTICE } from '@/core/practice/practiceRun';
import { perfectRun, truthOf } from '@/core/practice/practiceTruth';
import { playedBy } from '@/core/practice/practise';
import { formatNumber } from '@/core/quantity/format';
import { nextOnPractice } from '@/core/setup/practiceAdviser';
import { Press } from '../kit/Press';
import { nextWords } from './practiceWords';
import type { Practice } from './usePractice';

const mm = (value: number) => formatNumber(value, 3);
const torque = (value: number) => formatNumber(value, 2);
const bandWords = ({ min, max }: { readonly min: number; readonly max: number }) =>
  `${formatNumber(min, 1)} to ${formatNumber(max, 1)}`;

/** What was hidden, beside what was reached, and what the tool reached that saw no more. */
export function PracticeTold({ practice: { run, held, another } }: { readonly practice: Practice }) {
  const truth = truthOf(run);
  const best = perfectRun(run.seed);
  const tool = useMemo(() => playedBy(run.seed, (rounds) => nextOnPractice(rounds, held)), [run.seed, held]);
  const sleeves = (count: number) =>
    count === 0 ? '' : `, ${count} spent ${count === 1 ? 'sleeve' : 'sleeves'}`;
  return (
    <Box border="2px solid" borderColor="ink" padding="12px" marginBlock="12px" data-testid="practice-told">
      <Box fontSize="20px" fontWeight={650} color={truth.isInBand ? undefined : 'oxide'}>
        {truth.isInBand ? 'It is right' : 'It is not right yet'}, after {run.moves.length + 1}{' '}
        {run.moves.length === 0 ? 'round' : 'rounds'}
        {sleeves(truth.sleevesSpent)}
      </Box>
      <Box>
        With its caps torqued and settled: backlash {mm(truth.mean)} mm in the mean, {mm(truth.tightest)} at
        the tightest of all teeth; the farthest patch is off by {formatNumber(100 * truth.patchOff, 0)} % of
        the flank; pinion {torque(truth.pinion)} N·m ({bandWords(PRACTICE.pinion)}), the carrier adds{' '}
        {torque(truth.carrier)} ({bandWords(PRACTICE.carrier)}).
      </Box>
      <Box color="second">
        Who could see inside would have done this: {nextWords({ move: best.moves[0]! }, held)} The nut by{' '}
        {formatNumber(best.acts[0]!.what === 'nut' ? best.acts[0]!.degrees : 0, 1)}°. Two rounds. The tool,
        which sees no more than you, took {tool.rounds}
        {sleeves(tool.sleevesSpent)}
        {tool.isInBand ? '' : ', and did not get it right'}.
      </Box>
      <Press kind="main" marginTop="8px" onClick={another}>
        Another axle
      </Press>
    </Box>
  );
}
