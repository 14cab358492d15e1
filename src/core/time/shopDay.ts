const formats = new Map<string, Intl.DateTimeFormat>();
/** Making one costs as much as using it many times. */
function formatOf(timeZone: string): Intl.DateTimeFormat {
  const known = formats.get(timeZone);
  if (known) return known;
  const made = new Intl.DateTimeFormat('en', {
    ...{ timeZone, calendar: 'gregory', numberingSystem: 'latn' },
    ...{ year: 'numeric', month: '2-digit', day: '2-digit' },
  });
  formats.set(timeZone, made);
  return made;
}

/**
 * The calendar day, `2026-11-24`, on which an instant falls in a time zone (IANA name, as `Europe/Oslo`).
 * Throws a RangeError for a zone that is none, and for a date that is none.
 */
export function dayIn(instant: Date, timeZone: string): string {
  const parts = formatOf(timeZone).formatToParts(instant);
  const of = (type: string) => parts.find((part) => part.type === type)?.value ?? '';
  return `${of('year')}-${of('month')}-${of('day')}`;
}

/** The day so many days after another; plain calendar, no zone. */
export function dayAfter(day: string, days: number): string {
  const date = new Date(`${day}T00:00:00.000Z`);
  date.setUTCDate(date.getUTCDate() + days);
  return date.toISOString().slice(0, 10);
}

export function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return name !== '';
  } catch {
    return false;
  }
}
