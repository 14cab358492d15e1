import type { RecordOf } from '@/model/recordKinds';
import type { BenchRecord } from '@/model/snapshot';
import { LEAST_TRUST } from '../imaging/confidence';
import { findActive } from '../wear/active';
import type { Flank, Place, Sensitivities } from './patternAdvice';
import { DEFAULT_SENSITIVITIES } from './patternAdvice';

type Pattern = Extract<RecordOf<'picture-measured'>['found'], { kind: 'pattern' }>;

/** The teeth of one flank read in one round, averaged. */
export interface MeanPattern extends Pick<Pattern, 'coverage' | 'centroid' | 'extent'> {
  readonly teeth: number;
  /** How far the farthest tooth's middle lies from the mean, as a share of the flank. */
  readonly spread: number;
}

export interface PatternRound {
  /** What was moved before this round; undefined for the one as found. */
  readonly move: { readonly depthMm: number; readonly backlashMm: number } | undefined;
  readonly drive: MeanPattern | undefined;
  readonly coast: MeanPattern | undefined;
  /** Pictures that were left out because they are not to be relied on. */
  readonly leftOut: number;
  /** Flanks that bear on two places: their middle is none of theirs, so that no move follows from it. */
  readonly bearsTwice: readonly Flank[];
}

/** The patterns of one set of gears, round by round: a move of the set-up ends a round. */
export function patternRounds(records: readonly BenchRecord[], positionId: string): PatternRound[] {
  const rounds: { move: PatternRound['move']; patterns: Pattern[]; leftOut: number }[] = [
    { move: undefined, patterns: [], leftOut: 0 },
  ];
  for (const { content } of findActive(records)) {
    const current = rounds.at(-1)!;
    if (content.what === 'pattern-moved' && content.positionId === positionId) {
      const { depthMm, backlashMm } = content;
      rounds.push({ move: { depthMm, backlashMm }, patterns: [], leftOut: 0 });
    } else if (
      content.what === 'picture-measured' &&
      content.positionId === positionId &&
      content.found.kind === 'pattern'
    ) {
      if (content.confidence < LEAST_TRUST) current.leftOut += 1;
      else current.patterns.push(content.found);
    }
  }
  return rounds.map(({ move, patterns, leftOut }) => ({
    ...{ move, leftOut },
    bearsTwice: (['drive', 'coast'] as const).filter((flank) =>
      patterns.some((pattern) => pattern.flank === flank && (pattern.patches?.length ?? 1) > 1),
    ),
    drive: meanOf(patterns, 'drive'),
    coast: meanOf(patterns, 'coast'),
  }));
}

function meanOf(patterns: readonly Pattern[], flank: Flank): MeanPattern | undefined {
  const own = patterns.filter((pattern) => pattern.flank === flank);
  if (own.length === 0) return undefined;
  const mean = (of: (pattern: Pattern) => number) =>
    own.reduce((sum, each) => sum + of(each), 0) / own.length;
  const centroid = {
    length: mean((each) => each.centroid.length),
    height: mean((each) => each.centroid.height),
  };
  const ends = (way: 'length' | 'height'): [number, number] => [
    mean((each) => each.extent[way][0]),
    mean((each) => each.extent[way][1]),
  ];
  return {
    coverage: mean((each) => each.coverage),
    centroid,
    extent: { length: ends('length'), height: ends('height') },
    teeth: own.length,
    spread: Math.max(
      ...own.map((each) =>
        Math.hypot(each.centroid.length - centroid.length, each.centroid.height - centroid.height),
      ),
    ),
  };
}

/** Moves smaller than this, in mm, show less than the reading's own scatter. */
const TELLING_MOVE = 0.03;

/**
 * This unit's own sensitivities, learnt from what its moves did: beginning with the default ones, each move changes them by the
 * least that explains the shift it caused (C. G. Broyden's rank-one update, 1965). Undefined where no move tells anything.
 */
export function ownSensitivities(rounds: readonly PatternRound[]): Sensitivities | undefined {
  let rows = rowsOf(DEFAULT_SENSITIVITIES);
  let learnt = false;
  rounds.forEach(({ move, drive, coast }, index) => {
    const before = rounds[index - 1];
    if (!move || !drive || !coast || !before?.drive || !before.coast) return;
    const length = Math.hypot(move.depthMm, move.backlashMm);
    if (length < TELLING_MOVE) return;
    const shift = [
      ...shiftOf(before.drive.centroid, drive.centroid),
      ...shiftOf(before.coast.centroid, coast.centroid),
    ];
    rows = rows.map(([depth, backlash], at) => {
      const unexplained = shift[at]! - depth * move.depthMm - backlash * move.backlashMm;
      const per = unexplained / (length * length);
      return [depth + per * move.depthMm, backlash + per * move.backlashMm];
    });
    learnt = true;
  });
  return learnt ? sensitivitiesOf(rows) : undefined;
}

type Row = readonly [depth: number, backlash: number];
const shiftOf = (from: Place, to: Place) => [to.length - from.length, to.height - from.height];

/** Drive's length and height, then coast's. */
const rowsOf = ({ depth, backlash }: Sensitivities): Row[] =>
  (['drive', 'coast'] as const).flatMap((flank) =>
    (['length', 'height'] as const).map((way): Row => [depth[flank][way], backlash[flank][way]]),
  );

function sensitivitiesOf(rows: readonly Row[]): Sensitivities {
  const per = (which: 0 | 1) => ({
    drive: { length: rows[0]![which], height: rows[1]![which] },
    coast: { length: rows[2]![which], height: rows[3]![which] },
  });
  return { depth: per(0), backlash: per(1) };
}
