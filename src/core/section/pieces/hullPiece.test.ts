import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import type { UnitType } from '@/model/unitType';
import { drawSection } from '../drawSection';
import { frameOf } from '../frame';
import { distanceTo, type Point } from '../geometry';

const typeOf = (id: string) => shippedUnitTypes().find((type) => type.id === id)!;
const cast = shippedUnitTypes().filter(({ positions }) =>
  positions.some(({ draw }) => draw?.shape === 'hull'),
);
const drawn = (type: UnitType) =>
  drawSection(type, { width: 1280, height: 760, labels: false, states: new Map() });

/** Whether a point of the sheet, in millimetres, lies in cast metal. */
function inMetal(type: UnitType): (point: Point) => boolean {
  const section = drawn(type);
  const metal = section.marks.flatMap((mark) =>
    'area' in mark && mark.area.tone === 'case' ? [mark.area] : [],
  );
  return ([x, y]) => {
    const at: Point = [section.origin[0] + x * section.scale, section.origin[1] + y * section.scale];
    return metal.some(({ points, holes }) => distanceTo(points, at, holes) === 0);
  };
}

describe.each(cast.map((type) => [type.title, type] as const))('the casting of %s', (_, type) => {
  const isMetal = inMetal(type);
  const placed = (id: string) => {
    const position = type.positions.find((each) => each.id === id)!;
    return { position, frame: frameOf(type.axes.find((axis) => axis.id === position.axis)!) };
  };

  it('seats every bearing that sits in the case: metal just outside of its outer race, none within', () => {
    const seated = type.bearings.filter(({ outer, kind }) => outer === 'case' && kind !== 'bush');
    for (const id of seated.flatMap(({ positions }) => positions)) {
      const { position, frame } = placed(id);
      const { draw, from = 0, to = 0 } = position;
      if (draw?.shape !== 'bearing') continue;
      const middle = (from + to) / 2;
      for (const side of ['plus', 'minus'] as const)
        expect(isMetal(frame.at(middle, (draw.bore + draw.outer) / 2, side)), id).toBe(false);
      const seat = (['plus', 'minus'] as const).some((side) =>
        isMetal(frame.at(middle, draw.outer + 2, side)),
      );
      expect(seat, id).toBe(true);
    }
  });

  it('leaves everything that turns free', () => {
    for (const { id, body, draw, orbit } of type.positions) {
      if (body === 'case' || orbit !== undefined || draw?.shape !== 'gear') continue;
      const { position, frame } = placed(id);
      const middle = ((position.from ?? 0) + (position.to ?? 0)) / 2;
      for (const side of ['plus', 'minus'] as const)
        expect(isMetal(frame.at(middle, draw.bore + 1, side)), id).toBe(false);
    }
  });

  it('lets every shaft out through its seals', () => {
    for (const { id, draw } of type.positions) {
      if (draw?.shape !== 'seal') continue;
      const { position, frame } = placed(id);
      const { from = 0, to = 0 } = position;
      for (let along = from - 12; along <= to + 12; along += 2)
        expect(isMetal(frame.at(along, 0, 'plus')), id).toBe(false);
    }
  });

  it('parts along one plane: no half reaches over it', () => {
    const section = drawn(type);
    for (const { id, draw } of type.positions) {
      if (draw?.shape !== 'hull' || !draw.part) continue;
      const { across, from, to } = draw.part;
      const box = section.boxes.get(id)!;
      const at = (place: number) => section.origin[across === 'x' ? 0 : 1] + place * section.scale;
      const [low, high] = across === 'x' ? [box.left, box.right] : [box.top, box.bottom];
      if (from !== null) expect(low).toBeGreaterThanOrEqual(at(from) - 0.5);
      if (to !== null) expect(high).toBeLessThanOrEqual(at(to) + 0.5);
    }
  });
});

describe('a casting', () => {
  it('holds nothing where there is nothing, and stands as far off as it is told', () => {
    const empty = { ...typeOf('orlop-t2'), positions: typeOf('orlop-t2').positions.slice(0, 2) };
    expect(drawn(empty).walk).toEqual([]);
    // One block 100 long, radius 20, on an axis; clearance 10, wall 5.
    const block: UnitType = {
      ...empty,
      axes: [{ id: 'a', name: 'A', origin: [0, 0], direction: [1, 0], cut: 'both', from: 0, to: 100 }],
      bodies: [{ id: 'b', name: 'B', axis: 'a' }],
      bearings: [],
      gears: [],
      positions: [
        {
          id: 'case',
          name: 'Case',
          family: 'housing',
          body: 'case',
          draw: { shape: 'hull', clearance: 10, wall: 5, sweep: 4 },
        },
        {
          id: 'block',
          name: 'Block',
          family: 'housing',
          body: 'b',
          axis: 'a',
          from: 0,
          to: 100,
          draw: { shape: 'ring', inner: 5, outer: 20 },
        },
      ],
    };
    const isMetal = inMetal(block);
    expect([29, 31, 34, 36].map((y) => isMetal([50, -y]))).toEqual([false, true, true, false]);
    expect([-9, -11, -14, -16].map((x) => isMetal([x, 0]))).toEqual([false, true, true, false]);
  });
});
