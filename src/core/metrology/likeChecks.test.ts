import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { likeChecks } from './likeChecks';

const typeOf = (id: string) => shippedUnitTypes().find((type) => type.id === id)!;
const like = (type: string, id: string) => {
  const { checks } = typeOf(type);
  return likeChecks(checks.find((check) => check.id === id)!, checks).map(({ positionId }) => positionId);
};

describe('like checks', () => {
  it('are those of one definition at the same places: the reserve of five rings', () => {
    expect(like('skell-five', 'ring-1-gap')).toEqual(['ring-1', 'ring-2', 'ring-3', 'ring-4', 'ring-5']);
    expect(like('skell-t5', 'gear-2-float')).toEqual(['gear-1', 'gear-2', 'gear-3', 'gear-4', 'gear-5']);
  });
  it('keep apart what is read at other places or is another check of the same part', () => {
    expect(like('skell-five', 'ring-3-diameters')).toEqual(['ring-3']);
    // Two end floats that are read at one place each, of two shafts.
    expect(like('skell-five', 'counter-float')).toEqual(['cluster', 'shim-input']);
    const { checks } = typeOf('skell-five');
    const gap = checks.find(({ id }) => id === 'ring-1-gap')!;
    const fewer = { ...gap, id: 'x', places: ['0°'] };
    expect(likeChecks(fewer, [...checks, fewer]).map(({ check }) => check.id)).toEqual(['x']);
  });
});
