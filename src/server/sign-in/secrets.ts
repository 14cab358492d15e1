import { createHash, randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { turnstileOf } from '../turnstile';

/** Memory-hard: 128 MB for each guess at a password. PINs are short, so they are also slowed down by count. */
const COST = { N: 2 ** 17, r: 8, p: 1, maxmem: 256 * 1024 * 1024 };
const KEY_LENGTH = 32;

/** Each takes 128 MB and a thread of those that also read files: two at once, a few in line, nobody for long. */
const hashing = turnstileOf('hashing', { inside: 2, waiting: 8, patienceMs: 5000 });

const derive = (secret: string, salt: Buffer, cost: typeof COST): Promise<Buffer> =>
  hashing.pass(
    () =>
      new Promise((resolve, reject) => {
        scrypt(secret.normalize('NFKC'), salt, KEY_LENGTH, cost, (error, key) =>
          error ? reject(error) : resolve(key),
        );
      }),
  );

/** `scrypt$N$r$p$salt$key`, salt and key in base64. Only tests pass another cost: a hash carries the one it was made with. */
export async function hashSecret(secret: string, cost = COST): Promise<string> {
  const salt = randomBytes(16);
  const key = await derive(secret, salt, cost);
  return ['scrypt', cost.N, cost.r, cost.p, salt.toString('base64'), key.toString('base64')].join('$');
}

export async function secretMatches(secret: string, stored: string): Promise<boolean> {
  const [kind, N, r, p, salt, key] = stored.split('$');
  if (kind !== 'scrypt' || !salt || !key) return false;
  const expected = Buffer.from(key, 'base64');
  const derived = await derive(secret, Buffer.from(salt, 'base64'), {
    ...COST,
    N: Number(N),
    r: Number(r),
    p: Number(p),
  });
  return expected.length === derived.length && timingSafeEqual(expected, derived);
}

/** Sessions are known by a random token; the database holds only its hash. */
export const newToken = (): string => randomBytes(32).toString('base64url');
export const hashToken = (token: string): string => createHash('sha256').update(token).digest('hex');
