import { describe, expect, it } from 'vitest';
import type { JobSnapshot } from '@/model/snapshot';
import type { QueuedCapture } from '../capture/queueStore';
import { firstView, type JobView, type JobViewEvent, nextView, unconfirmed } from './jobView';

const snapshot = (...readings: string[]) =>
  ({
    job: { id: 'job' },
    readings: readings.map((id) => ({ id })),
    findings: [],
    photographs: [],
    records: [],
  }) as unknown as JobSnapshot;
const capture = (id: string, over: Partial<QueuedCapture> = {}) =>
  ({ id, jobId: 'job', kind: 'reading', status: 'waiting', queuedAt: Number(id), ...over }) as QueuedCapture;
const answer = (request: number, ...readings: string[]): JobViewEvent => ({
  kind: 'snapshot',
  request,
  snapshot: snapshot(...readings),
});
const queue = (asked: number, ...queued: QueuedCapture[]): JobViewEvent => ({ kind: 'queue', queued, asked });
const play = (...events: JobViewEvent[]): JobView => events.reduce(nextView, firstView(snapshot()));
const shown = (view: JobView) => [
  ...view.confirmed.readings.map(({ id }) => id),
  ...unconfirmed(view).map(({ id }) => id),
];

describe('what the bench holds of a job', () => {
  it('shows what waits at once, of this job only, and not what was refused', () => {
    const view = play(
      queue(0, capture('1'), capture('2', { jobId: 'other' }), capture('3', { status: 'needs-you' })),
    );
    expect(shown(view)).toEqual(['1']);
  });

  it('drops an answer that a later one has overtaken: the last reading stays', () => {
    const view = play(
      queue(0, capture('1')),
      queue(0, capture('2')),
      queue(2),
      answer(2, '1', '2'),
      answer(1, '1'),
    );
    expect(shown(view)).toEqual(['1', '2']);
    expect(view.left).toEqual([]);
  });

  it('keeps what left the queue, whoever sent it, until a snapshot that was asked for later is here', () => {
    const left = play(queue(0, capture('1')), queue(4));
    expect(shown(left)).toEqual(['1']);
    const overtaken = nextView(left, answer(4));
    expect(shown(overtaken)).toEqual(['1']);
    expect(shown(nextView(overtaken, answer(5, '1')))).toEqual(['1']);
    // Taken off the device, or kept as a conflict: then the server does not have it as a reading, and it goes.
    expect(shown(nextView(overtaken, answer(5)))).toEqual([]);
  });

  it('asks again with every listing while something is unconfirmed, and else changes nothing', () => {
    const left = play(queue(0, capture('1')), queue(1));
    expect(nextView(left, queue(1)).left).not.toBe(left.left);
    const settled = nextView(left, answer(2, '1'));
    expect(nextView(settled, queue(2))).toBe(settled);
  });

  it('never shows a capture twice, in whatever order queue and answers come', () => {
    const view = play(queue(0, capture('1'), capture('2')), answer(1, '1'), queue(1, capture('2')), queue(1));
    expect(shown(view)).toEqual(['1', '2']);
    expect(shown(nextView(view, answer(2, '1', '2')))).toEqual(['1', '2']);
  });
});
