import type { Calendar } from '@/model/calendar';
import { dayAfter } from './shopDay';

/* Days as `2026-11-24` throughout: plain days of the calendar, which no time zone and no change of clocks touches. */

/** Nobody plans beyond this: a calendar that is closed throughout would be walked for ever. */
const HORIZON_DAYS = 3700;

/** Monday is 1, Sunday 7. */
const weekdayOf = (day: string): number => new Date(`${day}T00:00:00.000Z`).getUTCDay() || 7;

export const isWorkingDay = (day: string, { weekdays, closed }: Calendar): boolean =>
  weekdays.includes(weekdayOf(day)) && !closed.includes(day);

/** The day itself where the shop works on it, else the next on which it does. */
export const workingDayFrom = (day: string, calendar: Calendar): string => {
  for (let ahead = 0; ahead < HORIZON_DAYS; ahead++) {
    const each = dayAfter(day, ahead);
    if (isWorkingDay(each, calendar)) return each;
  }
  return day;
};

/**
 * The n-th working day after a day; that day itself doesn't count, whether the shop works on it or not. For 0 it is the day itself, or the
 * next one that is worked.
 * @param days whole, 0 or more
 */
export function workingDayAfter(day: string, days: number, calendar: Calendar): string {
  let at = days > 0 ? day : workingDayFrom(day, calendar);
  for (let counted = 0; counted < days; counted++) at = workingDayFrom(dayAfter(at, 1), calendar);
  return at;
}

/** How many working days the second day lies after the first; negative where it lies before. */
export function workingDaysBetween(from: string, to: string, calendar: Calendar): number {
  if (to < from) return -workingDaysBetween(to, from, calendar) || 0;
  let count = 0;
  for (let day = dayAfter(from, 1); day <= to && count < HORIZON_DAYS; day = dayAfter(day, 1))
    if (isWorkingDay(day, calendar)) count += 1;
  return count;
}

/** The day at whose close so many hours of work are done, where the work begins on a day that itself counts. */
export const readyAfter = (begins: string, hours: number, calendar: Calendar): string =>
  workingDayAfter(
    workingDayFrom(begins, calendar),
    // A hundredth of an hour is no day.
    Math.max(0, Math.ceil(hours / calendar.hoursADay - 0.001) - 1),
    calendar,
  );
