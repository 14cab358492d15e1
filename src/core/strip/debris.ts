import type { BenchRecord } from '@/model/snapshot';
import { type Recorded, recordsOf } from './recordsOf';

export interface DebrisPiece {
  readonly piece: Recorded<'debris'>;
  /** The last word about where it came from; without a part it is signed as lost. */
  readonly match?: Recorded<'match'>;
}

/** A link that is likely or assumed stays open: only faces that fit close it, or a name under a piece whose source is lost. */
export const isClosed = ({ match }: DebrisPiece): boolean =>
  match !== undefined &&
  (match.content.positionId === undefined || (match.content.sure ?? 'proved') === 'proved');

/** Debris is a promise: until a damaged part accounts for a piece, or somebody signs it as lost, the strip isn't finished. */
export function debrisBalance(records: readonly BenchRecord[]): DebrisPiece[] {
  const matches = new Map(recordsOf(records, 'match').map((match) => [match.content.debrisId, match]));
  return recordsOf(records, 'debris').map((piece): DebrisPiece => {
    const match = matches.get(piece.id);
    return { piece, ...(match ? { match } : {}) };
  });
}

export const unmatched = (records: readonly BenchRecord[]): DebrisPiece[] =>
  debrisBalance(records).filter((piece) => !isClosed(piece));
