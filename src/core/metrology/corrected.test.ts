import { describe, expect, it } from 'vitest';
import type { RecordContent } from '@/model/recordKinds';
import type { BenchRecord, Reading } from '@/model/snapshot';
import { corrected, movesByOne } from './corrected';

const taken = { author: 'Mirel', authorId: 'm', deviceTime: '', receivedAt: '', struck: null };
const reading = (id: string, place: string): Reading => ({
  ...{ ...taken, id, place, positionId: 'ring', checkId: 'backlash', raw: '0.2', unit: 'mm', value: 0.2 },
  ...{ gaugeId: 'dial', temperatureC: null },
});
const record = (id: string, content: RecordContent, over: object = {}): BenchRecord => ({
  ...{ ...taken, id, content, author: 'Jonas' },
  ...over,
});
const moved = (moves: [string, string][]): RecordContent => ({
  what: 'readings-moved',
  moves: moves.map(([readingId, place]) => ({ readingId, place })),
  reason: 'began a tooth late',
});
const READINGS = [reading('a', 'tooth 1'), reading('b', 'tooth 2'), reading('c', 'tooth 3')];

describe('readings as they count', () => {
  it('are the same list where nothing was put right', () => {
    expect(corrected(READINGS, [record('r', { what: 'order', why: 'x' })])).toBe(READINGS);
  });

  it('stand at the place that they belong to, and say where they were taken', () => {
    const result = corrected(READINGS, [record('r', moved([['b', 'tooth 5']]))]);
    expect(result.map(({ place }) => place)).toEqual(['tooth 1', 'tooth 5', 'tooth 3']);
    expect(result[1]?.corrected).toEqual({
      ...{ place: 'tooth 2', gaugeId: 'dial', by: 'Jonas', reason: 'began a tooth late' },
    });
    expect(result[0]).toBe(READINGS[0]);
  });

  it('take a later correction upon an earlier one, and none that was struck out', () => {
    const struck = { struck: { at: '', by: '', reason: '', slip: true } };
    const gauge: RecordContent = { what: 'reading-gauge', readingId: 'b', gaugeId: 'pin', reason: 'the pin' };
    const result = corrected(READINGS, [
      record('1', moved([['b', 'tooth 5']])),
      record('2', moved([['b', 'tooth 9']]), struck),
      record('3', gauge),
    ]);
    expect(result[1]).toMatchObject({ place: 'tooth 5', gaugeId: 'pin', corrected: { gaugeId: 'dial' } });
  });

  it('name nothing that is not there', () => {
    expect(corrected(READINGS, [record('r', moved([['z', 'tooth 5']]))])).toBe(READINGS);
  });
});

describe('a run that slipped by a place', () => {
  const places = ['tooth 1', 'tooth 2', 'tooth 3', 'tooth 4'];

  it('is moved from one reading on, round the circle where it is one', () => {
    expect(movesByOne(READINGS, places, 'b', 1, false)).toEqual([
      { readingId: 'b', place: 'tooth 3' },
      { readingId: 'c', place: 'tooth 4' },
    ]);
    expect(movesByOne([reading('z', 'tooth 4')], places, 'z', 1, true)).toEqual([
      { readingId: 'z', place: 'tooth 1' },
    ]);
    expect(movesByOne(READINGS, places, 'a', -1, true)?.[0]).toEqual({ readingId: 'a', place: 'tooth 4' });
  });

  it('is left where one of it would fall off the end', () => {
    expect(movesByOne([reading('z', 'tooth 4')], places, 'z', 1, false)).toBeUndefined();
    expect(movesByOne(READINGS, places, 'a', -1, false)).toBeUndefined();
  });
});
