import type { Check } from '@/model/checks';
import { placesOf } from './places';

type Like = Pick<
  Check,
  'id' | 'title' | 'definition' | 'unit' | 'places' | 'every' | 'positions' | 'difference'
>;

/** One column of a table: a check at one part. */
export interface CheckAt<Of extends Like = Check> {
  readonly check: Of;
  readonly positionId: string;
}

/** The same check wherever it is asked: of one definition (or one title), in one quantity, at the same places; itself among them. */
export function likeChecks<Of extends Like>(check: Of, all: readonly Of[]): CheckAt<Of>[] {
  const places = placesOf(check).join('\n');
  return all
    .filter(
      (other) =>
        other.id === check.id ||
        (!other.difference &&
          (check.definition ? other.definition === check.definition : other.title === check.title) &&
          other.unit === check.unit &&
          placesOf(other).join('\n') === places),
    )
    .flatMap((other) => other.positions.map((positionId) => ({ check: other, positionId })));
}
