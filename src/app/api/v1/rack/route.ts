import { answer, numberIn } from '@/app/api/answer';
import { readRack } from '@/server/shop/readRack';

/** A page of the rack, behind the unit that is named. */
export const GET = answer(({ actor, context, request: { nextUrl } }) =>
  readRack(actor, context, {
    afterDue: nextUrl.searchParams.get('afterDue') ?? '',
    ...numberIn(nextUrl, 'afterPeg'),
  }),
);
