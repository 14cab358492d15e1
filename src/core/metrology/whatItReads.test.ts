import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { backlashCheckOf } from '../rebuild/backlashCheck';
import { whatItReads } from './whatItReads';

/* Behaviour hangs on the definition that a check was made from, never on what somebody called it. */
describe('what a check reads', () => {
  it('is the same in every shipped type after every title was changed', () => {
    for (const type of shippedUnitTypes()) {
      const renamed = {
        ...type,
        checks: type.checks.map((check, at) => ({ ...check, title: `Reading ${at}` })),
      };
      const told = ({ checks }: typeof type) =>
        checks.filter(({ definition }) => definition !== undefined).map(whatItReads);
      expect(told(renamed), type.id).toEqual(told(type));
      for (const { id } of type.positions)
        expect(backlashCheckOf(renamed, id)?.id, `${type.id} ${id}`).toBe(backlashCheckOf(type, id)?.id);
    }
  });

  it('is the backlash of a check that is called tooth play, and not of one that only speaks of it', () => {
    expect(whatItReads({ definition: 'backlash', title: 'Tooth play', unit: 'mm' })).toBe('backlash');
    expect(whatItReads({ definition: 'end-float', title: 'Float, with the backlash set', unit: 'mm' })).toBe(
      undefined,
    );
  });

  it('is assumed by title and unit only where it was made from no definition', () => {
    expect(whatItReads({ title: 'Backlash', unit: 'mm' })).toBe('backlash');
    expect(whatItReads({ title: 'Turning torque', unit: 'Nm' })).toBe('turning-torque');
    expect(whatItReads({ title: 'Turning torque', unit: 'mm' })).toBeUndefined();
  });

  it('of the shipped types is told for every gear set that is set up: three have backlash at their ring', () => {
    const withBacklash = shippedUnitTypes()
      .filter(({ checks }) => checks.some((check) => whatItReads(check) === 'backlash'))
      .map(({ id }) => id);
    expect(withBacklash.sort()).toEqual(['marnholt-b2', 'torvane-hx41', 'torvane-lk43']);
  });
});
