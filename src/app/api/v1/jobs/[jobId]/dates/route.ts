import { answer } from '@/app/api/answer';
import { fileResponse } from '@/app/api/fileResponse';
import { readDates } from '@/server/job/readDates';

/** Running-in and re-check dates of one unit as an iCalendar file. */
export const GET = answer(({ actor, context, params }) =>
  fileResponse(
    Buffer.from(readDates(actor, context, { jobId: params.jobId ?? '' })),
    'dates.ics',
    'text/calendar; charset=utf-8',
  ),
);
