import { format, isValid, parse } from 'date-fns';

/** Ways in which people write a day; where no year is written it is the one in which the day lies nearest ahead. */
const WRITTEN = ['yyyy-MM-dd', 'd MMM yyyy', 'd MMMM yyyy', 'd.M.yyyy', 'd/M/yyyy', 'EEE d MMM yyyy'];
const WITHOUT_YEAR = ['d MMM', 'd MMMM', 'd.M.', 'd.M', 'd/M', 'EEE d MMM'];

/**
 * A day as people write it (24 Nov 2026, 24.11.2026, 24 nov, 2026-11-24), day before month.
 * @param today as 2026-11-24
 * @returns the day as 2026-11-24, or undefined where the words are no day
 */
export function readDay(words: string, today: string): string | undefined {
  const text = words.trim().replace(/\s+/g, ' ');
  const now = parse(today, 'yyyy-MM-dd', new Date(0));
  const read = (pattern: string): Date | undefined => {
    const date = parse(text, pattern, now);
    return isValid(date) && date.getFullYear() > 1900 && date.getFullYear() < 3000 ? date : undefined;
  };
  const whole = WRITTEN.map(read).find(Boolean);
  if (whole) return iso(whole);
  const bare = WITHOUT_YEAR.map(read).find(Boolean);
  if (!bare) return undefined;
  const HALF_A_YEAR = 183 * 86_400_000;
  const behind = now.getTime() - bare.getTime() > HALF_A_YEAR;
  return iso(behind ? new Date(bare.getFullYear() + 1, bare.getMonth(), bare.getDate()) : bare);
}

const iso = (date: Date): string => format(date, 'yyyy-MM-dd');
