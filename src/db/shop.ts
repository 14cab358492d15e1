import * as v from 'valibot';
import { type Calendar, CalendarSchema, USUAL_CALENDAR } from '@/model/calendar';
import { type Money, MoneySchema, USUAL_MONEY } from '@/model/money';
import { type Policies, PoliciesSchema, USUAL_POLICIES } from '@/model/policies';
import type { Shop } from '@/model/report';
import type { ShimsOnHand } from '@/model/snapshot';
import type { TooClosePolicy } from '@/model/tooClose';
import type { Db } from './open';
import { sql } from './statements';

export const readShop = (db: Db): Shop =>
  sql<Shop>(db, 'SELECT name, place, contact FROM shop').get() ?? { name: '', place: '', contact: '' };

export const writeShop = (db: Db, shop: Shop): void => {
  sql(db, 'UPDATE shop SET name = @name, place = @place, contact = @contact').run(shop);
};

export const readTooClosePolicy = (db: Db): TooClosePolicy =>
  sql<{ policy: TooClosePolicy }>(db, 'SELECT too_close_policy AS policy FROM shop').get()?.policy ?? 'hold';

export const writeTooClosePolicy = (db: Db, policy: TooClosePolicy): void => {
  sql(db, 'UPDATE shop SET too_close_policy = ?').run(policy);
};

/** Empty: the machine's. */
export const readTimeZone = (db: Db): string =>
  sql<{ zone: string }>(db, 'SELECT time_zone AS zone FROM shop').get()?.zone ?? '';

export const writeTimeZone = (db: Db, zone: string): void => {
  sql(db, 'UPDATE shop SET time_zone = ?').run(zone);
};

/** What the shop has said in the matters in which shops disagree; the usual way where it said nothing, or what isn't known any more. */
export function readPolicies(db: Db): Policies {
  const row = sql<{ policies: string }>(db, 'SELECT policies_json AS policies FROM shop').get();
  const read = v.safeParse(PoliciesSchema, { ...USUAL_POLICIES, ...JSON.parse(row?.policies ?? '{}') });
  return read.success ? read.output : USUAL_POLICIES;
}

export const writePolicies = (db: Db, policies: Policies): void => {
  sql(db, 'UPDATE shop SET policies_json = ?').run(JSON.stringify(policies));
};

export function readMoney(db: Db): Money {
  const row = sql<{ money: string }>(db, 'SELECT money_json AS money FROM shop').get();
  const read = v.safeParse(MoneySchema, { ...USUAL_MONEY, ...JSON.parse(row?.money ?? '{}') });
  return read.success ? read.output : USUAL_MONEY;
}

export const writeMoney = (db: Db, money: Money): void => {
  sql(db, 'UPDATE shop SET money_json = ?').run(JSON.stringify(money));
};

export function readShopCalendar(db: Db): Calendar {
  const row = sql<{ calendar: string }>(db, 'SELECT calendar_json AS calendar FROM shop').get();
  const read = v.safeParse(CalendarSchema, { ...USUAL_CALENDAR, ...JSON.parse(row?.calendar ?? '{}') });
  return read.success ? read.output : USUAL_CALENDAR;
}

export const writeShopCalendar = (db: Db, calendar: Calendar): void => {
  sql(db, 'UPDATE shop SET calendar_json = ?').run(JSON.stringify(calendar));
};

type Drawers = Readonly<Record<string, Readonly<Record<string, ShimsOnHand['pieces']>>>>;

const readDrawers = (db: Db): Drawers =>
  JSON.parse(sql<{ shims: string }>(db, 'SELECT shims_json AS shims FROM shop').get()?.shims ?? '{}');

/** The measured shims that the shop has for a type of unit, by drawer. */
export const readShims = (db: Db, unitTypeId: string): ShimsOnHand[] =>
  Object.entries(readDrawers(db)[unitTypeId] ?? {}).map(([drawer, pieces]) => ({ drawer, pieces }));

export function writeShims(db: Db, unitTypeId: string, { drawer, pieces }: ShimsOnHand): void {
  const all = readDrawers(db);
  const next = { ...all, [unitTypeId]: { ...all[unitTypeId], [drawer]: pieces } };
  sql(db, 'UPDATE shop SET shims_json = ?').run(JSON.stringify(next));
}
