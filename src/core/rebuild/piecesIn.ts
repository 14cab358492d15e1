import type { BenchRecord } from '@/model/snapshot';
import type { Position } from '@/model/unitType';
import { expectedPieces } from '../strip/inventory';
import { recordsOf } from '../strip/recordsOf';
import type { RebuildStep } from './rebuildPlan';

export interface PieceIn {
  readonly position: Position;
  readonly expected: number;
  /** Counted, or all of it with its step; undefined where nobody has said. */
  readonly inside: number | undefined;
  readonly state: 'open' | 'all-in' | 'missing' | 'too-many';
}

/** What went back in, down to zero on the bench: a piece is in with its step, unless it was counted; what belongs to no step is counted. */
export function piecesIn(
  positions: readonly Position[],
  steps: readonly RebuildStep[],
  records: readonly BenchRecord[],
): PieceIn[] {
  const counted = new Map(
    recordsOf(records, 'counted-in').map(({ content }) => [content.positionId, content.counted]),
  );
  const withStep = new Set(
    steps.filter(({ done }) => done).flatMap((step) => step.positions.map(({ id }) => id)),
  );
  return positions.map((position): PieceIn => {
    const expected = expectedPieces(position);
    const inside = counted.get(position.id) ?? (withStep.has(position.id) ? expected : undefined);
    return { position, expected, inside, state: stateOf(inside, expected) };
  });
}

function stateOf(inside: number | undefined, expected: number): PieceIn['state'] {
  if (inside === undefined) return 'open';
  if (inside === expected) return 'all-in';
  return inside < expected ? 'missing' : 'too-many';
}
