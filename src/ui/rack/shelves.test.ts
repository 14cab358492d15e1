import { describe, expect, it } from 'vitest';
import type { RackEntry } from '@/model/snapshot';
import { shelvesOf } from './shelves';

const entry = (peg: number, unitFamily: string, weightKg: number | null): RackEntry => ({
  peg,
  jobId: `j${peg}`,
  title: 'Unit',
  machine: '',
  customer: '',
  unitFamily,
  unitTypeId: 't',
  unitTypeRevision: 1,
  weightKg,
  waitsFor: '',
  hold: '',
  dueOn: '2026-11-24',
  station: 'grade',
  stationOpen: 0,
  asked: 0,
  trouble: '',
});

describe('shelvesOf', () => {
  it('puts every unit on exactly one shelf, by weight', () => {
    const entries = [
      entry(1, 'bevel-box', null),
      entry(2, 'countershaft', 100),
      entry(3, 'hypoid-axle', null),
      entry(4, 'other', 60),
      entry(5, 'other', 180.5),
    ];
    const pegs = shelvesOf(entries).map((shelf) => shelf.entries.map(({ peg }) => peg));
    expect(pegs).toEqual([[1, 4], [2], [3, 5]]);
  });
});
