import type { JobSnapshot } from '@/model/snapshot';
import { needsOf } from '../planning/needs';
import { isHere, type Order, orderedOf, ordersOf, wasOrdered, wrongFor } from '../planning/orders';

/** A new piece that was ordered and can't go in. */
export interface HeldNewPart {
  readonly positionId: string;
  readonly name: string;
  /** `wrong`: what came isn't what was ordered. */
  readonly state: 'wrong' | 'unchecked' | 'not-here';
  readonly words: string;
}

/** New pieces that were ordered and may not go in: what came is another part, wasn't laid beside the old one, or isn't here. */
export function heldNewParts(
  snapshot: Pick<JobSnapshot, 'unitType' | 'decisions' | 'records' | 'policies'>,
): HeldNewPart[] {
  const orders = ordersOf(snapshot.records);
  if (orders.length === 0) return [];
  return needsOf(snapshot).needs.flatMap((need): HeldNewPart[] => {
    if (isHere(orders, need)) return [];
    const held = { positionId: need.part, name: need.name };
    const wrong = wrongFor(orders, need.part);
    if (wrong !== '')
      return [{ ...held, state: 'wrong', words: `what came is not what was ordered: ${wrong}` }];
    if (!wasOrdered(orders, need.part)) return [];
    if (orderedOf(orders, need.part) < need.qty - need.spare)
      return [{ ...held, state: 'not-here', words: 'not enough of the new ones is ordered or here' }];
    return isUnchecked(orders, need.part)
      ? [{ ...held, state: 'unchecked', words: 'the new one was not laid beside the old one yet' }]
      : [{ ...held, state: 'not-here', words: 'the new one is ordered and not here yet' }];
  });
}

const isUnchecked = (orders: readonly Order[], part: string): boolean =>
  orders.some(({ lines }) =>
    lines.some(({ unchecked, offer }) => unchecked > 0 && offer.supplies.some((each) => each.part === part)),
  );
