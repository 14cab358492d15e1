import type { SpeedSaid } from '@/model/recording';
import type { UnitType } from '@/model/unitType';
import { matchOrders } from './matching';
import { ordersOfUnit } from './orders';
import type { Peak } from './peaks';
import { type Road, turningOf } from './turning';

/** Fewer tones than this fit some gear by chance. */
const ENOUGH = 2;

/**
 * In which other gears tones that no order of the said one explains would fit, the best first: one of them may have been in. Empty where
 * none does: then the speed may be wrong, or the noise isn't this unit's.
 */
export function otherGears(
  type: UnitType,
  peaks: readonly Peak[],
  said: {
    readonly gear: string;
    readonly coast: boolean;
    readonly speed: SpeedSaid;
    readonly seconds: number;
    readonly doubt: number;
    readonly road: Road;
  },
): { readonly gear: string; readonly tones: number }[] {
  return type.states
    .flatMap(({ gear }) => {
      const unit = gear === said.gear ? undefined : ordersOfUnit(type, gear, said.coast);
      if (!unit) return [];
      const { reference } = turningOf(said.speed, { ...said, ratio: unit.ratio });
      const { matches } = matchOrders(peaks, unit.orders, reference, said.doubt);
      return [{ gear, tones: new Set(matches.map(({ peak }) => peak)).size }];
    })
    .filter(({ tones }) => tones >= ENOUGH)
    .sort((a, b) => b.tones - a.tones);
}
