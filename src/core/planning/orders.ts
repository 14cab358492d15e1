import { dayIn } from '@/core/time/shopDay';
import type { Calendar } from '@/model/calendar';
import { IDENTITY_KEYS, type Identity, type Offer } from '@/model/offers';
import type { RecordOf } from '@/model/recordKinds';
import type { BenchRecord } from '@/model/snapshot';
import { type Recorded, recordsOf } from '../strip/recordsOf';
import { workingDayAfter } from '../time/workingDays';
import { differenceOfNumbers } from './printedNumber';

export interface OrderLine {
  readonly offer: Offer;
  readonly count: number;
  /** Pieces that came and are still in the house. */
  readonly arrived: number;
  /** Pieces that went back. */
  readonly back: number;
  /** Pieces that are still to come. */
  readonly toCome: number;
  /** Pieces in the house that nobody has laid beside the old part yet. */
  readonly unchecked: number;
  /** Pieces in the house that were compared and are what was ordered, or for which somebody answers. */
  readonly fits: number;
  /** Pieces in the house that aren't what was ordered: they go back. */
  readonly wrong: number;
  /** All that is in the house was looked at beside the old part. */
  readonly compared: boolean;
  /** In what the wrong pieces aren't what was offered, in words; what wasn't measured on arrival counts as different from nothing. */
  readonly differs: readonly string[];
  /** Who answers for pieces that differ, and with what words. */
  readonly taken: readonly { readonly by: string; readonly reason: string; readonly differs: string }[];
  /** The number that belongs on it, as the offer or the old part has it. */
  readonly printed: string | undefined;
}

export type OrderState = 'sent' | 'partly-in' | 'unchecked' | 'wrong' | 'back' | 'in' | 'cancelled';

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
  /** Working days after which all of it should be here. */
  readonly days: number;
  /** The day that the supplier named later. */
  readonly movedTo: string | undefined;
  /** `unchecked`: all came, and not all of it was laid beside the old parts. `wrong`: not all that is here is what was ordered. `back`: nothing more comes, and some of it went back. */
  readonly state: OrderState;
  /** Why it was cancelled; empty where it wasn't. */
  readonly cancelled: string;
}

/** The orders of a job with what came in of them. */
export function ordersOf(records: readonly BenchRecord[]): Order[] {
  const cancelled = new Map(
    recordsOf(records, 'order-cancelled').map(({ content }) => [content.orderId, content.reason]),
  );
  const moved = new Map(
    recordsOf(records, 'order-moved').map(({ content }) => [content.orderId, content.on]),
  );
  const marks = new Map(
    recordsOf(records, 'mark-read').map(({ content }) => [content.positionId, content.mark]),
  );
  const events = lineEvents(records);
  return recordsOf(records, 'parts-ordered').map(({ id, author, deviceTime, content }): Order => {
    const lines = content.lines.map(({ offer, count }, at): OrderLine => {
      const own = events.filter((each) => each.content.orderId === id && each.content.line === at);
      return lineOf({ offer, count, printed: numberThatBelongs(offer, marks) }, own);
    });
    return {
      ...{ id, lines, by: author, at: deviceTime, supplier: content.supplier, freight: content.freight },
      total: content.freight + lines.reduce((sum, { offer, count }) => sum + offer.price * count, 0),
      ...{ days: Math.max(...lines.map(({ offer }) => offer.days)), movedTo: moved.get(id) },
      cancelled: cancelled.get(id) ?? '',
      state: cancelled.has(id) ? 'cancelled' : stateOf(lines),
    };
  });
}

type LineEvent = Recorded<'goods-in' | 'goods-compared' | 'goods-back' | 'goods-taken'>;
const ABOUT_LINES: ReadonlySet<string> = new Set(['goods-in', 'goods-compared', 'goods-back', 'goods-taken']);

/** All that happened to lines, in the order in which it happened. */
const lineEvents = (records: readonly BenchRecord[]): LineEvent[] => {
  const known = new Map(
    (['goods-in', 'goods-compared', 'goods-back', 'goods-taken'] as const)
      .flatMap((what): LineEvent[] => recordsOf(records, what))
      .map((event) => [event.id, event]),
  );
  return records.flatMap(({ id, content }) => (ABOUT_LINES.has(content.what) ? (known.get(id) ?? []) : []));
};

/** Pieces that came together, and what was seen of them. */
interface Lot {
  count: number;
  compared: boolean;
  differs: readonly string[];
  taken: boolean;
}

interface Ordered {
  readonly offer: Offer;
  readonly count: number;
  readonly printed: string | undefined;
}

function lineOf(ordered: Ordered, events: readonly LineEvent[]): OrderLine {
  const lots: Lot[] = [];
  const taken: { by: string; reason: string; differs: string }[] = [];
  let back = 0;
  for (const { author, content } of events) {
    switch (content.what) {
      case 'goods-in':
        lots.push({
          ...{ count: content.count, compared: content.compared, taken: false },
          differs: differencesOf(ordered, content),
        });
        break;
      case 'goods-compared':
        for (const lot of lots.filter(({ compared }) => !compared))
          Object.assign(lot, { compared: true, differs: differencesOf(ordered, content) });
        break;
      case 'goods-taken': {
        const wrong = lots.filter(isWrong);
        taken.push({ by: author, reason: content.reason, differs: wordsOf(wrong).join(', ') });
        for (const lot of wrong) lot.taken = true;
        break;
      }
      case 'goods-back':
        back += takenOut(lots, content.count);
    }
  }
  const sum = (of: (lot: Lot) => boolean) => lots.filter(of).reduce((total, { count }) => total + count, 0);
  const arrived = sum(() => true);
  const wrong = lots.filter(isWrong);
  return {
    ...{ ...ordered, arrived, back, taken, differs: wordsOf(wrong), wrong: sum(isWrong) },
    toCome: Math.max(0, ordered.count - arrived - back),
    unchecked: sum((lot) => !isWrong(lot) && !lot.compared && !lot.taken),
    fits: sum(({ compared, differs, taken: answered }) => answered || (compared && differs.length === 0)),
    compared: arrived > 0 && lots.every((lot) => lot.count === 0 || lot.compared),
  };
}

const isWrong = ({ count, differs, taken }: Lot): boolean => count > 0 && differs.length > 0 && !taken;
const wordsOf = (lots: readonly Lot[]): string[] => [...new Set(lots.flatMap(({ differs }) => differs))];

/** Takes so many pieces out of the lots, wrong ones first, then what nobody has compared; answers how many went. */
function takenOut(lots: readonly Lot[], count: number): number {
  let left = count;
  const rank = (lot: Lot) => (isWrong(lot) ? 0 : lot.compared ? 2 : 1);
  for (const lot of [...lots].sort((a, b) => rank(a) - rank(b))) {
    const gone = Math.min(lot.count, left);
    lot.count -= gone;
    left -= gone;
  }
  return count - left;
}

function stateOf(lines: readonly OrderLine[]): OrderState {
  if (lines.some(({ wrong }) => wrong > 0)) return 'wrong';
  if (lines.every(({ toCome }) => toCome === 0)) {
    if (lines.some(({ unchecked }) => unchecked > 0)) return 'unchecked';
    return lines.some(({ back }) => back > 0) ? 'back' : 'in';
  }
  return lines.some(({ arrived, back }) => arrived + back > 0) ? 'partly-in' : 'sent';
}

const numberThatBelongs = ({ printed, supplies }: Offer, marks: ReadonlyMap<string, string>) =>
  printed ?? (supplies.length === 1 ? marks.get(supplies[0]!.part) : undefined);

function differencesOf(
  { offer, printed }: Ordered,
  came: Pick<RecordOf<'goods-compared'>, 'identity' | 'printed' | 'otherwise'>,
): string[] {
  const number =
    printed === undefined || came.printed === undefined
      ? undefined
      : differenceOfNumbers(printed, came.printed);
  return [
    ...(number === undefined ? [] : [number]),
    ...differences(offer.identity, came.identity),
    ...(came.otherwise ? [came.otherwise] : []),
  ];
}

function differences(offered: Identity, came: Identity): string[] {
  return IDENTITY_KEYS.flatMap(({ id, name, unit, within }) => {
    const [a, b] = [offered[id], came[id]];
    if (a === undefined || b === undefined || Math.abs(a - b) <= within + 1e-9) return [];
    return [`${name} ${b}${unit && ` ${unit}`} instead of ${a}`];
  });
}

const suppliedBy = ({ offer }: OrderLine, part: string): number =>
  offer.supplies.reduce((qty, each) => qty + (each.part === part ? each.qty : 0), 0);

/** How many pieces for a part are on their way or here; what isn't what was ordered counts for nothing. */
export const orderedOf = (orders: readonly Order[], part: string): number =>
  orders
    .filter(({ state }) => state !== 'cancelled')
    .flatMap(({ lines }) => lines)
    .reduce((sum, line) => sum + (line.count - line.back - line.wrong) * suppliedBy(line, part), 0);

/** Whether as many new pieces as a part needs are here, were compared with the old ones, and are what was offered. */
export function isHere(
  orders: readonly Order[],
  { part, qty, spare }: { readonly part: string; readonly qty: number; readonly spare: number },
): boolean {
  const here = orders
    .flatMap(({ lines }) => lines)
    .reduce((sum, line) => sum + line.fits * suppliedBy(line, part), 0);
  return here >= qty - spare;
}

/** What came for a part and isn't what was ordered, in words; empty where nothing is wrong. */
export const wrongFor = (orders: readonly Order[], part: string): string =>
  orders
    .flatMap(({ lines }) => lines)
    .filter((line) => line.wrong > 0 && suppliedBy(line, part) > 0)
    .flatMap(({ differs }) => differs)
    .join(', ');

/** Whether anything for a part was ordered that wasn't cancelled, whatever became of it. */
export const wasOrdered = (orders: readonly Order[], part: string): boolean =>
  orders.some(
    ({ state, lines }) => state !== 'cancelled' && lines.some((line) => suppliedBy(line, part) > 0),
  );

/**
 * How often a line is to be ordered once more: for what went back or is wrong, as far as its parts are still wanted.
 * @returns 0 where nothing of it is
 */
export function againOf(
  { offer, back, wrong }: Pick<OrderLine, 'offer' | 'back' | 'wrong'>,
  orders: readonly Order[],
  needs: readonly { readonly part: string; readonly qty: number }[],
): number {
  const wanted = offer.supplies.map(({ part, qty }) => {
    const need = needs.find((each) => each.part === part);
    return need ? Math.ceil((need.qty - orderedOf(orders, part)) / qty) : 0;
  });
  return Math.max(0, Math.min(back + wrong, Math.max(...wanted)));
}

/** The shop's day on which an order went out. */
export const orderedOn = ({ at }: Pick<Order, 'at'>, timeZone: string): string =>
  dayIn(new Date(at), timeZone);

/** The day on which a line, or the whole order, should be here: a working day, or the one that the supplier named. */
export const expectedOn = (
  order: Pick<Order, 'at' | 'movedTo'>,
  days: number,
  { calendar, timeZone }: { readonly calendar: Calendar; readonly timeZone: string },
): string => order.movedTo ?? workingDayAfter(orderedOn(order, timeZone), days, calendar);
