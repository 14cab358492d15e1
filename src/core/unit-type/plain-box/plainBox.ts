import type { Draw } from '@/model/draw';
import type { PlainBox } from '@/model/plainBox';
import type { Gear, Mesh } from '@/model/train';
import type { Position, UnitType } from '@/model/unitType';
import { kindOfPart } from '../kindOfPart';
import { checkBox, nameOf } from './checkBox';
import { coneAngle, type LaidOut, layOut } from './layOut';
import { type GearRow, pairsOf } from './pairs';
import { type NotTouching, notTouching } from './touching';

const CASE = { id: 'case', name: 'Case' };

export type DrawnBox = Pick<
  UnitType,
  'axes' | 'bodies' | 'positions' | 'gears' | 'meshes' | 'couplings' | 'bearings' | 'states' | 'power'
>;
type RingRow = PlainBox['rings'][number];

/**
 * A drawing and a train out of what a hand measures on an unknown box (`layOut` says where everything comes to lie). Mates on shafts that
 * cross are bevel gears. A gear that runs free on its shaft turns by itself and is tied in the gear that it was said to be tied in. The
 * first casting of the list becomes the case around it all. Lengths in millimetres.
 * @throws BadInput for a gear on no shaft, a mate that isn't one, or shafts that nothing joins
 */
export function describeBox(positions: readonly Position[], box: PlainBox): DrawnBox {
  checkBox(positions, box);
  return drawnFrom(positions, box, layOut(positions, box));
}

/** What doesn't touch of a box that can be laid out. @throws BadInput as `describeBox` */
export function apartInBox(positions: readonly Position[], box: PlainBox): NotTouching[] {
  checkBox(positions, box);
  return notTouching(positions, box, layOut(positions, box));
}

function drawnFrom(positions: readonly Position[], box: PlainBox, laid: LaidOut): DrawnBox {
  const free = box.gears.filter(({ tiedIn }) => tiedIn);
  const pairs = pairsOf(box);
  return {
    axes: axesOf(positions, box, laid),
    bodies: [
      CASE,
      ...[...box.shafts, ...free.map(({ position, shaft }) => ({ position, on: shaft }))].map((row) => ({
        id: row.position,
        name: nameOf(positions, row.position),
        axis: axisId(laid.rootOf('on' in row ? row.on : row.position)),
      })),
    ],
    positions: drawnPositions(positions, box, laid),
    gears: box.gears.map((gear) => gearOf(gear, box, laid)),
    meshes: pairs.map(([a, b]): Mesh => ({ a: a.position, b: b.position, kind: 'gears' })),
    ...shiftingOf(box),
    bearings: bearingsOf(positions, box),
    power:
      box.input === undefined || box.output === undefined
        ? undefined
        : { input: box.input, outputs: [{ body: box.output, share: 1 }] },
  };
}

const axisId = (root: string): string => `axis-${root}`.slice(0, 64);

function axesOf(positions: readonly Position[], { shafts }: PlainBox, laid: LaidOut): DrawnBox['axes'] {
  return [...laid.lines].map(([root, { upright, across }]) => {
    const on = shafts.filter(({ position }) => laid.rootOf(position) === root);
    return {
      id: axisId(root),
      name: nameOf(positions, root),
      origin: upright ? [across, 0] : [0, across],
      direction: upright ? [0, 1] : [1, 0],
      // Cones are known by both their sides; beside each other, what is below an axis is cut.
      cut: isCrossed(laid) ? 'both' : 'minus',
      from: Math.min(...on.map(({ position }) => laid.endOf(position))),
      to: Math.max(...on.map(({ position, length }) => laid.endOf(position) + length)),
    };
  });
}

const isCrossed = ({ lines }: LaidOut): boolean =>
  new Set([...lines.values()].map(({ upright }) => upright)).size > 1;

/** What ties free gears and shafts in line, and the gears in which it does. */
function shiftingOf({ shafts, gears }: PlainBox): Pick<DrawnBox, 'couplings' | 'states'> {
  const tied = [
    ...gears.flatMap(({ position, shaft, tiedIn }) =>
      tiedIn ? [{ tiedIn, bodies: [shaft, position] as [string, string] }] : [],
    ),
    ...shafts.flatMap(({ position, lies }) =>
      lies?.how === 'in line' && lies.tiedIn
        ? [{ tiedIn: lies.tiedIn, bodies: [lies.with, position] as [string, string] }]
        : [],
    ),
  ].map((each) => ({ ...each, id: `tied-${each.bodies[1]}`.slice(0, 64) }));
  const names = [...new Set(tied.map(({ tiedIn }) => tiedIn))].sort((a, b) =>
    a.localeCompare(b, 'en', { numeric: true }),
  );
  return {
    couplings: tied.map(({ id, bodies }) => ({ id, kind: 'sleeve', ties: bodies })),
    states:
      names.length === 0
        ? [{ gear: 'as found', engaged: [] }]
        : names.map((gear) => ({
            gear,
            engaged: tied.filter(({ tiedIn }) => tiedIn === gear).map(({ id }) => id),
          })),
  };
}

/** The bearings that were put on a shaft; of a shaft without any both ends are taken to run in the case. A free gear runs on its shaft. */
function bearingsOf(
  positions: readonly Position[],
  { shafts, gears, rings }: PlainBox,
): DrawnBox['bearings'] {
  return [
    ...shafts.flatMap(({ position }): DrawnBox['bearings'] => {
      const own = rings.filter(
        (ring) => ring.shaft === position && familyOf(positions, ring) === 'rolling-bearing',
      );
      const between = { inner: position, outer: CASE.id, setup: 'fixed' as const };
      return own.length > 0
        ? own.map((ring) => ({
            ...between,
            ...{ id: `bearing-${ring.position}`.slice(0, 64), kind: bearingKindOf(positions, ring) },
            positions: [ring.position],
          }))
        : (['left', 'right'] as const).map((end) => ({
            ...between,
            ...{ id: `${position}-${end}`.slice(-64), kind: 'ball' as const, positions: [] },
          }));
    }),
    ...gears.flatMap(({ position, shaft, tiedIn }): DrawnBox['bearings'] =>
      tiedIn
        ? [
            {
              ...{ id: `free-${position}`.slice(0, 64), kind: 'bush', inner: shaft, outer: position },
              ...{ setup: 'floating', positions: [] },
            },
          ]
        : [],
    ),
  ];
}

const familyOf = (positions: readonly Position[], { position }: RingRow) =>
  positions.find(({ id }) => id === position)?.family;

/** As it was told when it came off, else by its name. */
function bearingKindOf(positions: readonly Position[], { position }: RingRow) {
  const { draw, name } = positions.find(({ id }) => id === position)!;
  if (draw?.shape === 'bearing' && draw.kind !== 'ball') return draw.kind;
  return (
    (['taper', 'needle', 'roller', 'bush'] as const).find((kind) => new RegExp(kind, 'i').test(name)) ??
    'ball'
  );
}

function drawnPositions(positions: readonly Position[], box: PlainBox, laid: LaidOut): Position[] {
  const casting = positions.find(({ family }) => family === 'housing')?.id;
  return positions.map((position) => {
    const along = (shaft: string, place: number, width: number) => ({
      axis: axisId(laid.rootOf(shaft)),
      from: laid.endOf(shaft) + place,
      to: laid.endOf(shaft) + place + width,
    });
    const shaft = box.shafts.find((each) => each.position === position.id);
    if (shaft) {
      const { axis, from, to } = along(position.id, 0, shaft.length);
      const steps = [{ to, radius: shaft.diameter / 2 }];
      return { ...position, body: position.id, axis, from, to, draw: { shape: 'shaft', steps } };
    }
    const gear = box.gears.find((each) => each.position === position.id);
    if (gear)
      return {
        ...position,
        ...along(gear.shaft, gear.place, gear.width),
        body: gear.tiedIn ? gear.position : gear.shaft,
        draw: drawnGear(gear, box, laid),
      };
    const ring = box.rings.find((each) => each.position === position.id);
    if (ring)
      return {
        ...position,
        ...along(ring.shaft, ring.place, ring.width),
        body: isSeal(position) ? CASE.id : ring.shaft,
        draw: drawnRing(positions, position, ring),
      };
    if (position.id !== casting) return position;
    return { ...position, body: CASE.id, draw: { shape: 'hull', clearance: 6, wall: 8, sweep: 26 } };
  });
}

const isSeal = (position: Position): boolean =>
  position.draw?.shape === 'seal' ||
  (position.family === 'fastener-seal' && kindOfPart(position).kind?.id === 'lip-seal');

function drawnRing(positions: readonly Position[], position: Position, ring: RingRow): Draw {
  const { inner, outer } = { inner: ring.inner / 2, outer: ring.outer / 2 };
  if (position.family === 'rolling-bearing')
    return { shape: 'bearing', kind: bearingKindOf(positions, ring), bore: inner, outer };
  return isSeal(position) ? { shape: 'seal', inner, outer, lip: 'right' } : { shape: 'ring', inner, outer };
}

/** The one that a gear meets across a right angle; undefined for a gear beside its mates. */
function mateAcross(gear: GearRow, box: PlainBox, laid: LaidOut): GearRow | undefined {
  const own = laid.lines.get(laid.rootOf(gear.shaft))!;
  return pairsOf(box)
    .filter((pair) => pair.includes(gear))
    .map(([a, b]) => (a === gear ? b : a))
    .find(({ shaft }) => laid.lines.get(laid.rootOf(shaft))!.upright !== own.upright);
}

function drawnGear(gear: GearRow, box: PlainBox, laid: LaidOut): Draw {
  const on = box.shafts.find(({ position }) => position === gear.shaft)!;
  const bore = on.diameter / 2;
  const mate = mateAcross(gear, box, laid);
  if (!mate) return { shape: 'gear', gear: gear.position, bore };
  const apex = laid.lines.get(laid.rootOf(mate.shaft))!.across;
  const from = laid.endOf(gear.shaft) + gear.place;
  const isRight = from + gear.width / 2 >= apex;
  // The back never lies before the roots of the heel, or the cone would be drawn inside out.
  const module = laid.modules.get(gear.position)!;
  const heelRoot = (module * mate.teeth) / 2 + 1.2 * module * Math.sin(coneAngle(gear, mate));
  const back = isRight ? Math.max(from + gear.width, apex + heelRoot) : Math.min(from, apex - heelRoot);
  return { shape: 'bevel', gear: gear.position, apex, lies: isRight ? 'right' : 'left', bore, back };
}

/** A bevel gear's face is a third of its cone at most; what a hand measures as its width has the hub in it. */
const LARGEST_FACE = 1 / 3;

function gearOf(gear: GearRow, box: PlainBox, laid: LaidOut): Gear {
  const { position, teeth, width, outside } = gear;
  const module = laid.modules.get(position) ?? box.module;
  const mate = mateAcross(gear, box, laid);
  const cone = mate && (module * teeth) / 2 / Math.sin(coneAngle(gear, mate));
  return {
    ...{ id: position, position, teeth, module, pressureAngleDeg: 20, profileShift: 0 },
    kind: mate ? 'bevel' : 'spur',
    ...(outside === undefined ? {} : { outside }),
    faceWidth: cone === undefined ? width : Math.min(width, cone * LARGEST_FACE),
  };
}

/**
 * What of a description this way of measuring can't tell, in words; empty where it tells all of it. Kept again from shafts and gears it would be
 * lost.
 */
export function beyondPlainBox({ positions, gears, couplings }: UnitType): string {
  const stepped = positions.find(
    ({ draw }) => draw?.shape === 'shaft' && (draw.steps.length > 1 || draw.bore !== undefined),
  );
  if (stepped) return `${stepped.name} is drawn in more detail`;
  const other = gears.find(
    ({ kind, profileShift, helixDeg = 0 }) =>
      (kind !== 'spur' && kind !== 'bevel') || profileShift !== 0 || helixDeg !== 0,
  );
  if (other) return `${nameOf(positions, other.position)} is more than a straight gear`;
  const tie = couplings.find(({ id }) => !id.startsWith('tied-'));
  return tie ? `how ${tie.ties.join(' and ')} are tied was described by hand` : '';
}
