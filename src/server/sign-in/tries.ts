import { RateLimiterMemory } from 'rate-limiter-flexible';
import { Refusal } from '../refusal';

const AT_ONE_DOOR = 5;
/** At any doors, from one place that nobody signed in from yet. */
const FROM_A_STRANGER = 30;
const PAUSE_SECONDS = 60;

/** On globalThis, since Next may load this module twice in one process. */
const holder = globalThis as {
  stereotomeTries?: { doors: RateLimiterMemory; strangers: RateLimiterMemory; busy: Set<string> };
};
holder.stereotomeTries ??= {
  doors: new RateLimiterMemory({
    ...{ keyPrefix: 'door', points: AT_ONE_DOOR, duration: PAUSE_SECONDS, blockDuration: PAUSE_SECONDS },
  }),
  strangers: new RateLimiterMemory({
    ...{ keyPrefix: 'stranger', points: FROM_A_STRANGER, duration: PAUSE_SECONDS },
  }),
  busy: new Set(),
};
const { doors, strangers, busy } = holder.stereotomeTries;

/** Who tries: a device on which somebody has signed in before, or an address of the network. */
export interface Caller {
  readonly device?: string;
  readonly address: string;
}

/**
 * One try at a door. It is counted before any hash is worked out, so that asking in parallel passes no lock, and given back where
 * the secret was right. A device that is known here has a budget of its own at each door: a stranger uses up his own, not a
 * colleague's. Of one who asks, one try is worked on at a time.
 */
export async function tryDoor<T>(
  door: string,
  { device, address }: Caller,
  attempt: () => Promise<T | undefined>,
): Promise<T | undefined> {
  const key = `${door} ${device === undefined ? `from ${address}` : `on ${device}`}`;
  if (busy.has(key)) throw slowDown(1);
  busy.add(key);
  try {
    if (device === undefined) await spend(strangers, address);
    await spend(doors, key);
    const found = await attempt();
    if (found === undefined) return undefined;
    await doors.delete(key);
    if (device === undefined) await strangers.reward(address);
    return found;
  } finally {
    busy.delete(key);
  }
}

async function spend(limiter: RateLimiterMemory, key: string): Promise<void> {
  try {
    await limiter.consume(key);
  } catch (state) {
    const { msBeforeNext = 1000 } = state as { msBeforeNext?: number };
    throw slowDown(Math.ceil(msBeforeNext / 1000));
  }
}

const slowDown = (seconds: number): Refusal =>
  new Refusal(
    'slow-down',
    `Too many wrong tries. Please wait ${seconds === 1 ? 'a second' : `${seconds} seconds`}, then try again.`,
    { seconds },
  );
