import type { Calendar } from '@/model/calendar';
import type { QuoteAnswer } from '@/model/quote';
import type { JobSnapshot } from '@/model/snapshot';
import { openHolds } from '../strip/holds';
import { labourOf } from './labour';
import { needsOf } from './needs';
import { expectedOn, isHere, type Order, orderedOf, ordersOf, wrongFor } from './orders';
import { type ReadyDay, readyDay } from './readyDay';

export interface WaitingOrder {
  readonly supplier: string;
  /** The day on which the last of it should be here. */
  readonly expected: string;
  readonly isLate: boolean;
  readonly state: Order['state'];
  /** What of it is still to come. */
  readonly lines: readonly string[];
  /** What came and nobody has laid beside the old part. */
  readonly unchecked: readonly string[];
}

export interface WaitingHold {
  readonly reason: string;
  readonly whoActs: string;
  readonly next: string;
  readonly since: string;
  readonly until: string | undefined;
  readonly isOver: boolean;
}

export interface WaitingJob {
  readonly id: string;
  readonly peg: number;
  readonly title: string;
  readonly customer: string;
  readonly dueOn: string;
  /** Parts that must be new and that nobody has ordered. */
  readonly toOrder: readonly string[];
  /** Parts that are to be new and aren't here. */
  readonly missing: readonly string[];
  /** What came and isn't what was ordered, with what is wrong: it goes back. */
  readonly toSendBack: readonly string[];
  readonly orders: readonly WaitingOrder[];
  readonly holds: readonly WaitingHold[];
  /** What the owner answered or asked, the newest last. */
  readonly answers: readonly string[];
  /** Everything is decided, everything is here, nothing holds it. */
  readonly canRebuild: boolean;
  /** When it is ready at the earliest, once all that is decided to be new is ordered. */
  readonly ready: ReadyDay | undefined;
  readonly isHandedOver: boolean;
}

export interface WaitingFacts {
  readonly today: string;
  readonly calendar: Calendar;
  readonly answers: readonly QuoteAnswer[];
}

/** What a job waits for: for whoever orders, whoever builds, and whoever has to remember. */
export function waitingOf(job: JobSnapshot, { today, calendar, answers }: WaitingFacts): WaitingJob {
  const orders = ordersOf(job.records);
  const { needs } = needsOf(job);
  const holds = openHolds(job.records).map(
    ({ content, deviceTime }): WaitingHold => ({
      ...{ reason: content.reason, whoActs: content.whoActs, next: content.next ?? '', since: deviceTime },
      ...{ until: content.until, isOver: content.until !== undefined && content.until < today },
    }),
  );
  const isDecided = allDecided(job);
  const isHandedOver = job.job.handedOver !== null;
  // Of a unit that is gone nothing is ordered and waited for any more; what is wrong still goes back.
  const wanted = isHandedOver ? [] : needs;
  const missing = wanted.filter((need) => !isHere(orders, need)).map(({ name }) => name);
  const toOrder = wanted.filter(({ part, qty }) => orderedOf(orders, part) < qty);
  return {
    ...{ id: job.job.id, peg: job.job.peg, title: job.job.unitTitle, customer: job.job.customer },
    ...{ dueOn: job.job.dueOn, isHandedOver, missing, holds },
    toOrder: toOrder.map(({ part, name }) => {
      const wrong = wrongFor(orders, part);
      return wrong === '' ? name : `${name} again`;
    }),
    toSendBack: orders.flatMap(({ supplier, lines }) =>
      lines
        .filter(({ wrong }) => wrong > 0)
        .map(({ offer, differs }) => `${offer.name} to ${supplier} (${differs.join(', ')})`),
    ),
    answers: toldAnswers(answers, isHandedOver),
    orders: orders
      .filter(({ state }) => state !== 'cancelled' && !isHandedOver)
      .map((order) => waitingOrder(order, { today, calendar, timeZone: job.timeZone })),
    canRebuild: isDecided && !isHandedOver && missing.length === 0 && holds.length === 0,
    ready:
      !isHandedOver && orders.length > 0
        ? readyDay({
            ...{ needs, orders, today, calendar, orderOn: today, daysFor: () => undefined },
            ...{ hoursLeft: labourOf(job).left, dueOn: job.job.dueOn, timeZone: job.timeZone },
          })
        : undefined,
  };
}

const allDecided = ({ unitType, decisions }: JobSnapshot): boolean => {
  const decided = new Set(
    decisions.filter(({ decision }) => decision !== 'not-decided').map(({ positionId }) => positionId),
  );
  return unitType.positions.length > 0 && unitType.positions.every(({ id }) => decided.has(id));
};

/** What the owner answered or asked; once the unit is gone only what still wants a reply. */
const toldAnswers = (answers: readonly QuoteAnswer[], isHandedOver: boolean): string[] =>
  answers
    .filter(({ takenBackAt, slip, reply }) => takenBackAt === null && !(isHandedOver && (slip || reply)))
    .map(({ name, slip, question }) => (slip ? `${name} chose: ${slip.name}` : `${name} asks: ${question}`));

function waitingOrder(
  order: Order,
  { today, calendar, timeZone }: Pick<WaitingFacts, 'today' | 'calendar'> & { readonly timeZone: string },
): WaitingOrder {
  const { supplier, lines, state, days } = order;
  const toCome = lines.filter((line) => line.toCome > 0);
  const waits = toCome.length > 0 ? Math.max(...toCome.map(({ offer }) => offer.days)) : days;
  const expected = expectedOn(order, waits, { calendar, timeZone });
  return {
    ...{ supplier, state, expected, isLate: toCome.length > 0 && expected < today },
    lines: toCome.map(({ offer }) => offer.name),
    unchecked: lines.filter(({ unchecked }) => unchecked > 0).map(({ offer }) => offer.name),
  };
}
