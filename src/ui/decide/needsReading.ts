import type { OrderLine } from '@/core/planning/orders';
import { IDENTITY_KEYS } from '@/model/offers';

/** The sizes and counts by which what came is told from what looks like it. */
export const keysToRead = ({ offer }: OrderLine) =>
  IDENTITY_KEYS.filter(({ id }) => offer.identity[id] !== undefined);

/** Whether a number or a size must be read off what came before it can be said to be the right one. */
export const needsReading = (line: OrderLine): boolean =>
  line.printed !== undefined || keysToRead(line).length > 0;
