import type { Calendar } from '@/model/calendar';
import { readyAfter, workingDayAfter, workingDayFrom, workingDaysBetween } from '../time/workingDays';
import type { Need } from './needs';
import { expectedOn, isHere, type Order, orderedOf } from './orders';

export interface ReadyDay {
  /** The working day on which the last part that must be new is here; work goes on from it. */
  readonly partsOn: string;
  /** The working day at whose close it is done. */
  readonly readyOn: string;
  /** Working days from then until it is due; negative where it is late. */
  readonly slack: number;
}

export interface ReadyFacts {
  readonly needs: readonly Need[];
  readonly orders: readonly Order[];
  /** Working days from an order today until a part is here that nobody has ordered; undefined where it can't be had. */
  readonly daysFor: (part: string) => number | undefined;
  /** The day on which what isn't ordered would go out. */
  readonly orderOn: string;
  readonly hoursLeft: number;
  readonly today: string;
  readonly dueOn: string;
  readonly calendar: Calendar;
  readonly timeZone: string;
}

/** When a unit is ready: the last part first, then the hours that are left; undefined as long as nobody can say when a part comes. */
export function readyDay(facts: ReadyFacts): ReadyDay | undefined {
  const days = facts.needs.map((need) => dayOfPart(need, facts));
  if (days.some((day) => day === undefined)) return undefined;
  const partsOn = [facts.today, ...(days as string[])].reduce((a, b) => (a > b ? a : b));
  return endOf(partsOn, facts);
}

/** The end of work that begins on a day at the earliest. */
export function endOf(
  begins: string,
  { hoursLeft, dueOn, calendar }: Pick<ReadyFacts, 'hoursLeft' | 'dueOn' | 'calendar'>,
): ReadyDay {
  const readyOn = readyAfter(begins, hoursLeft, calendar);
  return {
    ...{ partsOn: workingDayFrom(begins, calendar), readyOn },
    slack: workingDaysBetween(readyOn, dueOn, calendar),
  };
}

/** When all new pieces of one part are here; undefined where that can’t be said: it has no offer, or its order is overdue. */
function dayOfPart(need: Need, facts: ReadyFacts): string | undefined {
  const { orders, calendar, today, orderOn } = facts;
  if (isHere(orders, need)) return today;
  if (orderedOf(orders, need.part) >= need.qty - need.spare) {
    const comes = orders
      .filter(({ state }) => state !== 'cancelled')
      .flatMap((order) =>
        order.lines
          .filter(({ toCome, offer }) => toCome > 0 && offer.supplies.some(({ part }) => part === need.part))
          .map(({ offer }) => expectedOn(order, offer.days, facts)),
      )
      .reduce((a, b) => (a > b ? a : b), '');
    // Nothing is still to come: it is here and waits to be laid beside the old one.
    if (comes === '') return today;
    return comes < today ? undefined : comes;
  }
  const days = facts.daysFor(need.part);
  return days === undefined ? undefined : workingDayAfter(orderOn, days, calendar);
}

/** Days of the lines that bring a part: the last of them counts. */
export const daysOfLines =
  (
    lines: readonly {
      readonly offer: { readonly supplies: readonly { readonly part: string }[]; readonly days: number };
    }[],
  ) =>
  (wanted: string): number | undefined => {
    const own = lines.filter(({ offer }) => offer.supplies.some(({ part }) => part === wanted));
    return own.length === 0 ? undefined : Math.max(...own.map(({ offer }) => offer.days));
  };

/** In words: what is left until it is due, or by how much it comes too late. */
export function tellSlack(slack: number): string {
  const days = (n: number) => `${n} working ${n === 1 ? 'day' : 'days'}`;
  if (slack === 0) return 'on the day it is due';
  return slack > 0 ? `${days(slack)} in hand` : `${days(-slack)} late`;
}
