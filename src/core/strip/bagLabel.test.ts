import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { meaningOf, readLabel } from './bagLabel';

const box = shippedUnitTypes().find(({ id }) => id === 'skell-five')!;
const means = (text: string) => meaningOf(readLabel(text, 412), { peg: 412 }, box);

describe('the label of a bag', () => {
  it.each([
    ['https://bench.shop.lan:4343/jobs/412?part=gear-3', 'gear-3'],
    ['http://127.0.0.1:4310/jobs/412?face=look&part=gear-3', 'gear-3'],
    ['412 · bag 2', 'middle-plate'],
    ['412 bag 2', 'middle-plate'],
    ['412-2', 'middle-plate'],
    ['412 2', 'middle-plate'],
    [' 2 ', 'middle-plate'],
    ['bag 2', 'middle-plate'],
  ])('“%s” opens %s', (text, positionId) => {
    expect(means(text)).toMatchObject({ kind: 'part', positionId });
  });

  it('of another job opens nothing and says whose it is', () => {
    for (const text of ['http://127.0.0.1:4310/jobs/409?part=gear-3', '409 bag 2'])
      expect(means(text)).toMatchObject({
        kind: 'other-job',
        peg: 409,
        words: expect.stringContaining('not to 412'),
      });
  });

  it('that names nothing of this unit, or is none, is told in words', () => {
    expect(means('412 bag 0')).toMatchObject({ kind: 'unknown', words: expect.stringContaining('no bag 0') });
    expect(means('bag 999')).toMatchObject({ words: 'Peg 412 has no bag 999: there are 69 bags.' });
    expect(means('http://a/jobs/412?part=wing')).toMatchObject({ words: expect.stringContaining('“wing”') });
    for (const text of ['', 'oil 5', 'http://elsewhere.test/jobs', '12345678'])
      expect(means(text)).toMatchObject({ words: expect.stringContaining('no label of a bag') });
  });
});
