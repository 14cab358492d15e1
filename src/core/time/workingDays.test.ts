import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Calendar } from '@/model/calendar';
import { isWorkingDay, readyAfter, workingDayAfter, workingDayFrom, workingDaysBetween } from './workingDays';

/* Counted on a wall calendar: Christmas 2026 falls on a Friday, Easter 2027 on 28 March, the day on which Europe's clocks go forward. */
const shop: Calendar = {
  weekdays: [1, 2, 3, 4, 5],
  closed: ['2026-12-24', '2026-12-25', '2026-12-31', '2027-01-01', '2027-03-26', '2027-03-29'],
  hoursADay: 6,
};

describe('working days', () => {
  it.each([
    // Thursday, and three days on: Friday, Monday, Tuesday.
    ['2026-12-10', 3, '2026-12-15'],
    ['2026-12-15', 4, '2026-12-21'],
    // Over Christmas: Fri 18, Mon 21, Tue 22, Wed 23, and then Monday 28.
    ['2026-12-17', 4, '2026-12-23'],
    ['2026-12-17', 5, '2026-12-28'],
    // Over new year and its weekend.
    ['2026-12-30', 1, '2027-01-04'],
    // Good Friday, weekend, change to summer time, Easter Monday.
    ['2027-03-25', 1, '2027-03-30'],
    // Ordered on a Saturday: the first working day after it is Monday.
    ['2026-12-12', 1, '2026-12-14'],
    // The autumn change of clocks, 25 October 2026, is a Sunday of 25 hours.
    ['2026-10-23', 1, '2026-10-26'],
    ['2026-12-12', 0, '2026-12-14'],
    ['2026-12-14', 0, '2026-12-14'],
  ])('%s and %i on is %s', (day, days, expected) => {
    expect(workingDayAfter(day, days, shop)).toBe(expected);
  });

  it.each([
    // Six hours on Tuesday, three on Wednesday.
    ['2026-12-15', 9, '2026-12-16'],
    ['2026-12-21', 5, '2026-12-21'],
    ['2026-12-21', 6, '2026-12-21'],
    ['2026-12-21', 6.5, '2026-12-22'],
    // 9.5 hours from the 23rd: the rest on Monday, for Thursday and Friday are closed.
    ['2026-12-23', 9.5, '2026-12-28'],
    ['2026-12-25', 1, '2026-12-28'],
    ['2026-12-15', 0, '2026-12-15'],
  ])('work that begins on %s and takes %d h is done on %s', (begins, hours, expected) => {
    expect(readyAfter(begins, hours, shop)).toBe(expected);
  });

  it.each([
    ['2026-12-16', '2026-12-18', 2],
    ['2026-12-18', '2026-12-22', 2],
    ['2026-12-22', '2026-12-18', -2],
    ['2026-12-23', '2026-12-28', 1],
    ['2026-12-18', '2026-12-18', 0],
    ['2026-12-18', '2026-12-20', 0],
  ])('from %s to %s are %i', (from, to, expected) => {
    expect(workingDaysBetween(from, to, shop)).toBe(expected);
  });

  it('nothing ever arrives or gets ready on a day on which nobody works, and counting there and back agrees', () => {
    const day = fc.integer({ min: 0, max: 1200 }).map((ahead) => {
      const date = new Date(Date.UTC(2026, 0, 1 + ahead));
      return date.toISOString().slice(0, 10);
    });
    const calendar = fc.record({
      weekdays: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1, maxLength: 7 }),
      closed: fc.array(day, { maxLength: 20 }),
      hoursADay: fc.integer({ min: 1, max: 24 }),
    });
    fc.assert(
      fc.property(
        calendar,
        day,
        fc.integer({ min: 0, max: 40 }),
        fc.integer({ min: 0, max: 80 }),
        (own, from, n, h) => {
          const arrives = workingDayAfter(from, n, own);
          expect(isWorkingDay(arrives, own)).toBe(true);
          if (n > 0) expect(workingDaysBetween(from, arrives, own)).toBe(n);
          const ready = readyAfter(arrives, h, own);
          expect(isWorkingDay(ready, own)).toBe(true);
          // Day by day, as one would tick it off.
          let [left, at] = [h, arrives];
          while (left > own.hoursADay) [left, at] = [left - own.hoursADay, workingDayAfter(at, 1, own)];
          expect(ready).toBe(at);
        },
      ),
    );
  });

  it('a calendar that never opens ends all the same', () => {
    const closed = Array.from({ length: 400 }, (_, at) =>
      new Date(Date.UTC(2026, 0, 1 + at)).toISOString().slice(0, 10),
    );
    expect(workingDayFrom('2026-01-01', { ...shop, closed })).toBe('2027-02-05');
  });
});
