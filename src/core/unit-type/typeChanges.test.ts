import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import type { UnitType } from '@/model/unitType';
import { TYPE_LISTS } from './lists';
import { added, placeOfFault } from './templates';
import { typeChanges } from './typeChanges';

const box = shippedUnitTypes().find(({ id }) => id === 'skell-t5')!;

describe('what a revision changes', () => {
  it('is nothing when nothing is different', () => {
    expect(typeChanges(box, structuredClone(box))).toEqual([]);
  });
  it('is told by name: what is new, gone and different; checks have a list of their own', () => {
    const next: UnitType = {
      ...box,
      title: 'Another title',
      positions: [
        ...box.positions.filter(({ id }) => id !== 'fork-12'),
        { id: 'magnet', name: 'Magnet', family: 'fastener-seal' },
      ],
      gears: box.gears.map((gear) => (gear.id === 'o3' ? { ...gear, teeth: 38 } : gear)),
      meshes: box.meshes.slice(1),
      checks: [],
    };
    expect(typeChanges(box, next)).toEqual([
      'of the unit itself: title',
      '1 part is new: Magnet',
      '1 part is gone: 1–2 fork',
      '1 gear is different: o3',
      '1 mesh is gone: i1 o1',
    ]);
  });
  it('names four and counts the rest', () => {
    const [sentence] = typeChanges(box, { ...box, steps: [] });
    expect(sentence).toMatch(/^11 steps of the strip are gone: .+, .+ and 7 more$/);
  });
});

describe('a new entry', () => {
  it('gets an id that is free in every list, and stands last', () => {
    for (const list of TYPE_LISTS) {
      const twice = added(added({}, list), list)[list] as readonly { id?: string }[];
      expect(twice).toHaveLength(2);
      if (twice[0]!.id) expect(twice[0]!.id).not.toBe(twice[1]!.id);
    }
  });
});

describe('the place of a fault', () => {
  it.each([
    ['positions.12.draw.bore', { list: 'positions', index: 12 }],
    ['states.0', { list: 'states', index: 0 }],
    ['gears', { list: 'gears', index: 0 }],
    ['title', { list: 'unit', index: 0 }],
    ['power.outputs.0.body', { list: 'unit', index: 0 }],
  ])('of %s is found in the editor', (path, place) => {
    expect(placeOfFault(path)).toEqual(place);
  });
});
