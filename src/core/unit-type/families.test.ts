import { describe, expect, it } from 'vitest';
import { cautions } from '@/catalog/cautions.json';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { UNIT_FAMILIES, type UnitType } from '@/model/unitType';
import { validateUnitType } from './validate';

/* One complete type for each family: the proof that no family needs another schema. */

const types = shippedUnitTypes();
const named = (id: string) => types.find((type) => type.id === id)!;

describe('the shipped types', () => {
  it('cover every family', () => {
    const covered = new Set(types.map(({ family }) => family));
    expect(UNIT_FAMILIES.filter((family) => family !== 'other' && !covered.has(family))).toEqual([]);
  });

  it.each(types.map((type) => [type.title, type] as const))('%s is described to the end', (_, type) => {
    for (const list of [
      'bearings',
      'stacks',
      'sets',
      'checks',
      'steps',
      'weaknesses',
      'parts',
      'states',
    ] as const)
      expect(type[list].length, list).toBeGreaterThan(0);
    expect(type.oil).toBeDefined();
    expect(type.power).toBeDefined();
    expect(type.sources).not.toEqual([]);
    expect(type.positions.some(({ oneUse }) => oneUse)).toBe(true);
    expect(type.positions.some(({ quantity }) => quantity)).toBe(true);
    expect(type.steps.some(({ torque }) => torque)).toBe(true);
    expect(type.checks.some(({ limits }) => limits.length > 0)).toBe(true);
    const known = new Set(cautions.map(({ id }) => id));
    const named = type.steps.flatMap(({ cautions }) => cautions);
    expect(named.length).toBeGreaterThan(2);
    expect(named.filter((id) => !known.has(id))).toEqual([]);
  });

  it('say what is peculiar to each family in the words of the one schema', () => {
    const transfer = named('orlop-t2');
    expect(transfer.meshes.map(({ kind }) => kind)).toContain('chain');
    expect(transfer.couplings.map(({ kind }) => kind)).toContain('lock');
    const winch = named('ostrevik-w3');
    expect(winch.couplings.filter(({ kind, ties }) => kind === 'band' && ties.includes('case'))).toHaveLength(
      2,
    );
    expect(winch.couplings.map(({ kind }) => kind)).toContain('clutch');
    expect(winch.meshes.filter(({ internal, carrier }) => internal && carrier)).toHaveLength(2);
    expect(
      named('torvane-lk43').positions.filter(({ orientation }) => orientation?.startsWith('Turns')),
    ).toHaveLength(2);
    expect(named('skell-t5').axes.filter(({ direction }) => direction[1] === 0)).toHaveLength(4);
  });

  it('warn where planets can’t be spaced equally: 27 + 53 is divisible by 4, by 3 it is not', () => {
    const planetWarnings = (type: UnitType) =>
      validateUnitType(type).filter(({ message }) => message.includes('planets cannot be spaced'));
    const transfer = named('orlop-t2');
    expect(planetWarnings(transfer)).toEqual([]);
    const three = {
      ...transfer,
      meshes: transfer.meshes.map((mesh) => (mesh.a === 'rr' ? { ...mesh, planets: 3 } : mesh)),
    };
    expect(planetWarnings(three)).toMatchObject([{ blocks: 'nothing' }]);
  });

  it('take the distance of a planet from its sun where it is described, on its orbit', () => {
    const transfer = named('orlop-t2');
    const off = {
      ...transfer,
      positions: transfer.positions.map((position) =>
        position.id === 'range-planets' ? { ...position, orbit: 53 } : position,
      ),
    };
    // By hand: 2.5·(27 + 13)/2 = 50.
    expect(validateUnitType(off).map(({ message }) => message)).toContain(
      'the teeth of rs and rp ask for 50.00 mm between their axes, there are 53.00',
    );
  });
});
