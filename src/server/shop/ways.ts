import * as v from 'valibot';
import { logChange } from '@/db/changeLog';
import { inTransaction } from '@/db/open';
import {
  readMoney,
  readPolicies,
  readShopCalendar,
  writeMoney,
  writePolicies,
  writeShopCalendar,
} from '@/db/shop';
import { CalendarSchema } from '@/model/calendar';
import { MoneySchema } from '@/model/money';
import { PoliciesSchema } from '@/model/policies';
import { type Context, instant } from '../context';
import { defineUseCase } from '../useCase';

/** How this shop does it: what it does where good shops disagree, in what it counts its money, and when it works. */
export const readWays = defineUseCase('job.read', v.undefined(), (_actor, { db }) => ({
  policies: readPolicies(db),
  money: readMoney(db),
  calendar: readShopCalendar(db),
}));

export const setPolicies = defineUseCase('shop.set', PoliciesSchema, (actor, context, policies) =>
  changed(context, actor.id, 'policies', readPolicies(context.db), policies, writePolicies),
);

export const setMoney = defineUseCase('shop.set', MoneySchema, (actor, context, money) =>
  changed(context, actor.id, 'money', readMoney(context.db), money, writeMoney),
);

export const setShopCalendar = defineUseCase('shop.set', CalendarSchema, (actor, context, calendar) =>
  changed(context, actor.id, 'calendar', readShopCalendar(context.db), calendar, writeShopCalendar),
);

function changed<Setting>(
  context: Context,
  by: string,
  topic: string,
  before: Setting,
  after: Setting,
  write: (db: Context['db'], setting: Setting) => void,
): Setting {
  return inTransaction(context.db, () => {
    write(context.db, after);
    logChange(context.db, { at: instant(context), by, jobId: null, topic, subject: 'shop', before, after });
    return after;
  });
}
