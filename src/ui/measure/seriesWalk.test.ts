import { describe, expect, it } from 'vitest';
import type { Check } from '@/model/checks';
import { isWhole, nextUnread, placesToWalk, placeToRead, stepFrom } from './seriesWalk';

const check = { places: ['tooth 1', 'tooth 3'], every: { count: 4, word: 'tooth' } } as Check;
const round = placesToWalk(check, true);

describe('walking round a series', () => {
  it('takes the required places, or every tooth', () => {
    expect(placesToWalk(check, false)).toEqual(['tooth 1', 'tooth 3']);
    expect(round).toEqual(['tooth 1', 'tooth 2', 'tooth 3', 'tooth 4']);
  });

  it('goes on behind the last one read, and comes back for what was skipped', () => {
    expect(nextUnread(round, new Set())).toBe('tooth 1');
    expect(nextUnread(round, new Set(['tooth 1', 'tooth 3']), 'tooth 3')).toBe('tooth 4');
    expect(nextUnread(round, new Set(['tooth 1', 'tooth 3', 'tooth 4']), 'tooth 4')).toBe('tooth 2');
    expect(nextUnread(round, new Set(round), 'tooth 2')).toBe('tooth 1');
  });

  it('steps round the end', () => {
    expect(stepFrom(round, 'tooth 4', 1)).toBe('tooth 1');
    expect(stepFrom(round, 'tooth 1', -1)).toBe('tooth 4');
  });

  it('goes on all round after a reload, since a place was read that nobody requires', () => {
    expect(placeToRead(check, ['tooth 1'], {})).toMatchObject({ allRound: false, here: 'tooth 3' });
    expect(placeToRead(check, ['tooth 1', 'tooth 2'], {})).toMatchObject({ allRound: true, here: 'tooth 3' });
    expect(placeToRead(check, ['tooth 1'], { allRound: true })).toMatchObject({ here: 'tooth 2' });
    expect(placeToRead(check, ['tooth 1'], { at: 'tooth 1' })).toMatchObject({ here: 'tooth 1' });
  });

  it('is whole once every place is read that is to be read: of all round, all', () => {
    const of = { ...check, id: 'c' } as Check;
    const read = (...places: string[]) =>
      ({
        readings: places.map((place) => ({ checkId: 'c', positionId: 'p', place, struck: null })),
      }) as unknown as Parameters<typeof isWhole>[0];
    expect(isWhole(read('tooth 1'), of, 'p', {})).toBe(false);
    expect(isWhole(read('tooth 1', 'tooth 3'), of, 'p', {})).toBe(true);
    expect(isWhole(read('tooth 1', 'tooth 3'), of, 'p', { allRound: true })).toBe(false);
    expect(isWhole(read('tooth 1', 'tooth 2', 'tooth 3', 'tooth 4'), of, 'p', {})).toBe(true);
    // What was read of another part says nothing of this one.
    expect(isWhole(read('tooth 1', 'tooth 3'), of, 'q', {})).toBe(false);
  });
});
