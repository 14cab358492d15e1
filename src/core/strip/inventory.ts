import type { OpenQuestion } from '@/model/openQuestion';
import type { BenchRecord } from '@/model/snapshot';
import type { Position } from '@/model/unitType';
import { type Recorded, recordsOf } from './recordsOf';

export interface InventoryLine {
  readonly position: Position;
  readonly expected: number;
  readonly count?: Recorded<'count'>;
  readonly state: 'not-counted' | 'all-there' | 'missing' | 'surplus' | 'wrong';
}

/** Pieces of a position: its rows times the count of each. */
export const expectedPieces = ({ quantity }: Pick<Position, 'quantity'>): number =>
  (quantity?.rows ?? 1) * (quantity?.count ?? 1);

/** Every piece that the type expects, against what was counted out; the last count of a position holds. */
export function inventory(
  type: { readonly positions: readonly Position[] },
  records: readonly BenchRecord[],
): InventoryLine[] {
  const counts = new Map(recordsOf(records, 'count').map((record) => [record.content.positionId, record]));
  return type.positions.map((position): InventoryLine => {
    const expected = expectedPieces(position);
    const count = counts.get(position.id);
    return { position, expected, ...(count ? { count } : {}), state: stateOf(expected, count) };
  });
}

function stateOf(expected: number, count: Recorded<'count'> | undefined): InventoryLine['state'] {
  if (!count) return 'not-counted';
  const { counted = expected, wrong } = count.content;
  if (counted < expected) return 'missing';
  if (counted > expected) return 'surplus';
  return wrong ? 'wrong' : 'all-there';
}

/** What an inventory line leaves open; nothing where all is there, or nobody has counted. */
export function inventoryQuestion({
  position,
  expected,
  count,
  state,
}: InventoryLine): OpenQuestion | undefined {
  if (!count || state === 'all-there' || state === 'not-counted') return undefined;
  const of = { positionId: position.id, since: count.deviceTime };
  if (state === 'wrong') return { ...of, code: 'pieces-wrong' };
  const { counted = expected } = count.content;
  return { ...of, code: state === 'missing' ? 'pieces-missing' : 'pieces-surplus', counted, expected };
}
