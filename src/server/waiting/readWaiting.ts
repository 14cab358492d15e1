import ical from 'ical-generator';
import * as v from 'valibot';
import { ordersOf } from '@/core/planning/orders';
import { type WaitingJob, waitingOf } from '@/core/planning/waiting';
import { listRecords } from '@/db/captures';
import { listQuoteAnswers } from '@/db/quoteAnswers';
import { readShopCalendar } from '@/db/shop';
import { listJobsGone, listJobsInWork } from '@/db/waiting';
import type { Context } from '../context';
import { gatherSnapshot } from '../job/readSnapshot';
import { shopToday } from '../shopDay';
import { defineUseCase } from '../useCase';

/** So many jobs are gone through; a shop has fewer open at once. */
const MOST = 120;

export interface Waiting {
  readonly today: string;
  readonly jobs: readonly WaitingJob[];
}

const gathered = (context: Context): Waiting => {
  const today = shopToday(context);
  const calendar = readShopCalendar(context.db);
  const told = (id: string) =>
    waitingOf(gatherSnapshot(context.db, id), {
      ...{ today, calendar },
      answers: listQuoteAnswers(context.db, id),
    });
  const gone = listJobsGone(context.db, MOST)
    .filter((id) => stillOwed(context.db, id))
    .map(told);
  return { today, jobs: [...listJobsInWork(context.db, MOST).map(told), ...gone] };
};

/** Whether an owner waits for a reply, or a part for its way back. */
const stillOwed = (db: Context['db'], id: string): boolean =>
  listQuoteAnswers(db, id).some(({ takenBackAt, slip, reply }) => takenBackAt === null && !slip && !reply) ||
  ordersOf(listRecords(db, id)).some(({ lines }) => lines.some(({ wrong }) => wrong > 0));

/** What must be ordered, what is late, what holds whom, what can be built now. */
export const readWaiting = defineUseCase(
  'job.read',
  v.undefined(),
  (_actor, context): Waiting => gathered(context),
);

/** The days on which something is expected, as a calendar: holds, orders, and when jobs are due. */
export const readCalendar = defineUseCase('job.read', v.undefined(), (_actor, context): string => {
  const { jobs } = gathered(context);
  const calendar = ical({ name: 'Stereotome' });
  const put = (id: string, day: string, summary: string, description: string) =>
    calendar.createEvent({
      ...{ id, summary, description, allDay: true, stamp: context.now() },
      ...{ start: new Date(`${day}T00:00:00.000Z`), timezone: null },
    });
  for (const { peg, title, dueOn, holds, orders, isHandedOver } of jobs) {
    if (!isHandedOver) put(`due-${peg}`, dueOn, `Peg ${peg} is due: ${title}`, '');
    for (const [at, { until, reason, whoActs, next }] of holds.entries())
      if (until)
        put(
          `hold-${peg}-${at}`,
          until,
          `Peg ${peg}: ${reason}`,
          [whoActs && `Turn of ${whoActs}`, next].filter(Boolean).join('. '),
        );
    for (const [at, { supplier, expected, state, lines }] of orders.entries())
      if (lines.length > 0 && state !== 'cancelled')
        put(`order-${peg}-${at}`, expected, `Peg ${peg}: parts of ${supplier}`, lines.join(', '));
  }
  return calendar.toString();
});
