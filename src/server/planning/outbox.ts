import fs from 'node:fs';
import path from 'node:path';
import type { Order } from '@/core/planning/orders';
import type { Money } from '@/model/money';
import { log } from '../log';
import { outboxOf } from '../mail/outbox';
import { orderAsCsv } from './printOrder';

/**
 * An order as a file in the shop’s outbox, from where whatever sends for the shop takes it. It stands in the database already; a file
 * that can’t be written is told in the log, and the order can be fetched from its job.
 */
export function putInOutbox(dataFolder: string, order: Order, money: Money): void {
  const folder = outboxOf(dataFolder);
  try {
    fs.mkdirSync(folder, { recursive: true });
    fs.writeFileSync(path.join(folder, `${order.id}.csv`), orderAsCsv(order, money));
  } catch (error) {
    log.error({ error: String(error) }, 'an order could not be put in the outbox');
  }
}
