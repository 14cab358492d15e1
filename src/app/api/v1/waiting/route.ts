import { answer } from '@/app/api/answer';
import { fileResponse } from '@/app/api/fileResponse';
import { readCalendar } from '@/server/waiting/readWaiting';

/** The shop's days as an iCalendar file. */
export const GET = answer(({ actor, context }) =>
  fileResponse(
    Buffer.from(readCalendar(actor, context, undefined)),
    'stereotome.ics',
    'text/calendar; charset=utf-8',
  ),
);
