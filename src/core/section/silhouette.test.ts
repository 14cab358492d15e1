import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { silhouette } from './silhouette';

describe('a unit’s silhouette', () => {
  it('is its own section: no two types look alike, each fits its place', () => {
    const shapes = shippedUnitTypes().map((type) => silhouette(type, { width: 250, height: 84 })!);
    expect(new Set(shapes.map(({ svg }) => svg)).size).toBe(shapes.length);
    for (const { width, height, svg } of shapes) {
      expect(width).toBeLessThanOrEqual(254);
      expect(height).toBeLessThanOrEqual(88);
      // Within its box: no figure of a path lies outside it.
      const figures = [...svg.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => [
        Number(x),
        Number(y),
      ]);
      expect(figures.length).toBeGreaterThan(50);
      expect(figures.every(([x, y]) => x! >= 0 && x! <= width && y! >= 0 && y! <= height)).toBe(true);
    }
  });

  it('is nothing where nobody has described what there is to draw', () => {
    const [type] = shippedUnitTypes();
    expect(silhouette({ ...type!, axes: [] }, { width: 250, height: 84 })).toBeUndefined();
    expect(silhouette({ ...type!, positions: [], meshes: [] }, { width: 250, height: 84 })).toBeUndefined();
  });
});
