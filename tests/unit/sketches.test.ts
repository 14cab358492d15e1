import fs from 'node:fs';
import path from 'node:path';
import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { drawSection } from '@/core/section/drawSection';
import { validateUnitType } from '@/core/unit-type/validate';
import { UNIT_FAMILIES, type UnitType, UnitTypeSchema } from '@/model/unitType';

/* One sketch of data for each family that ships no complete type yet: the proof that no family needs another schema. */

const FOLDER = path.join(import.meta.dirname, 'sketches');
const sketches: UnitType[] = fs
  .readdirSync(FOLDER)
  .map((file) => v.parse(UnitTypeSchema, JSON.parse(fs.readFileSync(path.join(FOLDER, file), 'utf8'))));
const named = (id: string) => sketches.find((sketch) => sketch.id === id)!;

describe('the sketches', () => {
  it('cover every family, together with the two complete types', () => {
    const covered = new Set(['countershaft', 'hypoid-axle', ...sketches.map(({ family }) => family)]);
    expect(UNIT_FAMILIES.filter((family) => family !== 'other' && !covered.has(family))).toEqual([]);
  });

  it.each(sketches.map((sketch) => [sketch.title, sketch] as const))(
    '%s has no fault that blocks train or section',
    (_, sketch) => {
      expect(validateUnitType(sketch).filter(({ blocks }) => blocks !== 'nothing')).toEqual([]);
    },
  );

  it.each(sketches.flatMap((sketch) => [1024, 1280].map((width) => [sketch.title, width, sketch] as const)))(
    '%s at %d px: drawn, on the sheet, no two labels on each other',
    (_, width, sketch) => {
      const section = drawSection(sketch, { width, height: 600, labels: true, states: new Map() });
      const notDrawn = section.notDrawn.map(
        (id) => sketch.positions.find((position) => position.id === id)?.draw?.shape,
      );
      // The chain is described already and will be drawn with the transfer case of its own.
      expect(notDrawn.filter((shape) => shape !== 'chain')).toEqual([]);
      const { labels } = section;
      const overlaps = labels.flatMap((a, index) =>
        labels
          .slice(index + 1)
          .filter(
            (b) => a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height,
          )
          .map((b) => `${a.title} / ${b.title}`),
      );
      expect(overlaps).toEqual([]);
      for (const box of section.boxes.values()) {
        expect(box.left).toBeGreaterThanOrEqual(0);
        expect(box.right).toBeLessThanOrEqual(width);
      }
    },
  );

  it('say what is peculiar to each family in the words of the one schema', () => {
    expect(named('sketch-transfer').meshes.map(({ kind }) => kind)).toContain('chain');
    expect(named('sketch-transfer').couplings.map(({ kind }) => kind)).toContain('lock');
    expect(
      named('sketch-epicyclic').couplings.filter(
        ({ kind, ties }) => kind === 'band' && ties.includes('case'),
      ),
    ).toHaveLength(2);
    expect(
      named('sketch-epicyclic').meshes.filter(({ internal, carrier }) => internal && carrier),
    ).toHaveLength(2);
    expect(
      named('sketch-locking-axle').positions.filter(({ orientation }) => orientation?.startsWith('Turns')),
    ).toHaveLength(2);
    expect(named('sketch-combined').axes).toHaveLength(3);
  });

  it('warn where planets can’t be spaced equally: 27 + 53 is divisible by 4, by 3 it is not', () => {
    const planetWarnings = (type: UnitType) =>
      validateUnitType(type).filter(({ message }) => message.includes('planets cannot be spaced'));
    const transfer = named('sketch-transfer');
    expect(planetWarnings(transfer)).toEqual([]);
    const three = {
      ...transfer,
      meshes: transfer.meshes.map((mesh) => (mesh.a === 'rr' ? { ...mesh, planets: 3 } : mesh)),
    };
    expect(planetWarnings(three)).toMatchObject([{ blocks: 'nothing' }]);
  });
});
