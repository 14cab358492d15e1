import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { endViews } from './endView';
import { holdsPoint, type Point } from './geometry';

const typeOf = (id: string) => shippedUnitTypes().find((type) => type.id === id)!;

/** Corners of one outline that lie inside the metal of another. */
const bitten = (outline: readonly Point[], other: readonly Point[]) =>
  outline.filter((point) => holdsPoint(other, point)).length;

describe('the end view of an epicyclic', () => {
  it('shows each set with its planets and says how they are spaced', () => {
    // By hand: (27 + 53)/4 = 20, (30 + 66)/4 = 24, (24 + 60)/3 = 28.
    expect(endViews(typeOf('orlop-t2')).map(({ spacing }) => spacing)).toEqual([
      '4 planets, equally spaced: 27 + 53 = 4 × 20',
    ]);
    expect(endViews(typeOf('ostrevik-w3')).map(({ carrier, spacing }) => [carrier, spacing])).toEqual([
      ['mid', '4 planets, equally spaced: 30 + 66 = 4 × 24'],
      ['out', '3 planets, equally spaced: 24 + 60 = 3 × 28'],
    ]);
    expect(endViews(typeOf('skell-five'))).toEqual([]);
  });

  it('draws every tooth, six corners each', () => {
    const [view] = endViews(typeOf('orlop-t2'));
    for (const { outline, teeth } of view!.gears) expect(outline).toHaveLength(6 * teeth);
    expect(view!.gears.map(({ teeth }) => teeth)).toEqual([53, 27, 13, 13, 13, 13]);
  });

  it.each(['orlop-t2', 'ostrevik-w3'])('lets no tooth of %s stand in the metal of its mate', (id) => {
    for (const { gears } of endViews(typeOf(id))) {
      const [ring, sun, ...planets] = gears;
      for (const planet of planets) {
        expect(bitten(planet.outline, sun!.outline) + bitten(sun!.outline, planet.outline)).toBe(0);
        // The ring's metal lies outside its outline: no corner of a planet may.
        expect(planet.outline.filter((point) => !holdsPoint(ring!.outline, point))).toEqual([]);
      }
    }
  });

  it('tells planets that can’t be spaced equally', () => {
    const type = typeOf('orlop-t2');
    const three = {
      ...type,
      meshes: type.meshes.map((mesh) => ({ ...mesh, ...(mesh.planets ? { planets: 3 } : {}) })),
    };
    expect(endViews(three)[0]?.spacing).toBe(
      '3 planets can’t be spaced equally: 27 + 53 = 80 is no multiple of 3',
    );
  });
});
