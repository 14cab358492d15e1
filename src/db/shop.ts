import type { Shop } from '@/model/report';
import type { Db } from './open';
import { sql } from './statements';

export const readShop = (db: Db): Shop =>
  sql<Shop>(db, 'SELECT name, place, contact FROM shop').get() ?? { name: '', place: '', contact: '' };

export const writeShop = (db: Db, shop: Shop): void => {
  sql(db, 'UPDATE shop SET name = @name, place = @place, contact = @contact').run(shop);
};
