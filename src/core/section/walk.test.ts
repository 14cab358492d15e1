import { describe, expect, it } from 'vitest';
import { walkFrom } from './walk';

// Two shafts, one over the other, and a cover on none.
const section = {
  walks: [['a', 'b', 'c'], ['p', 'q'], ['cover']],
  walk: ['a', 'b', 'c', 'p', 'q', 'cover'],
  anchors: new Map<string, readonly [number, number]>([
    ...([
      ['a', [0, 0]],
      ['b', [100, 0]],
      ['c', [200, 0]],
    ] as const),
    ...([
      ['p', [20, 90]],
      ['q', [190, 90]],
      ['cover', [100, 200]],
    ] as const),
  ]),
};

describe('arrows on the drawing', () => {
  it('go along the shaft, and on to the next at its end', () => {
    expect(walkFrom(section, 'a', 'ArrowRight')).toBe('b');
    expect(walkFrom(section, 'c', 'ArrowRight')).toBe('p');
    expect(walkFrom(section, 'a', 'ArrowLeft')).toBe('cover');
  });
  it('go to the nearest piece of the shaft below or above', () => {
    expect(walkFrom(section, 'a', 'ArrowDown')).toBe('p');
    expect(walkFrom(section, 'c', 'ArrowDown')).toBe('q');
    expect(walkFrom(section, 'q', 'ArrowUp')).toBe('c');
    expect(walkFrom(section, 'q', 'ArrowDown')).toBe('cover');
    expect(walkFrom(section, 'cover', 'ArrowDown')).toBe('b');
  });
});
