import { dayIn } from '@/core/time/shopDay';
import { readTimeZone } from '@/db/shop';
import type { Context } from './context';

const MACHINES = Intl.DateTimeFormat().resolvedOptions().timeZone;

/** The zone by which the shop counts its days: its own setting, or the machine's. */
export const shopZone = ({ db }: Pick<Context, 'db'>): string => readTimeZone(db) || MACHINES;

/** Today, as the shop counts its days. */
export const shopToday = (context: Context): string => dayIn(context.now(), shopZone(context));
