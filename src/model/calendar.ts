import * as v from 'valibot';
import { DaySchema } from './day';

/** On which days a shop works and how long: every day that is promised is counted by it. */
export const CalendarSchema = v.object({
  /** Days of the week that are worked, 1 for Monday to 7 for Sunday. */
  weekdays: v.pipe(
    v.array(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(7))),
    v.minLength(1, 'a shop works on one day of the week at least'),
    v.maxLength(7),
    v.check((days) => new Set(days).size === days.length, 'a day of the week stands twice'),
  ),
  /** Single days on which it is closed. */
  closed: v.pipe(v.array(DaySchema), v.maxLength(400, 'at most 400 closed days')),
  /** Hours at the bench that a working day has for one unit. */
  hoursADay: v.pipe(
    v.number('hours a day are a number'),
    v.minValue(0.5, 'at least half an hour a day'),
    v.maxValue(24, 'a day has 24 hours'),
  ),
});
export type Calendar = v.InferOutput<typeof CalendarSchema>;

export const USUAL_CALENDAR: Calendar = { weekdays: [1, 2, 3, 4, 5], closed: [], hoursADay: 6 };
