import { describe, expect, it } from 'vitest';
import type { Mark } from '@/model/pictureRecord';
import type { RecordContent } from '@/model/recordKinds';
import type { BenchRecord } from '@/model/snapshot';
import { drawMark, marksChange, marksOn, nextPin, penOf } from './marks';

const mark = (id: string, over: Partial<Mark> = {}): Mark => ({
  ...{ id, shape: 'arrow' },
  points: [
    [10, 10],
    [110, 10],
  ],
  ...over,
});
let count = 0;
const record = (content: RecordContent, struck: BenchRecord['struck'] = null): BenchRecord => {
  count += 1;
  return {
    ...{ id: `record-${count}`, author: 'A', authorId: 'a', deviceTime: '', receivedAt: '' },
    ...{ struck, content },
  };
};
const marked = (put: Mark[], removed: string[] = [], photographId = 'p') =>
  record({ what: 'picture-marked', photographId, put, removed });

describe('marks on a photograph', () => {
  it('of two people add up; of one mark the last version counts; what was rubbed out is gone', () => {
    const records = [
      marked([mark('a'), mark('b')]),
      marked([mark('c', { shape: 'ring' })]),
      marked([mark('a', { words: 'here' })], ['b']),
      marked([mark('z')], [], 'another'),
    ];
    expect(marksOn(records, 'p').map(({ id, words }) => [id, words])).toEqual([
      ['a', 'here'],
      ['c', undefined],
    ]);
  });

  it('a stroke that was struck out never was', () => {
    const struck = { by: 'B', at: '', reason: '', slip: true };
    const records = [marked([mark('a')]), { ...marked([], ['a']), struck }];
    expect(marksOn(records, 'p').map(({ id }) => id)).toEqual(['a']);
  });

  it('the way from one state to another, taken again, leads there', () => {
    const [a, b, c] = [mark('a'), mark('b'), mark('c')];
    const changed = { ...b, words: 'edge' };
    expect(marksChange([a, b], [changed, c])).toEqual({ put: [changed, c], removed: ['a'] });
    expect(marksChange([a, b], [a, b])).toEqual({ put: [], removed: [] });
  });

  it('pins count on from the highest', () => {
    expect(nextPin([])).toBe(1);
    expect(nextPin([mark('a', { shape: 'pin', number: 3 }), mark('b')])).toBe(4);
  });
});

describe('a mark as pen strokes', () => {
  const picture = { width: 3200, height: 2400 };
  it('is as thick on every picture as its share of it', () => {
    expect(penOf(picture)).toBe(10);
  });
  it('an arrow ends where it was let go, with two barbs behind its point', () => {
    const { path } = drawMark(mark('a'), picture);
    // By hand: barbs of 90 px at 0.45 rad behind the point (110, 10).
    expect(path).toBe('M10 10L110 10M29 -29.1L110 10L29 49.1');
  });
  it('a ring fills the box of its two points, a pin carries its number beside its foot', () => {
    expect(drawMark(mark('r', { shape: 'ring' }), picture).path).toBe(
      'M10 10A50 1 0 1 0 110 10A50 1 0 1 0 10 10',
    );
    const pin = drawMark(mark('n', { shape: 'pin', points: [[100, 400]], number: 2 }), picture);
    expect(pin.words).toMatchObject({ text: '2', at: [200, 230] });
    expect(pin.disc?.at).toEqual(pin.words?.at);
  });
  it('words and a free line are drawn as they were given', () => {
    expect(drawMark(mark('t', { shape: 'text', words: 'fretted' }), picture).words?.text).toBe('fretted');
    expect(
      drawMark(
        mark('l', {
          shape: 'line',
          points: [
            [1, 2],
            [3, 4],
            [5, 6],
          ],
        }),
        picture,
      ).path,
    ).toBe('M1 2L3 4L5 6');
  });
});
