import type { UnitType } from '@/model/unitType';
import { needleComplement } from '../gearing/needleComplement';
import { formatNumber } from '../quantity/format';

export interface NeedleRoom {
  readonly positionId: string;
  /** Per row: by the list, and as many as go in by their sizes. */
  readonly listed: number;
  readonly most: number;
  /** mm left over with as many as are listed. */
  readonly gap: number;
  readonly words: string;
}

/**
 * Rows of loose needles whose sizes are described: is there room for one more than the list says? A gap of a needle or more is a designed one by
 * the list alone, and looks like one that is missing.
 */
export function needleRooms({ bearings, positions }: Pick<UnitType, 'bearings' | 'positions'>): NeedleRoom[] {
  return bearings.flatMap(({ kind, rollerDiameter, pitchDiameter, positions: own }) =>
    kind !== 'needle' || rollerDiameter === undefined || pitchDiameter === undefined
      ? []
      : positions
          .filter(({ id, quantity }) => own.includes(id) && quantity !== undefined)
          .map(({ id, name, quantity }): NeedleRoom => {
            const { count: listed, rows = 1 } = quantity!;
            const { maxRollers: most, trueGap } = needleComplement({
              ...{ rollerDiameter, pitchDiameter, counted: listed },
            });
            const size = `${rows > 1 ? `${rows} rows of ` : ''}${listed}`;
            return {
              ...{ positionId: id, listed, most, gap: trueGap },
              words:
                listed >= most
                  ? `${name}: ${size}, the last goes in snugly, ${formatNumber(trueGap, 2)} mm left.`
                  : `${name}: ${size} by the list, and a row would hold ${most}: ${formatNumber(trueGap, 1)} mm stay open by design, so count them.`,
            };
          }),
  );
}
