import { describe, expect, it } from 'vitest';
import { angleOf, placesOf, placesRound } from './places';

const every = { count: 4, word: 'tooth' };

describe('places of a check', () => {
  it('round the circle come in their order, whichever of them are required', () => {
    expect(placesOf({ every, places: ['tooth 1', 'tooth 3'] })).toEqual([
      'tooth 1',
      'tooth 2',
      'tooth 3',
      'tooth 4',
    ]);
    expect(placesOf({ every, places: ['at the mark'] })).toEqual([
      'tooth 1',
      'tooth 2',
      'tooth 3',
      'tooth 4',
      'at the mark',
    ]);
  });
  it('are one without a name where none is named', () => {
    expect(placesOf({})).toEqual(['']);
    expect(placesRound({})).toEqual([]);
  });
  it('lie evenly', () => {
    expect(['tooth 1', 'tooth 2', 'tooth 4', 'tooth 5'].map((place) => angleOf({ every }, place))).toEqual([
      0,
      90,
      270,
      undefined,
    ]);
  });
});
