import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { QueuedCapture } from './queueStore';

/* The store is a map here; what matters is what is sent, in which order, and what is left. */
const held = new Map<string, QueuedCapture>();
vi.mock('./queueStore', () => ({
  listQueued: async () => [...held.values()].sort((a, b) => a.queuedAt - b.queuedAt),
  putQueued: async (capture: QueuedCapture) => void held.set(capture.id, capture),
  removeQueued: async (id: string) => void held.delete(id),
}));
const { drainQueue, outcomeOf } = await import('./drainQueue');

const queue = (id: string, over: Partial<QueuedCapture> = {}) =>
  held.set(id, {
    id,
    kind: 'reading',
    jobId: 'j',
    peg: 1,
    authorId: 'mirel',
    authorName: 'Mirel',
    queuedAt: held.size,
    content: { raw: id },
    status: 'waiting',
    ...over,
  });
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

beforeEach(() => {
  held.clear();
  vi.stubGlobal('navigator', {});
});
afterEach(() => vi.unstubAllGlobals());

describe('emptying the queue', () => {
  it('sends the oldest first and takes off what is stored', async () => {
    queue('a');
    queue('b', { kind: 'finding' });
    queue('c', { kind: 'photograph', blob: new Blob(['x']) });
    const sent = answers();
    expect(await drainQueue('mirel')).toBe(3);
    expect(sent).toEqual([
      '/api/v1/captures/readings/a',
      '/api/v1/captures/findings/b',
      '/api/v1/photographs/c',
    ]);
    expect(held.size).toBe(0);
  });

  it.each([
    ['a dead network', 'dead'],
    ['a sign-out', 401],
    ['a server in trouble', 503],
    ['too many tries', 429],
  ] as const)('stops at %s and keeps everything, so that the order holds', async (_, trouble) => {
    queue('a');
    queue('b');
    queue('c');
    const sent = answers(200, trouble);
    expect(await drainQueue('mirel')).toBe(1);
    expect(sent).toHaveLength(2);
    expect([...held.keys()]).toEqual(['b', 'c']);
    expect([...held.values()].every(({ status }) => status === 'waiting')).toBe(true);
  });

  it('sends what was taken while the first was on its way in the same go', async () => {
    queue('a');
    vi.stubGlobal('fetch', async () => {
      if (held.size === 1 && held.has('a')) queue('b');
      return new Response('{}', { status: 200 });
    });
    expect(await drainQueue('mirel')).toBe(2);
    expect(held.size).toBe(0);
  });

  it('shows what was refused and lets the next ones pass', async () => {
    queue('a');
    queue('b');
    answers(422);
    expect(await drainQueue('mirel')).toBe(1);
    expect(held.get('a')).toMatchObject({ status: 'needs-you', message: 'because' });
    expect(held.has('b')).toBe(false);
  });

  it('leaves a colleague’s captures and what needs a person alone', async () => {
    queue('his', { authorId: 'jonas' });
    queue('stuck', { status: 'needs-you' });
    const sent = answers();
    expect(await drainQueue('mirel')).toBe(0);
    expect(sent).toEqual([]);
    expect(held.size).toBe(2);
  });

  it('waits for its author instead of asking for help when the tablet changed hands on the way', () => {
    expect(outcomeOf(403, 'other-author', '')).toEqual({ kind: 'later' });
    expect(outcomeOf(403, 'no-right', 'not yours')).toEqual({ kind: 'refused', message: 'not yours' });
    expect(outcomeOf(201, '', '')).toEqual({ kind: 'stored' });
  });
});
