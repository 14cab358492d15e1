import { createHash, randomBytes } from 'node:crypto';
import sharp from 'sharp';
import type { Caller } from './caller';

/** The marks of what one device has sent. */
export interface Sent {
  readonly readings: readonly string[];
  readonly photographs: readonly string[];
}

/** Every mark that was sent is there once, and none that wasn't. */
export async function wrongIn(
  caller: Caller,
  jobs: readonly string[],
  sent: readonly Sent[],
): Promise<number> {
  let wrong = 0;
  for (const [device, jobId] of jobs.entries()) {
    const held = (await (await caller.ask('GET', `/api/v1/jobs/${jobId}`)).json()) as Record<
      'readings' | 'photographs',
      { id: string }[]
    >;
    for (const kind of ['readings', 'photographs'] as const) {
      const there = held[kind].map(({ id }) => id).sort();
      const marks = [...sent[device]![kind]].sort();
      wrong += there.filter((id, at) => id !== marks[at]).length + Math.abs(there.length - marks.length);
    }
  }
  return wrong;
}

export interface Pictures {
  /** Another file, and its digest, worked out beforehand: whoever sends must not be busy himself. */
  readonly next: () => readonly [Buffer, string];
}

/** So many pictures of about 3 MB: noise, which no method makes smaller; what follows a picture's end makes another file of it. */
export async function picturesToSend(count: number): Promise<Pictures> {
  const [width, height] = [2400, 1800];
  const raw = { width, height, channels: 3 as const };
  const jpeg = await sharp(randomBytes(width * height * 3), { raw })
    .jpeg({ quality: 85 })
    .toBuffer();
  const made = Array.from({ length: count }, () => {
    const bytes = Buffer.concat([jpeg, randomBytes(16)]);
    return [bytes, createHash('sha256').update(bytes).digest('hex')] as const;
  });
  let at = 0;
  return {
    next: () => {
      at += 1;
      return made[at % made.length]!;
    },
  };
}
