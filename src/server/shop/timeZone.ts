import * as v from 'valibot';
import { isTimeZone } from '@/core/time/shopDay';
import { logChange } from '@/db/changeLog';
import { inTransaction } from '@/db/open';
import { readTimeZone, writeTimeZone } from '@/db/shop';
import { instant } from '../context';
import { shopZone } from '../shopDay';
import { defineUseCase } from '../useCase';

export const readShopZone = defineUseCase('session.own', v.undefined(), (_actor, context) => ({
  /** Empty: the machine's. */
  own: readTimeZone(context.db),
  inForce: shopZone(context),
}));

const ZoneSchema = v.object({
  timeZone: v.pipe(
    v.string(),
    v.maxLength(60),
    v.check((name) => name === '' || isTimeZone(name), 'there is no such time zone'),
  ),
});

/** The zone by which “today”, due dates and report dates are told; instants are stored as they are, in UTC. */
export const setShopZone = defineUseCase('shop.set', ZoneSchema, (actor, context, { timeZone }) =>
  inTransaction(context.db, () => {
    const before = readTimeZone(context.db);
    writeTimeZone(context.db, timeZone);
    logChange(context.db, {
      ...{ at: instant(context), by: actor.id, jobId: null, topic: 'time zone', subject: 'shop' },
      ...{ before, after: timeZone },
    });
    return { own: timeZone, inForce: shopZone(context) };
  }),
);
