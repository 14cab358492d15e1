import type { PlainBox } from '@/model/plainBox';
import type { Gear, Mesh } from '@/model/train';
import type { Position, UnitType } from '@/model/unitType';
import { BadInput } from '../badInput';

const CASE = { id: 'case', name: 'Case' };

type Drawn = Pick<
  UnitType,
  'axes' | 'bodies' | 'positions' | 'gears' | 'meshes' | 'bearings' | 'states' | 'power'
>;
type GearRow = PlainBox['gears'][number];

/**
 * A drawing and a train out of what a hand measures on an unknown box: shafts lie one below the other at the distance
 * that their first pair of gears needs, further pairs between the same shafts take the module that this distance gives
 * them, so that all mates touch. Lengths in millimetres.
 * @throws BadInput for a gear on no shaft, a mate that isn't one, or shafts that no gear joins
 */
export function describeBox(positions: readonly Position[], box: PlainBox): Drawn {
  checkBox(positions, box);
  const pairs = pairsOf(box);
  const { heights, modules } = layOut(box, pairs);
  return {
    axes: box.shafts.map(({ position, length }) => ({
      id: axisId(position),
      name: nameOf(positions, position),
      origin: [0, heights.get(position)!],
      direction: [1, 0],
      cut: 'minus',
      from: 0,
      to: length,
    })),
    bodies: [
      CASE,
      ...box.shafts.map(({ position }) => ({
        id: position,
        name: nameOf(positions, position),
        axis: axisId(position),
      })),
    ],
    positions: positions.map((position) => drawn(position, box)),
    gears: box.gears.map((gear) => gearOf(gear, modules.get(gear.position) ?? box.module)),
    meshes: pairs.map(([a, b]): Mesh => ({ a: a.position, b: b.position, kind: 'gears' })),
    bearings: box.shafts.flatMap(({ position }) =>
      (['left', 'right'] as const).map((end) => ({
        id: `${position}-${end}`.slice(-64),
        kind: 'ball' as const,
        inner: position,
        outer: CASE.id,
        setup: 'fixed' as const,
        positions: [],
      })),
    ),
    states: [{ gear: 'as found', engaged: [] }],
    power: { input: box.input, outputs: [{ body: box.output, share: 1 }] },
  };
}

const axisId = (shaft: string): string => `axis-${shaft}`.slice(0, 64);
const nameOf = (positions: readonly Position[], id: string): string =>
  positions.find((position) => position.id === id)?.name ?? id;

/** Each pair once, whichever of the two names the other. */
function pairsOf({ gears }: PlainBox): [GearRow, GearRow][] {
  const seen = new Set<string>();
  return gears.flatMap((gear): [GearRow, GearRow][] => {
    const mate = gears.find(({ position }) => position === gear.mate);
    if (!mate) return [];
    const key = [gear.position, mate.position].sort().join(' ');
    if (seen.has(key)) return [];
    seen.add(key);
    return [[gear, mate]];
  });
}

/** Shafts downward in the order in which gears join them to those placed already. */
function layOut(box: PlainBox, pairs: readonly [GearRow, GearRow][]) {
  const heights = new Map<string, number>([[box.shafts[0]!.position, 0]]);
  const modules = new Map<string, number>();
  const waiting = [...pairs];
  while (waiting.length > 0) {
    const next = waiting.findIndex(([a, b]) => heights.has(a.shaft) || heights.has(b.shaft));
    if (next < 0) break;
    const [a, b] = waiting.splice(next, 1)[0]!;
    const teeth = a.teeth + b.teeth;
    const [one, other] = [heights.get(a.shaft), heights.get(b.shaft)];
    const known = modules.get(a.position) ?? modules.get(b.position);
    const module =
      one !== undefined && other !== undefined ? (2 * Math.abs(one - other)) / teeth : (known ?? box.module);
    if (one === undefined) heights.set(a.shaft, other! + (module * teeth) / 2);
    if (other === undefined) heights.set(b.shaft, one! + (module * teeth) / 2);
    modules.set(a.position, module);
    modules.set(b.position, module);
  }
  const loose = box.shafts.findIndex(({ position }) => !heights.has(position));
  if (loose >= 0) throw new BadInput(`shafts.${loose}`, 'no gear joins this shaft to the others');
  return { heights, modules };
}

function drawn(position: Position, box: PlainBox): Position {
  const shaft = box.shafts.find((each) => each.position === position.id);
  if (shaft)
    return {
      ...position,
      body: shaft.position,
      axis: axisId(shaft.position),
      from: 0,
      to: shaft.length,
      draw: { shape: 'shaft', steps: [{ to: shaft.length, radius: shaft.diameter / 2 }] },
    };
  const gear = box.gears.find((each) => each.position === position.id);
  if (!gear) return position;
  const on = box.shafts.find((each) => each.position === gear.shaft)!;
  return {
    ...position,
    body: gear.shaft,
    axis: axisId(gear.shaft),
    from: gear.place,
    to: gear.place + gear.width,
    draw: { shape: 'gear', gear: gear.position, bore: on.diameter / 2 },
  };
}

const gearOf = ({ position, teeth, width }: GearRow, module: number): Gear => ({
  id: position,
  position,
  teeth,
  kind: 'spur',
  module,
  pressureAngleDeg: 20,
  profileShift: 0,
  faceWidth: width,
});

function checkBox(positions: readonly Position[], { shafts, gears, input, output }: PlainBox): void {
  const known = new Set(positions.map(({ id }) => id));
  const onShaft = new Set(shafts.map(({ position }) => position));
  const rows = [
    ...shafts.map(({ position }, index) => ({ position, path: `shafts.${index}.position` })),
    ...gears.map(({ position }, index) => ({ position, path: `gears.${index}.position` })),
  ];
  const seen = new Set<string>();
  for (const { position, path } of rows) {
    if (!known.has(position)) throw new BadInput(path, `this unit has no part “${position}”`);
    if (seen.has(position)) throw new BadInput(path, `${nameOf(positions, position)} is described twice`);
    seen.add(position);
  }
  for (const [index, gear] of gears.entries()) {
    const name = nameOf(positions, gear.position);
    const shaft = shafts.find(({ position }) => position === gear.shaft);
    if (!shaft) throw new BadInput(`gears.${index}.shaft`, `${name} stands on no shaft that is described`);
    if (gear.place + gear.width > shaft.length)
      throw new BadInput(`gears.${index}.place`, `${name} stands out beyond the end of its shaft`);
    const mate = gears.find(({ position }) => position === gear.mate);
    if (gear.mate !== undefined && !mate)
      throw new BadInput(`gears.${index}.mate`, `the mate of ${name} is no gear that is described`);
    if (mate && mate.shaft === gear.shaft)
      throw new BadInput(`gears.${index}.mate`, `${name} and its mate stand on one shaft`);
  }
  if (!onShaft.has(input)) throw new BadInput('input', 'the shaft that power comes in by is not described');
  if (!onShaft.has(output)) throw new BadInput('output', 'the shaft that power leaves by is not described');
  if (input === output) throw new BadInput('output', 'power comes in and leaves by two shafts');
}
