import type { BenchRecord } from '@/model/snapshot';
import type { Position, UnitType } from '@/model/unitType';
import { expectedPieces } from '../strip/inventory';
import { recordsOf } from '../strip/recordsOf';
import { type RebuildStep, tookOff } from './rebuildPlan';

export interface PieceIn {
  readonly position: Position;
  readonly expected: number;
  /** Counted, or all of it with its step; undefined where nobody has said. */
  readonly inside: number | undefined;
  readonly state: 'open' | 'all-in' | 'missing' | 'too-many';
}

/**
 * What went back in, down to zero on the bench: a piece is in with its step, unless it was counted; what belongs to no step is counted. What never
 * came off lies on no bench: pieces of steps that were not done at the strip, and, as long as some weren't, what no step names.
 */
export function piecesIn(
  unitType: Pick<UnitType, 'positions' | 'steps'>,
  steps: readonly RebuildStep[],
  records: readonly BenchRecord[],
): PieceIn[] {
  const counted = new Map(
    recordsOf(records, 'counted-in').map(({ content }) => [content.positionId, content.counted]),
  );
  const withStep = new Set(
    steps.filter(({ done }) => done).flatMap((step) => step.positions.map(({ id }) => id)),
  );
  return unitType.positions.filter(cameOff(unitType, steps, counted)).map((position): PieceIn => {
    const expected = expectedPieces(position);
    const inside = counted.get(position.id) ?? (withStep.has(position.id) ? expected : undefined);
    return { position, expected, inside, state: stateOf(inside, expected) };
  });
}

function cameOff(
  { steps: planned }: Pick<UnitType, 'steps'>,
  steps: readonly RebuildStep[],
  counted: ReadonlyMap<string, number>,
): (position: Position) => boolean {
  const undone = new Set(steps.map(({ id }) => id));
  const isWhole = planned.filter(tookOff).every(({ id }) => undone.has(id));
  const inPlan = new Set(planned.filter(tookOff).flatMap(({ positions }) => positions));
  const off = new Set(steps.flatMap(({ positions }) => positions.map(({ id }) => id)));
  return ({ id }) => counted.has(id) || off.has(id) || (isWhole && !inPlan.has(id));
}

function stateOf(inside: number | undefined, expected: number): PieceIn['state'] {
  if (inside === undefined) return 'open';
  if (inside === expected) return 'all-in';
  return inside < expected ? 'missing' : 'too-many';
}
