import { describe, expect, it } from 'vitest';
import { Turnstile } from './turnstile';

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

describe('a turnstile', () => {
  it('lets so many pass at once, keeps so many in line, and sends the others away in words', async () => {
    const turnstile = new Turnstile({ inside: 2, waiting: 3, patienceMs: 5000 });
    let [inside, most] = [0, 0];
    const work = async () => {
      inside += 1;
      most = Math.max(most, inside);
      await pause(5);
      inside -= 1;
      return 'done';
    };
    const told = await Promise.all(
      Array.from({ length: 9 }, () => turnstile.pass(work).catch((error: { code: string }) => error.code)),
    );
    expect(told.filter((each) => each === 'done')).toHaveLength(5);
    expect(told.filter((each) => each === 'slow-down')).toHaveLength(4);
    expect(most).toBe(2);
    // The line is free again.
    expect(await turnstile.pass(work)).toBe('done');
  });

  it('keeps nobody longer than his patience, and gives a place back after a failure', async () => {
    const turnstile = new Turnstile({ inside: 1, waiting: 5, patienceMs: 20 });
    const slow = turnstile.pass(() => pause(80));
    await expect(turnstile.pass(async () => 'late')).rejects.toMatchObject({ code: 'slow-down' });
    await slow;
    await expect(
      turnstile.pass(async () => {
        throw new Error('broken');
      }),
    ).rejects.toThrow('broken');
    expect(await turnstile.pass(async () => 'after')).toBe('after');
  });
});
