import { addDays, formatISO, parseISO } from 'date-fns';
import type { QuoteAnswer } from '@/model/quote';
import type { JobSnapshot } from '@/model/snapshot';
import { openHolds } from '../strip/holds';
import { needsOf } from './needs';
import { isHere, type Order, orderedOf, ordersOf } from './orders';

export interface WaitingOrder {
  readonly supplier: string;
  /** The day on which the last of it should be here. */
  readonly expected: string;
  readonly isLate: boolean;
  readonly state: Order['state'];
  readonly lines: readonly string[];
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
  readonly orders: readonly WaitingOrder[];
  readonly holds: readonly WaitingHold[];
  /** What the owner answered or asked, the newest last. */
  readonly answers: readonly string[];
  /** Everything is decided, everything is here, nothing holds it. */
  readonly canRebuild: boolean;
}

/** What a job waits for: for whoever orders, whoever builds, and whoever has to remember. */
export function waitingOf(job: JobSnapshot, today: string, answers: readonly QuoteAnswer[] = []): WaitingJob {
  const orders = ordersOf(job.records);
  const { needs } = needsOf(job);
  const holds = openHolds(job.records).map(
    ({ content, deviceTime }): WaitingHold => ({
      ...{ reason: content.reason, whoActs: content.whoActs, next: content.next ?? '', since: deviceTime },
      ...{ until: content.until, isOver: content.until !== undefined && content.until < today },
    }),
  );
  const decided = new Set(
    job.decisions.filter(({ decision }) => decision !== 'not-decided').map(({ positionId }) => positionId),
  );
  const missing = needs.filter((need) => !isHere(orders, need)).map(({ name }) => name);
  return {
    ...{
      id: job.job.id,
      peg: job.job.peg,
      title: job.job.unitTitle,
      customer: job.job.customer,
      dueOn: job.job.dueOn,
    },
    toOrder: needs.filter(({ part, qty }) => orderedOf(orders, part) < qty).map(({ name }) => name),
    ...{ missing, holds },
    answers: answers
      .filter(({ takenBackAt }) => takenBackAt === null)
      .map(({ name, slip, question }) =>
        slip ? `${name} chose: ${slip.name}` : `${name} asks: ${question}`,
      ),
    orders: orders
      .filter(({ state }) => state !== 'cancelled')
      .map(({ supplier, at, days, state, lines }) => {
        const expected = formatISO(addDays(parseISO(at.slice(0, 10)), days), { representation: 'date' });
        return {
          ...{ supplier, state, expected, isLate: state !== 'in' && expected < today },
          lines: lines.filter(({ arrived, count }) => arrived < count).map(({ offer }) => offer.name),
        };
      }),
    canRebuild:
      job.unitType.positions.length > 0 &&
      job.unitType.positions.every(({ id }) => decided.has(id)) &&
      missing.length === 0 &&
      holds.length === 0,
  };
}
