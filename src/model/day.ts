import * as v from 'valibot';

/** Whether a day that is written right is one of the calendar: the 31st of February is written right. */
function isOfTheCalendar(day: string): boolean {
  const [year = 0, month = 0, date = 0] = day.slice(0, 10).split('-').map(Number);
  const found = new Date(Date.UTC(year, month - 1, date));
  return found.getUTCFullYear() === year && found.getUTCMonth() === month - 1 && found.getUTCDate() === date;
}

/** A day of the shop. */
export const DaySchema = v.pipe(
  v.string('a date as 2026-11-24'),
  v.isoDate('a date as 2026-11-24'),
  v.check(isOfTheCalendar, 'there is no such day'),
);

export const InstantSchema = v.pipe(
  v.string('must be a UTC instant'),
  v.isoTimestamp('must be a UTC instant'),
  v.check(isOfTheCalendar, 'there is no such day'),
);
