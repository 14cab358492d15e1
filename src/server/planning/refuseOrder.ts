import { benchIdentity, whyBarred } from '@/core/planning/fits';
import { needsOf } from '@/core/planning/needs';
import { isHere, type Order, type OrderLine, orderedOf, orderedOn, ordersOf } from '@/core/planning/orders';
import { isWorkingDay } from '@/core/time/workingDays';
import { listRecords } from '@/db/captures';
import { returnShelfPart, takeShelfPart } from '@/db/prices';
import { readMoney, readShopCalendar } from '@/db/shop';
import { IDENTITY_KEYS, type Offer } from '@/model/offers';
import type { Actor } from '@/model/people';
import type { RecordContent } from '@/model/recordKinds';
import { type Context, instant } from '../context';
import { gatherSnapshot } from '../job/readSnapshot';
import { Refusal } from '../refusal';
import { shopZone } from '../shopDay';
import { offersOf } from './offersOf';

type Kind<What extends RecordContent['what']> = Extract<RecordContent, { what: What }>;

const refusal = (path: string, message: string) =>
  new Refusal('bad-input', message, { faults: [{ path: `content.${path}`, message }] });

/**
 * An order can't be wrong: every line is offered as it stands, fits what was counted on the bench, and is for a part that is still to be new.
 * What lies on the shelf is taken off it with the order, or the whole order is refused.
 */
export function takeOrder(
  actor: Actor,
  context: Context,
  jobId: string,
  { lines, supplier }: Kind<'parts-ordered'>,
): void {
  const snapshot = gatherSnapshot(context.db, jobId);
  const bench = benchIdentity(snapshot);
  const { needs } = needsOf(snapshot);
  const orders = ordersOf(snapshot.records);
  const { offers } = offersOf(context, jobId);
  const { sign } = readMoney(context.db);
  for (const [at, { offer, count }] of lines.entries()) {
    const path = `lines.${at}`;
    const now = offers.find(({ id }) => id === offer.id);
    if (offer.supplier !== supplier) throw refusal(path, `${offer.name} is not ${supplier}’s.`);
    if (offer.currency !== sign)
      throw refusal(path, `${offer.name} is priced in ${offer.currency}, not in ${sign}.`);
    if (now?.price !== offer.price || now.code !== offer.code)
      throw refusal(path, `${offer.name}: this offer doesn’t stand any more. Plan again.`);
    if (offer.stock !== undefined && count > offer.stock)
      throw refusal(path, `${offer.name}: ${count} ordered, and ${supplier} has ${offer.stock}.`);
    const barred = whyBarred(offer, bench);
    if (barred) throw refusal(path, `${offer.name} can’t be ordered: ${barred}.`);
    const wanted = offer.supplies.filter(({ part }) => needs.some((need) => need.part === part));
    if (wanted.length === 0)
      throw refusal(
        path,
        `${offer.name}: the decision has changed, nothing of it is to be new any more. Plan again.`,
      );
    if (wanted.every(({ part }) => orderedOf(orders, part) >= needs.find((need) => need.part === part)!.qty))
      throw refusal(path, `${offer.name} is ordered already.`);
    if (
      offer.source === 'shelf' &&
      !takeShelfPart(context.db, {
        id: shelfIdOf(offer),
        jobId,
        by: actor.id,
        at: instant(context),
      })
    )
      throw refusal(path, `${offer.name} was taken off the shelf by somebody else.`);
  }
}

/** The line that a record is about, of an order that still stands. */
function lineOf(context: Context, jobId: string, { orderId, line }: { orderId: string; line: number }) {
  const order = standingOrder(context, jobId, orderId);
  const ordered = order.lines[line];
  if (!ordered) throw refusal('line', 'The order has no such line.');
  return ordered;
}

function standingOrder(context: Context, jobId: string, orderId: string): Order {
  const order = ordersOf(listRecords(context.db, jobId)).find(({ id }) => id === orderId);
  if (!order) throw refusal('orderId', 'This job has no such order.');
  if (order.state === 'cancelled') throw refusal('orderId', 'This order was cancelled.');
  return order;
}

/** No more comes in than was ordered. */
export function refuseArrival(context: Context, jobId: string, content: Kind<'goods-in'>): void {
  const ordered = lineOf(context, jobId, content);
  const { count, compared } = content;
  if (compared) refuseUnread(ordered, content);
  if (count > ordered.toCome)
    throw refusal(
      'count',
      `${ordered.offer.name}: ${ordered.count} ordered, ${ordered.arrived + ordered.back} came already; ${count} more is too many. What came beyond goes back or is ordered first.`,
    );
}

/** What is said to be compared was read: its number where one belongs on it, else every size and count that the offer names. */
function refuseUnread(
  { offer, printed }: OrderLine,
  came: Pick<Kind<'goods-compared'>, 'identity' | 'printed'>,
): void {
  if (printed !== undefined && came.printed !== undefined) return;
  if (printed !== undefined)
    throw refusal(
      'printed',
      `${offer.name}: nobody has read the number printed on what came; ${printed} belongs there.`,
    );
  const unread = IDENTITY_KEYS.find(
    ({ id }) => offer.identity[id] !== undefined && came.identity[id] === undefined,
  );
  if (unread) throw refusal('identity', `${offer.name}: nobody has read the ${unread.name} of what came.`);
}

/** What came earlier is laid beside the old part. */
export function refuseComparison(context: Context, jobId: string, content: Kind<'goods-compared'>): void {
  const ordered = lineOf(context, jobId, content);
  if (ordered.unchecked === 0)
    throw refusal('line', `${ordered.offer.name}: nothing of it waits to be laid beside the old one.`);
  refuseUnread(ordered, content);
}

/** Only what is in the house goes back. */
export function refuseReturn(context: Context, jobId: string, content: Kind<'goods-back'>): void {
  const { offer, arrived } = lineOf(context, jobId, content);
  if (content.count > arrived)
    throw refusal('count', `${offer.name}: ${arrived} here, ${content.count} can’t go back.`);
}

export function refuseTaking(context: Context, jobId: string, content: Kind<'goods-taken'>): void {
  const { offer, wrong } = lineOf(context, jobId, content);
  if (wrong === 0) throw refusal('line', `${offer.name}: nothing of it differs from what was ordered.`);
}

/** A supplier’s new day is one on which the shop can take something in, and not before the order. */
export function refuseNewDay(context: Context, jobId: string, { orderId, on }: Kind<'order-moved'>): void {
  const order = standingOrder(context, jobId, orderId);
  if (order.lines.every(({ toCome }) => toCome === 0))
    throw refusal('orderId', 'Nothing of this order is still to come.');
  if (!isWorkingDay(on, readShopCalendar(context.db)))
    throw refusal('on', `The shop is closed on ${on}: nothing can come in then.`);
  if (on < orderedOn(order, shopZone(context)))
    throw refusal(
      'on',
      `The order went out on ${orderedOn(order, shopZone(context))}; it can’t come before.`,
    );
}

/** The old part is kept until the new one was counted, measured and compared with it. */
export function refuseEarlyScrap(
  context: Context,
  jobId: string,
  { positionId }: Kind<'part-scrapped'>,
): void {
  const snapshot = gatherSnapshot(context.db, jobId);
  const need = needsOf(snapshot).needs.find(({ part }) => part === positionId);
  if (!need) throw refusal('positionId', 'This part isn’t replaced: it stays.');
  if (!isHere(ordersOf(snapshot.records), need))
    throw refusal(
      'positionId',
      'The new one isn’t here yet, or nobody has compared it with the old one. Keep the old part.',
    );
}

/** Ends an order of which nothing is here; what came off the shelf for it lies there again. What has come in goes back another way. */
export function cancelOrder(context: Context, jobId: string, { orderId }: Kind<'order-cancelled'>): void {
  const order = ordersOf(listRecords(context.db, jobId)).find(({ id }) => id === orderId);
  if (!order) throw refusal('orderId', 'This job has no such order.');
  if (order.state === 'cancelled') throw refusal('orderId', 'It is cancelled already.');
  if (order.lines.some(({ arrived, back }) => arrived + back > 0))
    throw refusal('orderId', 'Some of it is here already: it can’t be cancelled any more.');
  for (const { offer } of order.lines)
    if (offer.source === 'shelf') returnShelfPart(context.db, shelfIdOf(offer));
}

const SHELF_MARK = 'shelf ';
const shelfIdOf = ({ id }: Pick<Offer, 'id'>): string => id.slice(SHELF_MARK.length);
