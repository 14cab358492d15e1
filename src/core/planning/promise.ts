import type { Calendar } from '@/model/calendar';
import type { Quote } from '@/model/quote';
import { workingDayAfter, workingDaysBetween } from '../time/workingDays';

/** A ready day that was counted from one day, counted from a later one: as many working days later. */
export const readyFrom = (readyOn: string, from: string, later: string, calendar: Calendar): string =>
  later <= from ? readyOn : workingDayAfter(readyOn, workingDaysBetween(from, later, calendar), calendar);

/**
 * An offer as it stands on a day: its days hold until the day that it names; for an answer after that each way is ready as many working days
 * later. Prices stay. An offer that names none, from before there were such days, stays as it is.
 */
export const quoteOn = (quote: Quote, day: string, calendar: Calendar): Quote => {
  const { daysHoldUntil: until, slips } = quote;
  if (until === undefined || day <= until) return quote;
  return {
    ...quote,
    slips: slips.map((slip) =>
      slip.readyOn === undefined ? slip : { ...slip, readyOn: readyFrom(slip.readyOn, until, day, calendar) },
    ),
  };
};
