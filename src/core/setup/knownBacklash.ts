import { type Known, known, type Linear } from './gaussian';
import { type Factors, type SetupRound, standings } from './setupRounds';

/*
 * What the readings of all rounds say together of the backlash: its mean in each round, the unit's own factors, and the shape round the ring,
 * which stays with the ring whatever is moved. Standard deviations of what isn't known beforehand, mm, from practice.
 */
const PRIOR = {
  /** Mean backlash of the first build, about its own readings. */
  mean: 0.5,
  /** Of a factor, as a share of it. */
  ringFactor: 0.2,
  depthFactor: 0.3,
  /** A wobbling and an eccentric ring; an oval one; the pinion's own run-out; single teeth. */
  first: 0.035,
  second: 0.006,
  pinion: 0.006,
  tooth: 0.002,
  /** A tooth that read the same twice is as it is. */
  toothReadTwice: 0.06,
  /** A set that was taken apart for its depth comes together a little otherwise; one whose ring alone moved less so. */
  rebuilt: 0.008,
  moved: 0.004,
} as const;

export interface KnownBacklash {
  /** Mean of the backlash in a round, mm. */
  readonly mean: (round: number) => Told;
  /** Backlash at a tooth in a round, mm. */
  readonly at: (round: number, tooth: number) => Told;
  /** What one tooth has more than another. */
  readonly difference: (tooth: number, other: number) => Told;
  readonly factor: Told;
  readonly depthFactor: Told;
  /** Of the mean after a further move. */
  readonly after: (move: { readonly ring: number; readonly depth: number }) => Told;
  /** By round and reading: how strange it looks beside all others. */
  readonly strange: readonly { readonly round: number; readonly tooth: number; readonly z: number }[];
}

interface Told {
  readonly value: number;
  readonly deviation: number;
}

interface GearSet {
  readonly pinionTeeth: number;
  readonly ringTeeth: number;
}

export function knownBacklash(
  rounds: readonly SetupRound[],
  factors: Factors,
  { pinionTeeth, ringTeeth }: GearSet,
): KnownBacklash {
  const places = standings(rounds);
  const teeth = [...new Set(rounds.flatMap((round) => round.teeth.map(({ tooth }) => tooth)))];
  const steps = rounds.length - 1;
  const twice = readTwice(rounds);
  const start = meanOf(rounds[0]!.teeth.map(({ backlash }) => backlash));
  // mean, ring factor, depth factor, first cos/sin, second cos/sin, pinion cos/sin, a step a round, each tooth
  const means = [start, factors.ring, factors.depth, ...zeros(6 + steps + teeth.length)];
  const deviations = [
    ...[PRIOR.mean, PRIOR.ringFactor * factors.ring, PRIOR.depthFactor * factors.depth],
    ...[PRIOR.first, PRIOR.first, PRIOR.second, PRIOR.second, PRIOR.pinion, PRIOR.pinion],
    ...rounds.slice(1).map(({ moved }) => (moved?.depth ? PRIOR.rebuilt : PRIOR.moved)),
    ...teeth.map((tooth) => (twice.has(tooth) ? PRIOR.toothReadTwice : PRIOR.tooth)),
  ];
  const meanRow = (round: number): number[] => [
    ...[1, places[round]!.ring, -places[round]!.depth],
    ...zeros(6),
    ...Array.from({ length: steps }, (_, at) => (at < round ? 1 : 0)),
    ...zeros(teeth.length),
  ];
  const shape = (tooth: number): number[] => {
    const turn = (2 * Math.PI * tooth) / ringTeeth;
    const pinion = (turn * ringTeeth) / pinionTeeth;
    return [
      ...zeros(3),
      ...[Math.cos(turn), Math.sin(turn), Math.cos(2 * turn), Math.sin(2 * turn)],
      ...[Math.cos(pinion), Math.sin(pinion)],
      ...zeros(steps),
      ...teeth.map((each) => (each === tooth ? 1 : 0)),
    ];
  };
  const told = rounds.flatMap((round, at) =>
    round.teeth.map(({ tooth, backlash }) => ({ round: at, tooth, backlash, doubt: round.readingDeviation })),
  );
  const readings: Linear[] = told.map(({ round, tooth, backlash, doubt }) => ({
    ...{ row: sum(meanRow(round), shape(tooth)), value: backlash },
    doubt: Math.max(doubt, 1e-4),
  }));
  const found: Known = known(means, deviations, readings);
  const last = meanRow(rounds.length - 1);
  return {
    mean: (round) => found.of(meanRow(round)),
    at: (round, tooth) => found.of(sum(meanRow(round), shape(tooth))),
    difference: (tooth, other) =>
      found.of(
        sum(
          shape(tooth),
          shape(other).map((each) => -each),
        ),
      ),
    factor: found.of(unit(1, means.length)),
    depthFactor: found.of(unit(2, means.length)),
    after: ({ ring, depth }) =>
      found.of(last.map((each, at) => (at === 1 ? each + ring : at === 2 ? each - depth : each))),
    strange: found.strangeness.map((z, at) => ({ round: told[at]!.round, tooth: told[at]!.tooth, z })),
  };
}

/** Teeth that were read twice in one round and read the same: what they show is theirs. */
function readTwice(rounds: readonly SetupRound[]): ReadonlySet<number> {
  const twice = new Set<number>();
  for (const { teeth, readingDeviation } of rounds)
    for (const [at, { tooth, backlash }] of teeth.entries())
      if (
        teeth.some(
          (other, index) =>
            index > at &&
            other.tooth === tooth &&
            Math.abs(other.backlash - backlash) <= 3 * Math.SQRT2 * Math.max(readingDeviation, 1e-4),
        )
      )
        twice.add(tooth);
  return twice;
}

const zeros = (count: number): number[] => Array.from({ length: count }, () => 0);
const unit = (at: number, length: number): number[] =>
  zeros(length).map((_, index) => (index === at ? 1 : 0));
const sum = (a: readonly number[], b: readonly number[]): number[] => a.map((each, at) => each + b[at]!);
const meanOf = (values: readonly number[]): number =>
  values.reduce((all, each) => all + each, 0) / Math.max(1, values.length);
