import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import {
  forgetWithdrawn,
  listQueued,
  putQueued,
  type QueuedCapture,
  removeQueued,
  withdrawQueued,
} from './queueStore';
import { outcomeOf, sendQueue } from './sendQueue';

/* On a store as a browser has it, in memory; what matters is what is sent, in which order, and what is left. */
let at = 0;
const queue = async (id: string, over: Partial<QueuedCapture> = {}) => {
  at += 1;
  await putQueued({
    id,
    kind: 'reading',
    jobId: 'j',
    peg: 1,
    authorId: 'mirel',
    authorName: 'Mirel',
    queuedAt: at,
    content: { raw: id },
    status: 'waiting',
    ...over,
  });
};
const held = async () => new Map((await listQueued()).map((capture) => [capture.id, capture]));
const answers = (...list: (number | 'dead')[]) => {
  const sent: string[] = [];
  vi.stubGlobal('fetch', async (url: string) => {
    sent.push(url);
    const status = list[sent.length - 1] ?? 200;
    if (status === 'dead') throw new TypeError('network');
    return new Response(JSON.stringify({ code: status === 403 ? 'other-author' : 'x', message: 'because' }), {
      status,
    });
  });
  return sent;
};

beforeEach(async () => {
  await forgetWithdrawn('a');
  for (const { id } of await listQueued()) await removeQueued(id);
  vi.stubGlobal('navigator', {});
});
afterEach(() => vi.unstubAllGlobals());

describe('emptying the queue', () => {
  it('sends the oldest first and takes off what is stored', async () => {
    await queue('a');
    await queue('b', { kind: 'finding' });
    await queue('c', { kind: 'photograph', blob: new Blob(['x']) });
    const sent = answers();
    expect(await sendQueue('mirel')).toBe(3);
    expect(sent).toEqual([
      '/api/v1/captures/readings/a',
      '/api/v1/captures/findings/b',
      '/api/v1/photographs/c',
    ]);
    expect((await held()).size).toBe(0);
  });

  it.each([
    ['a dead network', 'dead'],
    ['a sign-out', 401],
    ['a server in trouble', 503],
    ['too many tries', 429],
  ] as const)('stops at %s and keeps everything, so that the order holds', async (_, trouble) => {
    await queue('a');
    await queue('b');
    await queue('c');
    const sent = answers(200, trouble);
    expect(await sendQueue('mirel')).toBe(1);
    expect(sent).toHaveLength(2);
    expect([...(await held()).keys()]).toEqual(['b', 'c']);
    expect([...(await held()).values()].every(({ status }) => status === 'waiting')).toBe(true);
  });

  it('sends what was taken while the first was on its way in the same go', async () => {
    await queue('a');
    vi.stubGlobal('fetch', async () => {
      const { size } = await held();
      if (size === 1 && (await held()).has('a')) await queue('b');
      return new Response('{}', { status: 200 });
    });
    expect(await sendQueue('mirel')).toBe(2);
    expect((await held()).size).toBe(0);
  });

  it('shows what was refused and lets the next ones pass', async () => {
    await queue('a');
    await queue('b');
    answers(422);
    expect(await sendQueue('mirel')).toBe(1);
    expect((await held()).get('a')).toMatchObject({ status: 'needs-you', message: 'because' });
    expect((await held()).has('b')).toBe(false);
  });

  it('takes off what was taken back while it was still being written, and sends it never', async () => {
    await withdrawQueued('a');
    await queue('a');
    await queue('b');
    const sent = answers();
    expect(await sendQueue('mirel')).toBe(1);
    expect(sent).toEqual(['/api/v1/captures/readings/b']);
    expect((await held()).size).toBe(0);
  });

  it('leaves a colleague’s captures and what needs a person alone', async () => {
    await queue('his', { authorId: 'jonas' });
    await queue('stuck', { status: 'needs-you' });
    const sent = answers();
    expect(await sendQueue('mirel')).toBe(0);
    expect(sent).toEqual([]);
    expect((await held()).size).toBe(2);
  });

  it('waits for its author instead of asking for help when the tablet changed hands on the way', () => {
    expect(outcomeOf(403, 'other-author', '')).toEqual({ kind: 'later' });
    expect(outcomeOf(403, 'no-right', 'not yours')).toEqual({ kind: 'refused', message: 'not yours' });
    expect(outcomeOf(201, '', '')).toEqual({ kind: 'stored' });
  });
});
