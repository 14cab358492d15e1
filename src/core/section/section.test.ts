import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { drawSection, type Section } from './drawSection';
import { boxesTouch, pointInside } from './geometry';
import { badgePlace } from './labels/labels';
import { bevelCone } from './pieces/bevelPiece';
import { drawnPitchRadius } from './pieces/pieceOf';
import { gatherPieces } from './reach';
import type { SectionOptions } from './sectionOptions';
import { plateBox } from './toothPlates';

const options = (width: number, over: Partial<SectionOptions> = {}): SectionOptions => ({
  width,
  height: Math.round(width * 0.55),
  states: new Map(),
  labels: true,
  ...over,
});
/** Every fourth part is opened in `npm test`, each in `npm run test:full`: labels are spread anew for each of them. */
const opened = (parts: readonly string[]) =>
  parts.filter((_, at) => process.env.STEREOTOME_FULL !== undefined || at % 4 === 0);
const overlaps = (labels: Section['labels']) =>
  labels.flatMap((a, index) =>
    labels
      .slice(index + 1)
      .filter(
        (b) => a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height,
      )
      .map((b) => `${a.title} / ${b.title}`),
  );

describe.each(shippedUnitTypes().map((type) => [type.title, type] as const))(
  'the section of %s',
  (_, type) => {
    describe.each([1024, 1280])('at %d px', (width) => {
      const section = drawSection(type, options(width));

      it('lets the pitch lines of meshing gears coincide within half a pixel', () => {
        for (const mesh of type.meshes) {
          const [a, b] = [mesh.a, mesh.b].map((id) => type.gears.find((gear) => gear.id === id)!);
          const axisOf = (gear: typeof a) =>
            type.axes.find(
              ({ id }) => id === type.positions.find((position) => position.id === gear!.position)!.axis,
            )!;
          if (['spur', 'helical', 'internal'].includes(a!.kind)) {
            if (mesh.centreDistance !== undefined || mesh.kind !== 'gears') continue;
            const orbit = [a!, b!]
              .map((gear) => type.positions.find(({ id }) => id === gear.position)!.orbit)
              .find((each) => each !== undefined);
            const distance = orbit ?? Math.abs(axisOf(a).origin[1] - axisOf(b).origin[1]);
            const [first, second] = [drawnPitchRadius(type, a!), drawnPitchRadius(type, b!)];
            const gap = (mesh.internal ? Math.abs(first - second) : first + second) - distance;
            expect(Math.abs(gap) * section.scale, `${mesh.a} with ${mesh.b}`).toBeLessThan(0.5);
          } else if (a!.kind === 'bevel' || a!.kind === 'hypoid') {
            // Crossing at a right angle: one heel's distance along its axis is the other's radius.
            const [first, second] = [bevelCone(a!, b!.teeth), bevelCone(b!, a!.teeth)];
            expect(Math.abs(first.heel[0] - second.heel[1]) * section.scale).toBeLessThan(0.5);
            expect(Math.abs(first.heel[1] - second.heel[0]) * section.scale).toBeLessThan(0.5);
          }
        }
      });

      it('lets no two labels overlap, nor leave the sheet, whichever part is open', () => {
        for (const selected of [undefined, ...opened(section.walk)]) {
          const { labels } = drawSection(type, options(width, { selected }));
          expect(overlaps(labels)).toEqual([]);
          for (const label of labels) {
            expect(label.x, label.title).toBeGreaterThanOrEqual(0);
            expect(label.x + label.width, label.title).toBeLessThanOrEqual(width);
          }
          if (selected) expect(labels.map(({ positionId }) => positionId)).toContain(selected);
        }
      });

      it('lets every position be reached by pointer', () => {
        for (const id of section.walk) {
          const reachable = section.marks.some(
            (mark) =>
              'area' in mark &&
              mark.area.positionId === id &&
              gatherPieces(section, pointInside(mark.area.points)).includes(id),
          );
          expect(reachable, id).toBe(true);
        }
      });

      it('walks every position once by keyboard', () => {
        expect([...section.walk, ...section.notDrawn].sort()).toEqual(
          type.positions.map(({ id }) => id).sort(),
        );
      });

      it('stays on the sheet', () => {
        for (const [id, box] of section.boxes) {
          expect(box.left, id).toBeGreaterThanOrEqual(0);
          expect(box.right, id).toBeLessThanOrEqual(width);
          expect(box.top, id).toBeGreaterThanOrEqual(0);
          expect(box.bottom, id).toBeLessThanOrEqual(section.height);
        }
      });
    });

    it('draws as many tooth lands as half the teeth that face us', () => {
      const section = drawSection(type, options(1280));
      for (const gear of type.gears.filter(({ kind }) => kind === 'spur' || kind === 'helical')) {
        const lands = section.marks.filter(
          (mark) => 'area' in mark && mark.area.positionId === gear.position && mark.area.tone === 'land',
        ).length;
        if (lands === 0) continue;
        // Half of the gear faces us, half of that lies on this side of its axis; edges and shear add a few.
        expect(Math.abs(lands - gear.teeth / 4), gear.id).toBeLessThanOrEqual(gear.teeth / 4 + 2);
      }
    });

    it('reverses the hatching where two cut pieces of the same axis touch, mostly', () => {
      const section = drawSection(type, options(1280));
      const angles = new Set(
        section.marks.flatMap((mark) => ('area' in mark && mark.area.hatch ? [mark.area.hatch.angle] : [])),
      );
      expect(angles).toEqual(new Set([45, -45]));
    });
  },
);

describe('tooth plates and broken lines', () => {
  const box = shippedUnitTypes().find(({ id }) => id === 'skell-five')!;
  const section = drawSection(box, options(1280));

  it('name the true count on each gear, and none lies on another', () => {
    expect(section.plates.map(({ text }) => text).sort()).toEqual([
      '14',
      '15',
      '20',
      '21',
      '22',
      '25',
      '28',
      '32',
      '35',
      '38',
      '39',
      '41',
      '45',
    ]);
    for (const [index, plate] of section.plates.entries()) {
      for (const other of section.plates.slice(index + 1))
        expect(boxesTouch(plateBox(plate), plateBox(other), 0), `${plate.text} / ${other.text}`).toBe(false);
    }
  });

  it('lead from the idler to the mate that it can’t touch on the sheet, from pitch line to pitch line', () => {
    const broken = section.marks.flatMap((mark) =>
      'line' in mark && mark.line.kind === 'broken' ? [mark.line] : [],
    );
    expect(broken).toHaveLength(1);
    const [idler, reverse] = [broken[0]!.points[0]!, broken[0]!.points.at(-1)!];
    // By hand: reverse gear 41·2.5/2 = 51.25 below the main axis, idler 20·2.5/2 = 25 above its own at 122.5: 46.25 mm apart.
    expect((idler[1] - reverse[1]) / section.scale).toBeCloseTo(122.5 - 25 - 51.25, 6);
  });

  it('stamp each stack’s letter on its leader, between label and piece', () => {
    const stamped = section.labels.filter(({ badge }) => badge);
    expect(stamped.map(({ badge }) => badge).sort()).toEqual(['A', 'C']);
    for (const label of stamped) {
      const [x, y] = badgePlace(label);
      const [[kx, ky], [ax, ay]] = [label.leader.at(-2)!, label.leader.at(-1)!];
      expect(Math.hypot(x - ax, y - ay) + Math.hypot(x - kx, y - ky)).toBeCloseTo(
        Math.hypot(kx - ax, ky - ay),
        6,
      );
    }
  });
});

describe('bevelCone', () => {
  it('follows hand figures for 11/41 at module 4.2', () => {
    // δ₂ = atan(41/11) = 74.98°; R = 4.2·41/2 = 86.1; distance along the axis 86.1/tan δ₂ = 4.2·11/2 = 23.1.
    const ring = {
      id: 'r',
      position: 'p',
      teeth: 41,
      kind: 'hypoid' as const,
      module: 4.2,
      pressureAngleDeg: 20,
      profileShift: 0,
      faceWidth: 26,
    };
    const { heel, toe } = bevelCone(ring, 11);
    expect(heel[0]).toBeCloseTo(23.1, 6);
    expect(heel[1]).toBeCloseTo(86.1, 6);
    // Cone distance √(86.1² + 23.1²) = 89.145; the toe is 26 mm nearer the apex.
    expect(Math.hypot(...heel) - Math.hypot(...toe)).toBeCloseTo(26, 6);
  });
});
