import ical from 'ical-generator';
import * as v from 'valibot';
import { type WaitingJob, waitingOf } from '@/core/planning/waiting';
import { listQuoteAnswers } from '@/db/quoteAnswers';
import { listJobsInWork } from '@/db/waiting';
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
  return {
    today,
    jobs: listJobsInWork(context.db, MOST).map((id) =>
      waitingOf(gatherSnapshot(context.db, id), today, listQuoteAnswers(context.db, id)),
    ),
  };
};

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
  for (const { peg, title, dueOn, holds, orders } of jobs) {
    put(`due-${peg}`, dueOn, `Peg ${peg} is due: ${title}`, '');
    for (const [at, { until, reason, whoActs, next }] of holds.entries())
      if (until)
        put(
          `hold-${peg}-${at}`,
          until,
          `Peg ${peg}: ${reason}`,
          [whoActs && `Turn of ${whoActs}`, next].filter(Boolean).join('. '),
        );
    for (const [at, { supplier, expected, state, lines }] of orders.entries())
      if (state !== 'in')
        put(`order-${peg}-${at}`, expected, `Peg ${peg}: parts of ${supplier}`, lines.join(', '));
  }
  return calendar.toString();
});
