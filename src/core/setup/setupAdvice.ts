import { BadInput } from '../badInput';
import { formatNumber } from '../quantity/format';
import { bestMove } from './bestMove';
import { type KnownBacklash, knownBacklash } from './knownBacklash';
import { type KnownPlace, knownPattern } from './knownPattern';
import { DEFAULT_SENSITIVITIES } from './patternAdvice';
import type { SetupAdvice, SetupAdviceInput } from './setupAdvice.schema';
import { geometricFactors, type SetupRound } from './setupRounds';

/** A reading that lies so many standard deviations from what all others say is read again before a hand moves anything. */
const STRANGE = 3;
/** A mark by eye has to lie farther off: an eye sometimes does. */
const STRANGE_MARK = 4;
/** From here on a reading that decides is read again before it does. */
const DECISIVE = 2;
/** One-sided, 95 in 100. */
const SURE = 1.645;

/**
 * What to do next with a gear set that is being set up, from all rounds so far: leave it, move ring and pinion, read something again, or look
 * elsewhere, because no shim cures it. All readings of all rounds are weighed together: the unit's own factors, the shape round its ring and
 * the patches. Moves in mm: `ring` away from the pinion, `depth` of the pinion toward the ring. Rounds count from 0.
 * @throws BadInput for a tooth that the ring hasn't
 */
export function setupAdvice(input: SetupAdviceInput): SetupAdvice {
  refuseTeeth(input);
  const factors = geometricFactors(input.gearSet);
  const backlash = knownBacklash(input.rounds, factors, input.gearSet);
  const means = input.rounds.map((_, at) => backlash.mean(at).value);
  const places = knownPattern(input.rounds, means, DEFAULT_SENSITIVITIES);
  const advice = adviceFrom(input, { factors, backlash, places });
  if (places.length === 0) return advice;
  return {
    ...advice,
    sensitivities: places.map(({ flank, axis, perDepth, perBacklash, doubts }) => ({
      ...{ flank, axis },
      perDepth: { value: perDepth, deviation: doubts.perDepth },
      perBacklash: { value: perBacklash, deviation: doubts.perBacklash },
    })),
  };
}

interface KnownSet {
  readonly factors: ReturnType<typeof geometricFactors>;
  readonly backlash: KnownBacklash;
  readonly places: readonly KnownPlace[];
}

function adviceFrom(input: SetupAdviceInput, { factors, backlash, places }: KnownSet): SetupAdvice {
  const { bands, rounds, runOut, step } = input;
  const factor = backlash.factor;
  const doubtful = strangest(backlash, places) ?? impossibleMove(factor.value, factors.ring, rounds);
  if (doubtful) return { status: 'misread', factor, ...doubtful };
  const cannot = whyNot({ backlash, bands, rounds, runOut, factor: factor.value });
  const decisive = cannot && decisiveReading(backlash, rounds);
  if (decisive) return { status: 'misread', factor, ...decisive };
  if (cannot) return { status: 'cannot', factor, reason: cannot };
  const off = places.filter(
    ({ now, axis }) => Math.abs(now.value - bands.pattern[axis]) > bands.pattern.tolerance,
  );
  const wrong = outOfBand(backlash, bands.backlash, rounds);
  if (!wrong && off.length === 0)
    return {
      ...{ status: 'in-band', factor },
      reason: `Tightest tooth, mean and variation lie in their bands${isMarked(rounds) ? ', the patches at their place. Check the drag.' : '. The pattern was not read: mark it before this is called done.'}`,
    };
  const { move, predicted, residual } = bestMove({
    backlash,
    places,
    bands,
    step,
    mustDepth: off.length > 0,
  });
  if (off.length > 0 && residual > 2 * bands.pattern.tolerance)
    return {
      ...{ status: 'cannot', factor },
      reason:
        'No move of ring and pinion brings both patches to their place: look at run-out, the mounting, and whether the two gears belong together.',
    };
  if (move.ring === 0 && move.depth === 0)
    return {
      ...{ status: 'cannot', factor },
      reason: `${wrong ?? 'The patches are off'}, but the smallest move that shims or notches allow is more than what is wanted.`,
    };
  return { ...{ status: 'move', move, predicted, factor }, reason: wordsOf(move, wrong, off.length > 0) };
}

/** Whether both flanks were marked as it stands now: what an earlier round showed says nothing of what was moved since. */
export const isMarked = (rounds: readonly Pick<SetupRound, 'drive' | 'coast'>[]): boolean =>
  rounds.at(-1)?.drive !== undefined && rounds.at(-1)?.coast !== undefined;

function refuseTeeth({ gearSet: { ringTeeth }, rounds }: SetupAdviceInput): void {
  for (const [round, { teeth }] of rounds.entries())
    for (const [at, { tooth }] of teeth.entries())
      if (tooth >= ringTeeth)
        throw new BadInput(`rounds.${round}.teeth.${at}.tooth`, `the ring has ${ringTeeth} teeth, from 0 on`);
}

/** The strangest reading of all, where one is too strange. */
function strangest(
  backlash: KnownBacklash,
  places: readonly KnownPlace[],
): Pick<SetupAdvice, 'repeat' | 'reason'> | undefined {
  const teeth = backlash.strange.map(({ round, tooth, z }) => ({
    ...{ round, tooth, z: Math.abs(z) / STRANGE },
    what: `tooth ${tooth + 1}`,
  }));
  const marks = places.flatMap(({ flank, axis, strange }) =>
    strange.map(({ round, z }) => ({
      ...{ round, tooth: undefined, z: Math.abs(z) / STRANGE_MARK },
      what: `the pattern on ${flank}, its ${axis}`,
    })),
  );
  const [worst] = [...teeth, ...marks].sort((a, b) => b.z - a.z);
  if (!worst || worst.z <= 1) return undefined;
  return {
    repeat: {
      round: worst.round,
      ...(worst.tooth === undefined ? { what: worst.what } : { tooth: worst.tooth }),
    },
    reason: `Something moved or was misread: ${worst.what} of round ${worst.round + 1} doesn’t agree with the others. Read it again before anything is moved.`,
  };
}

/** What a unit shows as its own may differ so much from what its angles say, as a share of it; more is no unit, but a move that was another. */
const OWN = 0.5;

function impossibleMove(
  factor: number,
  assumed: number,
  rounds: readonly SetupRound[],
): Pick<SetupAdvice, 'repeat' | 'reason'> | undefined {
  if (Math.abs(factor - assumed) <= OWN * assumed) return undefined;
  const round = rounds.findLastIndex(({ moved }) => moved !== undefined && moved.ring !== 0);
  return {
    repeat: { round, what: 'what was moved, and all teeth after it' },
    reason: `The backlash doesn’t answer to the moves: a millimetre of ring seems to give ${mm(factor)}, where its angles say ${mm(assumed)}. Something else moved, a side was mistaken, or a chip lies under the ring. Look at what was moved before round ${round + 1}, and read its teeth again.`,
  };
}

interface Asked {
  readonly backlash: KnownBacklash;
  readonly bands: SetupAdviceInput['bands'];
  readonly rounds: readonly SetupRound[];
  readonly runOut: number | undefined;
  readonly factor: number;
}

const CHOICES =
  'No shim cures that: clean and dress the seat, turn the ring on its flange, skim it, take another case, or leave it looser with the owner’s signature.';

function whyNot({ backlash, bands, rounds, runOut, factor }: Asked): string | undefined {
  const permitted = bands.backlash.variation;
  if (runOut !== undefined && factor * runOut > permitted)
    return `A run-out of ${mm(runOut)} makes the backlash vary by about ${mm(factor * runOut)}, and ${mm(permitted)} is permitted. ${CHOICES}`;
  const varies = variationOf(backlash, rounds);
  if (varies && varies.value - SURE * varies.deviation > permitted)
    return `The backlash varies by ${mm(varies.value)} round the ring, and ${mm(permitted)} is permitted. ${CHOICES}`;
  return undefined;
}

/** One of the two teeth between which the variation was found, where its reading is not quite like the others: it decides, so it is read again. */
function decisiveReading(
  backlash: KnownBacklash,
  rounds: readonly SetupRound[],
): Pick<SetupAdvice, 'repeat' | 'reason'> | undefined {
  const last = rounds.length - 1;
  const extremes = extremesOf(backlash, rounds);
  const [worst] = backlash.strange
    .filter(({ round, tooth }) => round === last && extremes.includes(tooth))
    .sort((a, b) => Math.abs(b.z) - Math.abs(a.z));
  if (!worst || Math.abs(worst.z) < DECISIVE) return undefined;
  return {
    repeat: { round: last, tooth: worst.tooth },
    reason: `The reading at tooth ${worst.tooth + 1} decides whether the ring varies too much, and isn’t quite like the others. Read it again.`,
  };
}

/** The most that one tooth has more than another, of those that were read in the last round. */
function variationOf(backlash: KnownBacklash, rounds: readonly SetupRound[]) {
  const [tight, loose] = extremesOf(backlash, rounds);
  return tight === undefined || loose === undefined || tight === loose
    ? undefined
    : backlash.difference(loose, tight);
}

/** The tooth with the least and the one with the most of those that were read in the last round. */
function extremesOf(backlash: KnownBacklash, rounds: readonly SetupRound[]): (number | undefined)[] {
  const last = rounds.length - 1;
  const teeth = [...new Set(rounds[last]!.teeth.map(({ tooth }) => tooth))];
  const sorted = teeth
    .map((tooth) => ({ tooth, value: backlash.at(last, tooth).value }))
    .sort((a, b) => a.value - b.value);
  return [sorted[0]?.tooth, sorted.at(-1)?.tooth];
}

/** What the rule of stopping is not content with: the tightest tooth at or above the least with its doubt, the mean inside, the variation within. */
function outOfBand(
  backlash: KnownBacklash,
  band: SetupAdviceInput['bands']['backlash'],
  rounds: readonly SetupRound[],
): string | undefined {
  const last = rounds.length - 1;
  const mean = backlash.mean(last);
  const tightest = rounds[last]!.teeth.map(({ tooth }) => backlash.at(last, tooth)).reduce((least, each) =>
    each.value < least.value ? each : least,
  );
  if (tightest.value - SURE * tightest.deviation < band.min)
    return `The tightest tooth has ${mm(tightest.value)}, too near to the least of ${mm(band.min)}`;
  if (mean.value + SURE * mean.deviation > band.max)
    return `The backlash is ${mm(mean.value)} in the mean, too near to the most of ${mm(band.max)}`;
  if (mean.value - SURE * mean.deviation < band.min)
    return `The backlash is ${mm(mean.value)} in the mean, too near to the least of ${mm(band.min)}`;
  return undefined;
}

const mm = (value: number): string => `${formatNumber(value, 3)} mm`;

function wordsOf(
  { ring, depth }: { ring: number; depth: number },
  wrong: string | undefined,
  pattern: boolean,
) {
  const parts = [
    ring === 0 ? '' : `the ring ${mm(Math.abs(ring))} ${ring > 0 ? 'away from' : 'toward'} the pinion`,
    depth === 0 ? '' : `the pinion ${mm(Math.abs(depth))} ${depth > 0 ? 'toward' : 'away from'} the ring`,
  ].filter(Boolean);
  const why = [wrong, pattern ? 'the patches are off their place' : ''].filter(Boolean).join('; ');
  return `${why.charAt(0).toUpperCase()}${why.slice(1)}: move ${parts.join(', and ')}.${depth === 0 ? '' : ' That takes the pinion out: backlash and pattern are read again, and the new sleeve is crushed last.'}`;
}
