import { Box } from '@chakra-ui/react';
import { handResults, handTestsOf, tellHandResult } from '@/core/wear/handTests';
import type { Position } from '@/model/unitType';
import type { BenchJob } from '../job/useJob';
import { paint } from '../kit/paint';

/** A test by hand as a gate: the arrow goes through, is stopped, or is dashed where it can't be said; its word below. */
export function HandGate({ position, job }: { readonly position: Position; readonly job: BenchJob }) {
  const { catalogs, records } = job.snapshot;
  const tried = handResults(position, records, catalogs);
  const worst =
    tried.find(({ result }) => result === 'fail') ??
    tried.find(({ result }) => result === 'cannot-say') ??
    tried[0];
  const tests = handTestsOf(catalogs, position.family).filter(({ usual }) => usual);
  if (!worst)
    return tests.length === 0 ? null : (
      <Box borderBottom="1px dashed" borderColor="rule" color="second" width="fit-content">
        {tests[0]!.title.toLowerCase()}
      </Box>
    );
  const { result } = worst;
  const colour = paint(result === 'fail' ? 'oxide' : 'ink');
  return (
    <Box color={result === 'fail' ? 'oxide' : undefined}>
      <svg width={44} height={18} viewBox="0 0 44 18" aria-hidden="true">
        <path
          d={result === 'pass' ? 'M2 9H38M32 4l6 5-6 5' : 'M2 9H18M13 4l6 5-6 5'}
          fill="none"
          stroke={colour}
          strokeWidth={2}
          strokeDasharray={result === 'cannot-say' ? '4 3' : undefined}
        />
        <path d={result === 'pass' ? 'M22 1v4M22 13v4' : 'M22 1v16'} stroke={colour} strokeWidth={2.5} />
      </svg>
      <Box lineClamp={2}>{tellHandResult(worst)}</Box>
    </Box>
  );
}
