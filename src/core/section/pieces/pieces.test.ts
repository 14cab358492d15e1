import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import type { Axis } from '@/model/draw';
import { type Gear, GearSchema } from '@/model/train';
import { type Position, type UnitType, UnitTypeSchema } from '@/model/unitType';
import { drawSection } from '../drawSection';
import { frameOf } from '../frame';
import { boxOf, distanceTo, holdsPoint, type Point, pointInside } from '../geometry';
import { hatchAngles } from '../hatching';
import { freeColumn } from '../labels/freeColumn';
import { labelWidth, placeLabels } from '../labels/labels';
import { textWidth } from '../labels/textWidth';
import { gatherPieces } from '../reach';
import { bearingPiece } from './bearingPiece';
import { gearPiece } from './gearPiece';
import { outerEnvelope, revolve } from './revolve';
import { shaftPiece } from './shaftPiece';
import { boltsPiece, sealPiece } from './smallPieces';

const axis = (over: Partial<Axis> = {}): Axis => ({
  id: 'a',
  name: 'A',
  origin: [0, 0],
  direction: [1, 0],
  cut: 'plus',
  from: -10,
  to: 110,
  ...over,
});
const gear = (over: object = {}): Gear =>
  v.parse(GearSchema, { id: 'g', position: 'p', teeth: 30, kind: 'spur', module: 2, faceWidth: 20, ...over });
const tones = (areas: readonly { tone: string }[]) => areas.map(({ tone }) => tone);

describe('an axis as a frame', () => {
  it('has its plus side above when it runs right, since y runs down', () => {
    const { at, cutSides, facingSides } = frameOf(axis());
    expect(at(30, 5, 'plus')).toEqual([30, -5]);
    expect(at(30, 5, 'minus')).toEqual([30, 5]);
    expect([cutSides, facingSides]).toEqual([['plus'], ['minus']]);
  });

  it('takes directions of any length, and shows nothing from outside when it is cut on both sides', () => {
    const { at, facingSides } = frameOf(axis({ direction: [0, 7], cut: 'both', origin: [4, 2] }));
    expect(at(10, 3, 'plus')).toEqual([7, 12]);
    expect(at(10, 3, 'minus')).toEqual([1, 12]);
    expect(facingSides).toEqual([]);
  });
});

describe('a cylindrical gear', () => {
  const draw = { shape: 'gear', gear: 'g', bore: 10 } as const;
  const block = { from: 0, to: 20, pitch: 30, gear: gear() };

  it('is hatched from bore to root where it is cut, with a blank band for the teeth', () => {
    const { areas, lines } = gearPiece(frameOf(axis()), draw, block);
    const cut = boxOf(areas.find(({ tone }) => tone === 'cut')!.points);
    // Root: pitch 30 less 1.25 modules of 2; tip: one module more.
    expect([cut.top, cut.bottom]).toEqual([-27.5, -10]);
    expect(boxOf(areas.find(({ tone }) => tone === 'blank')!.points).top).toBe(-32);
    expect(
      lines.filter(({ kind }) => kind === 'pitch').every(({ points }) => Math.abs(points[0]![1]) === 30),
    ).toBe(true);
  });

  it('shows lands to the true count from outside: half of the teeth that face us lie on this side', () => {
    const lands = gearPiece(frameOf(axis()), draw, block).areas.filter(({ tone }) => tone === 'land');
    expect(Math.abs(lands.length - 30 / 2)).toBeLessThanOrEqual(2);
    expect(lands.every(({ points }) => points.every(([, y]) => y >= -1e-9 && y <= 32 + 1e-9))).toBe(true);
  });

  it('slants its lands with the helix, the other way for the other hand', () => {
    const slantOf = (hand: 'left' | 'right') => {
      const { areas } = gearPiece(frameOf(axis()), draw, {
        ...block,
        gear: gear({ kind: 'helical', helixDeg: 20, hand }),
      });
      const land = areas.find(
        ({ tone, points }) => tone === 'land' && points.every(([, y]) => y > 5 && y < 25),
      )!;
      return Math.sign(land.points[1]![1] - land.points[0]![1]);
    };
    expect(slantOf('left')).toBe(-slantOf('right'));
    expect(slantOf('left')).not.toBe(0);
  });

  it('lies outside its teeth when it is internal, on both sides', () => {
    const { areas } = gearPiece(
      frameOf(axis()),
      { ...draw, bore: 40 },
      { ...block, gear: gear({ kind: 'internal' }) },
    );
    expect(tones(areas)).toEqual(['blank', 'cut', 'blank', 'cut']);
    const metal = boxOf(areas[1]!.points);
    expect([metal.top, metal.bottom]).toEqual([-40, -32.5]);
  });

  it('thins to its web, and carries dog teeth and a cone on the side that it names', () => {
    const webbed = gearPiece(
      frameOf(axis()),
      {
        ...draw,
        web: { hub: 15, rim: 24, width: 6 },
        dogs: { side: 'right', radius: 22, width: 5, cone: 18 },
      },
      block,
    );
    const [body, dogs, cone] = webbed.areas.filter(({ tone }) => tone === 'cut');
    expect(holdsPoint(body!.points, [2, -20])).toBe(false);
    expect(holdsPoint(body!.points, [10, -20])).toBe(true);
    expect(boxOf(dogs!.points)).toMatchObject({ left: 20, right: 25, top: -22 });
    expect(boxOf(cone!.points)).toMatchObject({ left: 25, right: 32.5, top: -18 });
  });
});

describe('bearings by their kind', () => {
  const draw = (kind: 'ball' | 'taper' | 'roller' | 'needle' | 'bush', opens?: 'left' | 'right') =>
    ({ shape: 'bearing', kind, bore: 20, outer: 40, ...(opens ? { opens } : {}) }) as const;
  const piece = (kind: 'ball' | 'taper' | 'roller' | 'needle' | 'bush', opens?: 'left' | 'right') =>
    bearingPiece(frameOf(axis()), 0, 20, draw(kind, opens));

  it.each(['ball', 'taper', 'roller'] as const)(
    '%s: two races and a rolling element on both sides',
    (kind) => {
      expect(tones(piece(kind).areas)).toEqual(['cut', 'cut', 'roller', 'cut', 'cut', 'roller']);
      expect(boxOf(piece(kind).areas.flatMap(({ points }) => points))).toMatchObject({
        top: -40,
        bottom: 40,
      });
    },
  );

  it('a ball is a circle with a cross, a taper roller is tilted the way it opens', () => {
    const ball = piece('ball').areas[2]!;
    const { left, right, top, bottom } = boxOf(ball.points);
    expect(right - left).toBeCloseTo(bottom - top, 6);
    const tilt = (opens: 'left' | 'right') => {
      const roller = piece('taper', opens).areas[2]!.points;
      return Math.sign(roller[1]![1] - roller[0]![1]);
    };
    expect(tilt('left')).toBe(-tilt('right'));
  });

  it('needles and bushes show only where the gear above them is cut', () => {
    expect(tones(piece('needle').areas)).toEqual(['roller']);
    expect(tones(piece('bush').areas)).toEqual(['cut']);
  });
});

describe('bodies of revolution', () => {
  const profile: Point[] = [
    [0, 10],
    [20, 10],
    [20, 30],
    [10, 30],
    [10, 20],
    [0, 20],
  ];

  it('are cut on one side and seen from outside on the other, by their largest radius', () => {
    const { areas } = revolve(frameOf(axis()), [profile]);
    expect(tones(areas)).toEqual(['cut', 'steel']);
    expect(areas[1]!.open).toBe(true);
    expect(outerEnvelope([profile])).toEqual([
      [0, 20],
      [10, 20],
      [10, 30],
      [20, 30],
    ]);
  });

  it('are cut on both sides when they stand still in the case', () => {
    expect(tones(revolve(frameOf(axis()), [profile], { cutBothSides: true }).areas)).toEqual(['cut', 'cut']);
  });

  it('hide what is smaller: the level of the outside grows with the radius', () => {
    const level = (radius: number) =>
      revolve(frameOf(axis()), [
        [
          [0, 5],
          [10, 5],
          [10, radius],
          [0, radius],
        ],
      ]).areas[1]!.level;
    expect(level(40)).toBeGreaterThan(level(39));
  });

  it('leave a shaft whole, with lines along its splines and across its threads', () => {
    const { areas, lines } = shaftPiece(frameOf(axis()), 0, {
      shape: 'shaft',
      steps: [
        { to: 40, radius: 10 },
        { to: 60, radius: 12, spline: true },
        { to: 80, radius: 8, thread: true },
      ],
    });
    expect(tones(areas)).toEqual(['steel', 'steel']);
    const along = lines.filter(
      ({ kind, points }) => kind === 'edge' && points[0]![0] === 40 && points[1]![0] === 60,
    );
    expect(along).toHaveLength(12);
    expect(
      lines.filter(({ points }) => points[0]![0] >= 60 && points[0]![0] < 80 && points[0]![1] === 0).length,
    ).toBeGreaterThan(10);
  });
});

describe('small pieces', () => {
  it('a bolt: head on one side of its face, shank on the other', () => {
    const { areas } = boltsPiece({
      shape: 'bolts',
      bolts: [{ at: [10, 0], toward: [1, 0] }],
      shank: 3,
      head: 6,
      length: 20,
    });
    expect(areas.map(({ points }) => boxOf(points))).toMatchObject([
      { left: 10, right: 30, top: -3, bottom: 3 },
      { right: 10, top: -6, bottom: 6 },
    ]);
  });

  it('a seal touches its shaft with the lip on the side that it names', () => {
    const reach = (lip: 'left' | 'right') => {
      const points = sealPiece(frameOf(axis()), 0, 10, { shape: 'seal', inner: 20, outer: 30, lip }).areas[0]!
        .points;
      return points.reduce((nearest, point) =>
        Math.abs(point[1]) < Math.abs(nearest[1]) ? point : nearest,
      )[0];
    };
    expect(reach('left')).toBeLessThan(5);
    expect(reach('right')).toBeGreaterThan(5);
  });
});

describe('geometry', () => {
  const square: Point[] = [
    [0, 0],
    [10, 0],
    [10, 10],
    [0, 10],
  ];
  it('tells inside from outside, and how far outside', () => {
    expect([holdsPoint(square, [5, 5]), holdsPoint(square, [15, 5])]).toEqual([true, false]);
    expect([distanceTo(square, [5, 5]), distanceTo(square, [13, 14])]).toEqual([0, 5]);
  });
  it('finds a point inside even where the centre of mass lies outside', () => {
    const hook: Point[] = [
      [0, 0],
      [30, 0],
      [30, 4],
      [4, 4],
      [4, 30],
      [0, 30],
    ];
    expect(holdsPoint(hook, pointInside(hook))).toBe(true);
    expect(pointInside(square)).toEqual([5, 5]);
  });
});

describe('hatching', () => {
  const block = (positionId: string, left: number) => ({
    positionId,
    area: {
      tone: 'cut' as const,
      points: [
        [left, 0],
        [left + 10, 0],
        [left + 10, 10],
        [left, 10],
      ] as Point[],
      level: 1,
      spacing: 4,
    },
  });
  it('turns where two pieces touch and not where they stand apart', () => {
    const touching = hatchAngles([block('a', 0), block('b', 10)]);
    expect(touching.get('a')).toBe(-(touching.get('b') ?? 0));
    const apart = hatchAngles([block('a', 0), block('b', 40)]);
    expect(apart.get('a')).toBe(apart.get('b'));
  });
});

describe('labels', () => {
  const text = (positionId: string, x: number, over: object = {}) => ({
    positionId,
    side: 'top' as const,
    rank: 1,
    anchor: [x, 300] as Point,
    title: 'Ring gear',
    words: '4 done',
    mustStand: false,
    ...over,
  });

  it('are as wide as their longer line, in the shipped type', () => {
    expect(textWidth('WW', 10, 400)).toBeGreaterThan(textWidth('ii', 10, 400) * 2);
    expect(textWidth('ab', 20, 400)).toBeCloseTo(2 * textWidth('ab', 10, 400), 9);
    expect(labelWidth({ title: 'x', words: 'a much longer second line' })).toBe(
      labelWidth({ title: '', words: 'a much longer second line' }),
    );
  });

  it('keep the order of what they point at, and a gap', () => {
    const placed = placeLabels([text('c', 320), text('a', 300), text('b', 310)], {
      side: 'top',
      from: 0,
      to: 900,
      at: 6,
    });
    expect(placed.map(({ positionId }) => positionId)).toEqual(['a', 'b', 'c']);
    for (const [index, label] of placed.slice(1).entries())
      expect(label.x - (placed[index]!.x + placed[index]!.width)).toBeGreaterThanOrEqual(12);
    expect(placed[0]!.leader.at(-1)).toEqual([300, 300]);
  });

  it('leave out the least important when there is no room, never the part that is open', () => {
    const many = [
      text('open', 10, { rank: 9, mustStand: true }),
      ...Array.from({ length: 12 }, (_, index) => text(`p${index}`, 20 + index * 10, { rank: index })),
    ];
    const placed = placeLabels(many, { side: 'top', from: 0, to: 420, at: 6 }).map(
      ({ positionId }) => positionId,
    );
    expect(placed).toContain('open');
    expect(placed).toContain('p0');
    expect(placed).not.toContain('p11');
  });

  it('stand in a column where the drawing leaves room, between the rows', () => {
    const wall: Point[] = [
      [300, 100],
      [700, 100],
      [700, 300],
      [300, 300],
    ];
    const column = freeColumn('left', [text('a', 400, { side: 'left' })], [wall], 1000, [60, 500]);
    expect(column.from).toBeGreaterThanOrEqual(60);
    expect(column.to).toBeLessThanOrEqual(500);
    expect(column.to - column.from).toBeGreaterThan(38);
  });
});

describe('a unit type that is described only in part', () => {
  const type = (positions: Partial<Position>[]): UnitType =>
    v.parse(UnitTypeSchema, {
      schemaVersion: 1,
      id: 'part',
      revision: 1,
      title: 'In part',
      family: 'other',
      axes: [axis()],
      positions,
    });
  const options = { width: 1000, height: 600, states: new Map(), labels: true };

  it('is drawn as far as it goes; the rest is named as not drawn', () => {
    const section = drawSection(
      type([
        {
          id: 'shaft',
          name: 'Shaft',
          family: 'shaft-spline',
          axis: 'a',
          from: 0,
          to: 100,
          draw: { shape: 'shaft', steps: [{ to: 100, radius: 10 }] },
        },
        { id: 'nowhere', name: 'Loose piece', family: 'housing' },
        {
          id: 'gearless',
          name: 'Gear without teeth',
          family: 'gear-teeth',
          axis: 'a',
          from: 0,
          to: 20,
          draw: { shape: 'gear', gear: 'unknown', bore: 5 },
        },
      ]),
      options,
    );
    expect(section.walk).toEqual(['shaft']);
    expect([...section.notDrawn].sort()).toEqual(['gearless', 'nowhere']);
  });

  it('is an empty sheet when nothing is described at all', () => {
    const section = drawSection(type([]), options);
    expect([section.walk, section.marks, section.labels]).toEqual([[], [], []]);
  });

  it('gathers the pieces under a finger, the nearest first, and none that lie farther than its reach', () => {
    const section = drawSection(
      type([
        {
          id: 'left',
          name: 'Left',
          family: 'shaft-spline',
          axis: 'a',
          from: 0,
          to: 40,
          draw: { shape: 'shaft', steps: [{ to: 40, radius: 10 }] },
        },
        {
          id: 'right',
          name: 'Right',
          family: 'shaft-spline',
          axis: 'a',
          from: 41,
          to: 100,
          draw: { shape: 'shaft', steps: [{ to: 100, radius: 10 }] },
        },
      ]),
      options,
    );
    const edge = section.boxes.get('left')!;
    const y = (edge.top + edge.bottom) / 2;
    expect(gatherPieces(section, [edge.right - 2, y])).toEqual(['left', 'right']);
    expect(gatherPieces(section, [edge.left + 5, y])).toEqual(['left']);
    expect(gatherPieces(section, [edge.left - 100, y])).toEqual([]);
  });
});
