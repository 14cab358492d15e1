import { describe, expect, it } from 'vitest';
import type { RecordContent } from '@/model/recordKinds';
import type { BenchRecord } from '@/model/snapshot';
import { openHolds, tellHold } from './holds';

const record = (id: string, content: RecordContent, struck = false): BenchRecord =>
  ({ id, content, struck: struck ? { at: '', by: '', reason: '', slip: false } : null }) as BenchRecord;
const held = (id: string, whoActs = '') =>
  record(id, { what: 'held', reason: `reason ${id}`, station: 'decide', whoActs });
const lift = (id: string, holdId: string, struck = false) =>
  record(id, { what: 'hold-lifted', holdId, note: '' }, struck);

describe('the holds of a job', () => {
  it('stand until they are lifted, each by itself', () => {
    const open = (...records: BenchRecord[]) => openHolds(records).map(({ id }) => id);
    expect(open(held('a'), held('b'), lift('x', 'a'))).toEqual(['b']);
    expect(open(held('a'), lift('x', 'a'), held('c'))).toEqual(['c']);
    // Whoever takes the lifting back puts the job on hold again.
    expect(open(held('a'), lift('x', 'a', true))).toEqual(['a']);
  });
  it('say whose turn it is, where somebody said so', () => {
    expect(openHolds([held('a', 'the customer')]).map(tellHold)).toEqual(['reason a; the customer to act']);
    expect(openHolds([held('a')]).map(tellHold)).toEqual(['reason a']);
  });
});
