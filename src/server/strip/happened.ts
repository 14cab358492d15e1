import { putClockOffset, readClockOffset } from '@/db/stream';
import { type Context, instant } from '../context';

/** A clock that is set again while captures wait tells nothing of when they were taken. */
const JUMP_MS = 2 * 60_000;
/** What two measurements of one clock differ by: less than this is the same offset, so that order is kept. */
const SAME_MS = 1000;
/** A measurement holds the way that it was sent too, never less than nothing: on a slow network the same clock seems so much later. */
const SLOWEST_MS = 10_000;
/** Instants that a date can hold. */
const LATEST = 8.64e15;

export interface Happened {
  readonly receivedAt: string;
  readonly happenedAt: string;
  readonly clockJumped: 0 | 1;
}

/**
 * When a capture happened by the shop's clock: the device's time and the offset of its clock, measured as it was sent. No capture
 * is ever refused for its time: where the offset has jumped since the device was heard last, or the capture would have happened
 * after it was received, the receipt counts.
 */
export function happened(context: Context, { deviceTime }: { readonly deviceTime: string }): Happened {
  const receivedAt = instant(context);
  const { offset, jumped } = clockOf(context, receivedAt);
  const at = Date.parse(deviceTime) + offset;
  if (jumped || !(Math.abs(at) < LATEST) || at > Date.parse(receivedAt) + SAME_MS)
    return { receivedAt, happenedAt: receivedAt, clockJumped: 1 };
  return { receivedAt, happenedAt: new Date(at).toISOString(), clockJumped: 0 };
}

/** How far a device's clock is behind the shop's, in milliseconds, and whether it was set since it was heard last. */
function clockOf({ db, sentBy }: Context, receivedAt: string): { offset: number; jumped: boolean } {
  // Who doesn't say what his clock shows is taken at his word, as long as that lies in the past.
  if (!sentBy) return { offset: 0, jumped: false };
  const measured = sentBy.heardNow - sentBy.deviceNow;
  const before = readClockOffset(db, sentBy.deviceId);
  const offset = before !== undefined && isSame(measured - before) ? before : measured;
  if (offset !== before) putClockOffset(db, sentBy.deviceId, offset, receivedAt);
  return { offset, jumped: before !== undefined && Math.abs(offset - before) > JUMP_MS };
}

const isSame = (laterMs: number): boolean => laterMs > -SAME_MS && laterMs < SLOWEST_MS;
