import { RateLimiterMemory } from 'rate-limiter-flexible';
import { Refusal } from '../refusal';

const FAILURES_ALLOWED = 5;
const PAUSE_SECONDS = 60;

/** On globalThis, since Next may load this module twice in one process. */
const holder = globalThis as { stereotomeSignInLimiter?: RateLimiterMemory };
holder.stereotomeSignInLimiter ??= new RateLimiterMemory({
  points: FAILURES_ALLOWED,
  duration: PAUSE_SECONDS,
  blockDuration: PAUSE_SECONDS,
});
const limiter = holder.stereotomeSignInLimiter;

/** Five wrong tries at one name, then a pause: the sixth is refused before any hash is worked out. */
export async function refuseWhenTooMany(key: string): Promise<void> {
  const state = await limiter.get(key);
  if (state && state.consumedPoints >= FAILURES_ALLOWED && state.msBeforeNext > 0) {
    const seconds = Math.ceil(state.msBeforeNext / 1000);
    throw new Refusal('slow-down', `Five wrong tries. Please wait ${seconds} seconds, then try again.`, {
      seconds,
    });
  }
}

export const countFailure = async (key: string): Promise<void> => {
  await limiter.penalty(key);
};
export const forgetFailures = async (key: string): Promise<void> => {
  await limiter.delete(key);
};
