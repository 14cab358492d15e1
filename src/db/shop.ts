import type { Shop } from '@/model/report';
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
