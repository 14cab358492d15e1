import { differenceInCalendarDays, format, parseISO } from 'date-fns';

/** 24 Nov 2026 */
export const longDate = (iso: string): string => format(parseISO(iso), 'd MMM yyyy');
/** Tue 24 Nov */
export const shortDate = (iso: string): string => format(parseISO(iso), 'EEE d MMM');
/** 24 Nov 2026, 14:05 */
export const longInstant = (iso: string): string => format(parseISO(iso), 'd MMM yyyy, HH:mm');

export function overdueWords(dueOn: string, today: string): string | undefined {
  const days = differenceInCalendarDays(parseISO(today), parseISO(dueOn));
  if (days <= 0) return undefined;
  return days === 1 ? '1 day over' : `${days} days over`;
}
