import type { Limit } from '@/model/checks';
import type { JobSnapshot } from '@/model/snapshot';
import type { UnitType } from '@/model/unitType';
import { BadInput } from '../badInput';
import { countablePairs } from '../gearing/countablePairs';
import { uncertaintyOfMean } from '../metrology/uncertainty';
import { setupAdvice } from '../setup/setupAdvice';
import type { SetupAdvice, SetupAdviceInput } from '../setup/setupAdvice.schema';
import type { Recorded } from '../strip/recordsOf';
import type { PartState } from '../wear/partStanding';
import { backlashCheckOf } from './backlashCheck';
import { roundsOf } from './rounds';

/** A gear set that is set up: bevel or hypoid, with a backlash that has a band. */
export interface SetUp {
  readonly pair: string;
  readonly name: string;
  readonly ringPosition: string;
  readonly ringTeeth: number;
  readonly pinionTeeth: number;
  readonly pinionPosition: string;
  /** Whether a move follows from its patches. */
  readonly hasSpiral: boolean;
  readonly band: Band | undefined;
  readonly pattern: PatternBand;
  /** Nobody put down what the maker's chart says: it is what is usual. */
  readonly isUsualPattern: boolean;
  readonly rounds: readonly Recorded<'setup-round'>[];
  /** By round, mean of the readings, mm. */
  readonly means: readonly number[];
  /** What to do next; nothing before the first round or without a band. */
  readonly advice: SetupAdvice | undefined;
  /** What stops the sum, in words. */
  readonly trouble: string;
}

/** Shares of the flank: from the toe, from the root, and how far off it may lie. */
type PatternBand = SetupAdviceInput['bands']['pattern'];

interface Band {
  /** Of the backlash, by which its gauges are known. */
  readonly checkId: string;
  readonly min: number;
  readonly max: number;
  readonly aim: number;
  readonly variation: number;
  /** Where it comes from. */
  readonly source: string;
}

/** Where the middle of a patch should lie where the type says nothing of the maker's chart: a little to the toe, half way up. */
const USUAL_PATTERN: PatternBand = { length: 0.45, height: 0.5, tolerance: 0.1 };
/** Permitted round the ring where the limit says nothing. */
const USUAL_VARIATION = 0.05;

type Sources = Pick<JobSnapshot, 'unitType' | 'records' | 'gauges'>;

/** The gear sets of a unit with all rounds of their set-up, and what to do next with each. */
export function setUpsOf(sources: Sources, parts: readonly PartState[]): SetUp[] {
  const { unitType, records } = sources;
  return countablePairs(unitType).flatMap((pair): SetUp[] => {
    const ring = unitType.gears.find(({ id }) => id === pair.gears?.ring);
    if (!ring || (ring.kind !== 'bevel' && ring.kind !== 'hypoid')) return [];
    const rounds = roundsOf(records, pair.id);
    const band = bandOf(unitType, ring.position);
    const head = {
      ...{ pair: pair.id, name: pair.name, ringPosition: ring.position, ringTeeth: ring.teeth },
      ...{ pinionTeeth: pair.pinion, pinionPosition: pinionOf(unitType, pair.gears?.pinion) },
      ...{ band, pattern: patternOf(ring), isUsualPattern: ring.patternAim === undefined },
      ...{ rounds, hasSpiral: hasSpiral(ring) },
      means: rounds.map(({ content }) => meanOf(content.teeth.map(({ backlash }) => backlash))),
    };
    if (!band || rounds.length === 0) return [{ ...head, advice: undefined, trouble: '' }];
    return [{ ...head, ...advised(inputOf(sources, parts, { ring, pinion: pair.pinion, band, rounds })) }];
  });
}

/** The factor that this set had shown by each round, with its doubt: at first it is assumed. */
export function factorsByRound(
  sources: Sources,
  parts: readonly PartState[],
  { pair, ringPosition, pinionTeeth, band, rounds }: SetUp,
): (SetupAdvice['factor'] | undefined)[] {
  const ring = sources.unitType.gears.find(({ position }) => position === ringPosition);
  if (!ring || !band || pair === '') return [];
  return rounds.map(
    (_, at) =>
      advised(inputOf(sources, parts, { ring, pinion: pinionTeeth, band, rounds: rounds.slice(0, at + 1) }))
        .advice?.factor,
  );
}

const patternOf = ({ patternAim }: UnitType['gears'][number]): PatternBand =>
  patternAim
    ? { length: patternAim.fromToe, height: patternAim.fromRoot, tolerance: patternAim.tolerance }
    : USUAL_PATTERN;

const pinionOf = ({ gears }: UnitType, id: string | undefined): string =>
  gears.find((gear) => gear.id === id)?.position ?? '';

const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, each) => sum + each, 0) / Math.max(1, values.length);

function advised(input: SetupAdviceInput): Pick<SetUp, 'advice' | 'trouble'> {
  try {
    return { advice: setupAdvice(input), trouble: '' };
  } catch (error) {
    if (!(error instanceof BadInput)) throw error;
    return { advice: undefined, trouble: error.message };
  }
}

/** The backlash that is set on rebuild: the maker's set-up limit before any other that has both ends. */
function bandOf(unitType: UnitType, ring: string): Band | undefined {
  const check = backlashCheckOf(unitType, ring);
  const both = (check?.limits ?? []).filter(({ min, max }) => min !== undefined && max !== undefined);
  const limit: Limit | undefined = both.find(({ kind }) => kind === 'set-up') ?? both[0];
  if (!check || !limit) return undefined;
  const { min = 0, max = 0, aim = (min + max) / 2, variation = USUAL_VARIATION, source } = limit;
  return { checkId: check.id, min, max, aim, variation, source: source.words };
}

interface OfPair {
  readonly ring: UnitType['gears'][number];
  readonly pinion: number;
  readonly band: Band;
  readonly rounds: readonly Recorded<'setup-round'>[];
}

function inputOf({ gauges }: Sources, parts: readonly PartState[], of: OfPair): SetupAdviceInput {
  const { ring, pinion, band, rounds } = of;
  const runOut = runOutOf(parts, ring.position);
  return {
    gearSet: {
      ...{ pinionTeeth: pinion, ringTeeth: ring.teeth, pressureAngleDeg: ring.pressureAngleDeg },
      // Of hypoid sets a spiral angle overstates the factor; what the unit shows soon counts for more.
      spiralAngleDeg: ring.kind === 'hypoid' ? 0 : (ring.spiralDeg ?? 0),
    },
    bands: {
      backlash: { min: band.min, max: band.max, aim: band.aim, variation: band.variation },
      pattern: patternOf(ring),
    },
    ...(runOut === undefined ? {} : { runOut }),
    step: { ring: 0.01, depth: 0.01 },
    rounds: rounds.map(({ content: { moved, teeth, gaugeId, ...patches } }) => {
      // How the patches answer is known of spiral teeth: of straight ones no move follows from them.
      const { drive, coast } = hasSpiral(ring) ? patches : {};
      return {
        ...(moved ? { moved: { ring: moved.ring, depth: moved.depth } } : {}),
        ...{ teeth: [...teeth], ...(drive ? { drive } : {}), ...(coast ? { coast } : {}) },
        readingDeviation: doubtOf(gauges.find(({ id }) => id === gaugeId)),
      };
    }),
  };
}

/** Hypoid and spiral bevel teeth, whose patches answer to moves in the known way. */
export const hasSpiral = ({ kind, spiralDeg = 0 }: UnitType['gears'][number]): boolean =>
  kind === 'hypoid' || spiralDeg > 0;

/** Of one reading of a gauge, mm; of one that is gone, a dial's. */
function doubtOf(gauge: JobSnapshot['gauges'][number] | undefined): number {
  if (!gauge) return 0.01;
  return uncertaintyOfMean(gauge.repeatability ?? gauge.resolution / 2, 1, gauge, true).u;
}

/** The ring's own run-out, where it was measured. */
function runOutOf(parts: readonly PartState[], ring: string): number | undefined {
  const judged = parts
    .find(({ position }) => position.id === ring)
    ?.judgements.find(
      ({ check, judgement }) => check.forecasts && judgement.unit === 'mm' && judgement.decisive,
    );
  return judged?.judgement.decisive?.value;
}
