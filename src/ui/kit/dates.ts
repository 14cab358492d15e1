import { tz } from '@date-fns/tz';
import { differenceInCalendarDays, format, parseISO } from 'date-fns';

/* Days are the shop's days, wherever the screen stands: its time zone is told once, by the page's frame. */

let zone = 'UTC';
export const setShopZone = (timeZone: string): void => {
  zone = timeZone;
};

/** A day as `2026-11-24` is that day everywhere; an instant is a day and an hour of the shop. */
const inShop = (iso: string) => (iso.length > 10 ? { in: tz(zone) } : {});

/** 24 Nov 2026 */
export const longDate = (iso: string): string => format(parseISO(iso), 'd MMM yyyy', inShop(iso));
/** Tue 24 Nov; of another year than today's 24 Nov 2026. */
export const shortDate = (iso: string, today: string): string =>
  iso.slice(0, 4) === today.slice(0, 4) ? format(parseISO(iso), 'EEE d MMM', inShop(iso)) : longDate(iso);
/** 24 Nov 2026, 14:05 */
export const longInstant = (iso: string): string => format(parseISO(iso), 'd MMM yyyy, HH:mm', inShop(iso));

export function overdueWords(dueOn: string, today: string): string | undefined {
  const days = differenceInCalendarDays(parseISO(today), parseISO(dueOn));
  if (days <= 0) return undefined;
  return days === 1 ? '1 day over' : `${days} days over`;
}
