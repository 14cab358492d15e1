import { describe, expect, it } from 'vitest';
import type { BenchRecord } from '@/model/snapshot';
import { identityOfPart, tellIdentity } from './identityOfPart';

const records = (...contents: object[]) =>
  contents.map((content, at) => ({ id: `r${at}`, struck: null, content })) as unknown as BenchRecord[];
const bearing = { id: 'b', name: 'Bearing', family: 'rolling-bearing' } as const;
const mark = (words: string) => ({ what: 'mark-read', positionId: 'b', mark: words });
const bore = (value: number) => ({ what: 'identity-measured', positionId: 'b', key: 'bore', value });

describe('what tells a part from one that looks like it', () => {
  it('is what was read and measured last, in words', () => {
    const found = identityOfPart(bearing, { records: records(mark('6204'), mark('6205'), bore(25)) });
    expect(found).toMatchObject({ mark: '6205', against: '' });
    expect(tellIdentity(found)).toBe('marked 6205, bore 25 mm');
  });
  // By the bore code: 05 is 25 mm.
  it('speaks against itself where the number is of another bore', () => {
    const found = identityOfPart(bearing, { records: records(mark('6205'), bore(30)) });
    expect(tellIdentity(found)).toBe(
      'marked 6205, bore 30 mm; The number 6205 is of a bore of 25 mm, and 30.0 was measured',
    );
  });
  it('is of this part alone, and of nothing where nobody looked', () => {
    const other = { ...bearing, id: 'other' };
    expect(tellIdentity(identityOfPart(other, { records: records(mark('6205')) }))).toBe('');
  });
  it('says nothing against a mark on a casting', () => {
    const casting = { ...bearing, family: 'housing' } as const;
    expect(identityOfPart(casting, { records: records(mark('6205'), bore(30)) }).against).toBe('');
  });
});
