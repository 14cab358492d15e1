import { IDENTITY_KEYS, type Identity, type Offer } from '@/model/offers';
import type { BenchRecord } from '@/model/snapshot';
import { recordsOf } from '../strip/recordsOf';

export interface OrderLine {
  readonly offer: Offer;
  readonly count: number;
  readonly arrived: number;
  /** All that came was looked at beside the old part. */
  readonly compared: boolean;
  /** In what it isn't what was offered, in words; what wasn't measured on arrival counts as different from nothing. */
  readonly differs: readonly string[];
}

export interface Order {
  readonly id: string;
  readonly supplier: string;
  readonly by: string;
  /** When it was sent. */
  readonly at: string;
  readonly freight: number;
  readonly lines: readonly OrderLine[];
  /** Without tax. */
  readonly total: number;
  /** Days after which all of it should be here. */
  readonly days: number;
  readonly state: 'sent' | 'partly-in' | 'in' | 'cancelled';
  /** Why it was cancelled; empty where it wasn't. */
  readonly cancelled: string;
}

/** The orders of a job with what came in of them. */
export function ordersOf(records: readonly BenchRecord[]): Order[] {
  const arrivals = recordsOf(records, 'goods-in');
  const cancelled = new Map(
    recordsOf(records, 'order-cancelled').map(({ content }) => [content.orderId, content.reason]),
  );
  return recordsOf(records, 'parts-ordered').map(({ id, author, deviceTime, content }): Order => {
    const lines = content.lines.map(({ offer, count }, at): OrderLine => {
      const own = arrivals.filter((each) => each.content.orderId === id && each.content.line === at);
      const arrived = own.reduce((sum, each) => sum + each.content.count, 0);
      return {
        ...{ offer, count, arrived },
        compared: own.length > 0 && own.every((each) => each.content.compared),
        differs: own.flatMap((each) => differences(offer.identity, each.content.identity)),
      };
    });
    return {
      ...{ id, lines, by: author, at: deviceTime, supplier: content.supplier, freight: content.freight },
      total: content.freight + lines.reduce((sum, { offer, count }) => sum + offer.price * count, 0),
      days: Math.max(...lines.map(({ offer }) => offer.days)),
      cancelled: cancelled.get(id) ?? '',
      state: cancelled.has(id) ? 'cancelled' : stateOf(lines),
    };
  });
}

function stateOf(lines: readonly OrderLine[]): Order['state'] {
  if (lines.every(({ arrived, count }) => arrived >= count)) return 'in';
  return lines.some(({ arrived }) => arrived > 0) ? 'partly-in' : 'sent';
}

function differences(offered: Identity, came: Identity): string[] {
  return IDENTITY_KEYS.flatMap(({ id, name, unit, within }) => {
    const [a, b] = [offered[id], came[id]];
    if (a === undefined || b === undefined || Math.abs(a - b) <= within + 1e-9) return [];
    return [`${name} ${b}${unit && ` ${unit}`} instead of ${a}`];
  });
}

/** How many pieces for a part are on their way or here. */
export const orderedOf = (orders: readonly Order[], part: string): number =>
  orders.reduce(
    (sum, { lines, state }) =>
      sum +
      (state === 'cancelled' ? 0 : 1) *
        lines.reduce(
          (own, { offer, count }) =>
            own + count * offer.supplies.reduce((qty, each) => qty + (each.part === part ? each.qty : 0), 0),
          0,
        ),
    0,
  );

/** Whether as many new pieces as a part needs are here, were compared with the old ones, and are what was offered. */
export function isHere(
  orders: readonly Order[],
  { part, qty, spare }: { readonly part: string; readonly qty: number; readonly spare: number },
): boolean {
  const fitting = orders.flatMap(({ lines }) =>
    lines.filter(({ compared, differs }) => compared && differs.length === 0),
  );
  const here = fitting.reduce(
    (sum, { offer, arrived }) =>
      sum + arrived * (offer.supplies.find((each) => each.part === part)?.qty ?? 0),
    0,
  );
  return here >= qty - spare;
}
