import { describe, expect, it } from 'vitest';
import { callouts, cutTo, twoLines } from './callouts';
import { textWidth } from './labels/textWidth';

const row = { from: 0, to: 300, at: 200, side: 'bottom' } as const;

describe('plates under a drawing', () => {
  it('stand in the order of what they point at, side by side, and their leaders end there', () => {
    const placed = callouts(
      [
        { id: 'b', anchor: [150, 50], size: 80 },
        { id: 'a', anchor: [140, 20], size: 80 },
        { id: 'c', anchor: [290, 60], size: 80 },
      ],
      row,
    );
    expect(placed.map(({ id }) => id)).toEqual(['a', 'b', 'c']);
    placed.reduce((before, each) => {
      expect(each.middle - before.middle).toBeGreaterThanOrEqual(88 - 1e-9);
      return each;
    });
    expect(placed[0]!.middle - 40).toBeGreaterThanOrEqual(0);
    expect(placed[2]!.middle + 40).toBeLessThanOrEqual(300);
    expect(placed.map(({ leader }) => leader.at(-1))).toEqual([
      [140, 20],
      [150, 50],
      [290, 60],
    ]);
    expect(placed[0]!.leader[0]).toEqual([placed[0]!.middle, 200]);
  });

  it('say what fits and tell that they were cut', () => {
    const long = 'Bearing of the input shaft, rear';
    expect(cutTo('short', 90, 13, 400)).toBe('short');
    expect(cutTo(long, 90, 13, 400)).toMatch(/^Bearing.*…$/);
    expect(textWidth(cutTo(long, 90, 13, 400), 13, 400)).toBeLessThanOrEqual(90);
    const lines = twoLines(long, 120, 13, 400);
    expect(lines).toHaveLength(2);
    expect(lines[0]).toBe('Bearing of the input');
    expect(twoLines('one word', 200, 13, 400)).toEqual(['one word']);
  });
});
