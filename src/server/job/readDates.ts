import ical from 'ical-generator';
import * as v from 'valibot';
import { recordsOf } from '@/core/strip/recordsOf';
import { IdSchema } from '@/model/ids';
import { defineUseCase } from '../useCase';
import { gatherSnapshot } from './readSnapshot';

const WORDS = { 'running-in': 'Running in', 're-check': 'Another look' } as const;

/** The days on which one rebuilt unit is looked at again, as a calendar that the owner can have too: no customer’s name is in it. */
export const readDates = defineUseCase(
  'job.read',
  v.object({ jobId: IdSchema }),
  (_actor, context, { jobId }): string => {
    const { job, records } = gatherSnapshot(context.db, jobId);
    const calendar = ical({ name: `Peg ${job.peg}` });
    for (const { id, content } of recordsOf(records, 'recheck'))
      calendar.createEvent({
        ...{ id, allDay: true, stamp: context.now(), timezone: null },
        start: new Date(`${content.on}T00:00:00.000Z`),
        summary: `${WORDS[content.kind]}: ${job.unitTitle}`,
        description: content.words,
      });
    return calendar.toString();
  },
);
