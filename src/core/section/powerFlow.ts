import type { Axis } from '@/model/draw';
import type { Position, UnitType } from '@/model/unitType';
import type { DescribedTrain } from '../gearing/trainOfType';
import type { Section } from './drawSection';
import { frameOf } from './frame';
import type { Point } from './geometry';
import { drawnPitchRadius } from './pieces/pieceOf';

/** A point that power passes, in millimetres of the sheet. */
interface Waypoint {
  readonly at: Point;
  readonly axis?: Axis;
}

/** Two bodies between which power passes, and the points that it passes from the first to the second. */
interface Link {
  readonly ends: readonly [string, string];
  readonly points: readonly Waypoint[];
}

const MOST_WAYS = 12;
/** Beside a carrier's plate, not on its edge. */
const IN_PLATE = 3;

/**
 * The ways that power takes from the input to each output, as lines on a drawn section, in its pixels. Where it divides
 * (a differential, coupled epicyclics) there are several; what only holds (a fixed ring, a band) is on none.
 */
export function powerFlow(type: UnitType, section: Section, inGear: DescribedTrain): Point[][] {
  const { power } = type;
  if (!power) return [];
  const onSheet = ([x, y]: Point): Point => [
    section.origin[0] + x * section.scale,
    section.origin[1] + y * section.scale,
  ];
  const links = linksOf(type, inGear);
  const outputs = power.outputs.map(({ body }) => body);
  return outputs.flatMap((output) =>
    waysTo(links, power.input, output, outputs).flatMap((way): Point[][] => {
      const inner = withKnees(way).map(onSheet);
      if (inner.length === 0) return [];
      const points = [...endOf(type, section, power.input), ...inner, ...endOf(type, section, output)];
      return [inGear.coast ? points.reverse() : points];
    }),
  );
}

function linksOf(type: UnitType, { loadedMeshes, passing }: DescribedTrain): Link[] {
  const positionOf = (gear: string) =>
    type.positions.find(({ id }) => id === type.gears.find((each) => each.id === gear)?.position);
  const meshes = loadedMeshes.flatMap(({ a, b }): Link[] => {
    const [first, second] = [positionOf(a), positionOf(b)];
    if (!first?.body || !second?.body) return [];
    return [
      { ends: [first.body, second.body], points: [...gearPoint(type, first), ...gearPoint(type, second)] },
    ];
  });
  const couplings = type.couplings
    .filter(({ id }) => passing.has(id))
    .map(({ ties, position }): Link => {
      const at = type.positions.find(({ id }) => id === position);
      return { ends: ties, points: at ? middleOf(type, at) : [] };
    });
  return [...meshes, ...couplings, ...pins(type, loadedMeshes)];
}

/** What goes round with a carrier gives its load to it through its pin. */
function pins(type: UnitType, loadedMeshes: DescribedTrain['loadedMeshes']): Link[] {
  const found = new Map<string, Link>();
  for (const { a, b } of loadedMeshes) {
    const carrier = type.meshes.find((mesh) => mesh.a === a && mesh.b === b)?.carrier;
    if (carrier === undefined) continue;
    for (const gear of [a, b]) {
      const planet = type.positions.find(
        ({ id }) => id === type.gears.find((each) => each.id === gear)?.position,
      );
      if (!planet?.body || !goesRound(type, planet, carrier)) continue;
      found.set(`${planet.body} ${carrier}`, {
        ends: [planet.body, carrier],
        points: planet.orbit === undefined ? [] : plateOf(type, planet, carrier),
      });
    }
  }
  return [...found.values()];
}

const axisOfBody = (type: UnitType, body: string): string | undefined =>
  type.bodies.find(({ id }) => id === body)?.axis;

/** Planets have an orbit; spider gears turn about an axis that is not their carrier's. */
const goesRound = (type: UnitType, position: Position, carrier: string): boolean =>
  position.orbit !== undefined || position.axis !== axisOfBody(type, carrier);

/** Where power leaves a planet's pin for the axis: in the carrier's plate, on the side of the output. */
function plateOf(type: UnitType, planet: Position, carrier: string): Waypoint[] {
  const axis = type.axes.find(({ id }) => id === planet.axis);
  if (!axis || planet.from === undefined || planet.to === undefined) return [];
  const output = type.positions.find(
    ({ body, draw }) => body === type.power?.outputs[0]?.body && draw?.shape === 'shaft',
  );
  const middle = (planet.from + planet.to) / 2;
  const toward = Math.sign(((output?.from ?? 0) + (output?.to ?? 0)) / 2 - middle) || 1;
  const edges = type.positions
    .filter(({ body, draw, orbit }) => body === carrier && orbit === undefined && draw?.shape === 'turned')
    .flatMap(({ draw }) => (draw?.shape === 'turned' ? draw.profiles : []))
    .map((profile) => profile.map(([along]) => along))
    .map((places) => (toward > 0 ? Math.min(...places) : Math.max(...places)))
    .filter((edge) => (edge - middle) * toward > 0)
    .sort((a, b) => (a - b) * toward);
  const edge = edges[0];
  return edge === undefined ? [] : [{ at: frameOf(axis).at(edge + toward * IN_PLATE, 0, 'plus'), axis }];
}

/** Where power passes a gear: on its axis; on its pin where it goes round; at its teeth where they point inward. */
function gearPoint(type: UnitType, position: Position): Waypoint[] {
  const gear = type.gears.find((each) => each.position === position.id);
  return gear?.kind === 'internal'
    ? middleOf(type, position, drawnPitchRadius(type, gear))
    : middleOf(type, position);
}

function middleOf(type: UnitType, position: Position, radius = position.orbit ?? 0): Waypoint[] {
  const axis = type.axes.find(({ id }) => id === position.axis);
  if (!axis || position.from === undefined || position.to === undefined) return [];
  return [{ at: frameOf(axis).at((position.from + position.to) / 2, radius, 'plus'), axis }];
}

/** Every way without a detour over another output, the shortest first. */
function waysTo(
  links: readonly Link[],
  input: string,
  output: string,
  outputs: readonly string[],
): (readonly Waypoint[])[][] {
  const found: (readonly Waypoint[])[][] = [];
  const walk = (at: string, been: readonly string[], way: readonly (readonly Waypoint[])[]) => {
    if (found.length >= MOST_WAYS) return;
    if (at === output) {
      found.push([...way]);
      return;
    }
    if (outputs.includes(at)) return;
    for (const { ends, points } of links) {
      if (!ends.includes(at)) continue;
      const turned = ends[0] !== at;
      const next = ends[turned ? 0 : 1];
      if (!been.includes(next))
        walk(next, [...been, next], [...way, turned ? [...points].reverse() : points]);
    }
  };
  walk(input, [input], []);
  const shortest = Math.min(...found.map(({ length }) => length));
  return found.filter(({ length }) => length <= shortest + 3).sort((a, b) => a.length - b.length);
}

/** Between two links power follows metal: along the axis first where it leaves it, down to it last where it returns. */
function withKnees(way: readonly (readonly Waypoint[])[]): Point[] {
  const points: Waypoint[] = [];
  for (const link of way) {
    const [first, ...rest] = link;
    const last = points.at(-1);
    if (!first) continue;
    if (last?.at[0] !== first.at[0] || last?.at[1] !== first.at[1]) {
      if (last) points.push(...knee(last, first));
      points.push(first);
    }
    points.push(...rest);
  }
  return points.map(({ at }) => at);
}

function knee(from: Waypoint, to: Waypoint): Waypoint[] {
  const [on, off] = isOnAxis(from) ? [from, to] : [to, from];
  if (!on.axis || !isOnAxis(on)) return [];
  const { along } = placeOn(on.axis, on.at);
  const { radius } = placeOn(on.axis, off.at);
  if (Math.abs(radius) < 1e-6) return [];
  return [{ at: frameOf(on.axis).at(along, Math.abs(radius), radius > 0 ? 'plus' : 'minus') }];
}

const isOnAxis = ({ at, axis }: Waypoint): boolean =>
  axis !== undefined && Math.abs(placeOn(axis, at).radius) < 1e-6;

/** Place along an axis and signed radius (plus side positive) of a point of the sheet. */
function placeOn({ origin, direction }: Axis, [x, y]: Point): { along: number; radius: number } {
  const length = Math.hypot(...direction) || 1;
  const [ax, ay] = [direction[0] / length, direction[1] / length];
  const [dx, dy] = [x - origin[0], y - origin[1]];
  return { along: dx * ax + dy * ay, radius: dx * ay - dy * ax };
}

/**
 * The end of a shaft at which power comes or goes: the one that leaves the case through a seal, else the one that lies
 * farther from the middle of the unit.
 */
export function outerEnd(type: UnitType, section: Section, shaft: Position): 'low' | 'high' {
  const sealed = sealedEnd(type, shaft);
  if (sealed) return sealed;
  const axis = type.axes.find(({ id }) => id === shaft.axis);
  const box = section.boxes.get(shaft.id);
  if (!axis || !box) return 'high';
  const boxes = [...section.boxes.values()];
  const [low, high] = isUpright(axis) ? (['top', 'bottom'] as const) : (['left', 'right'] as const);
  const middle =
    (Math.min(...boxes.map((each) => each[low])) + Math.max(...boxes.map((each) => each[high]))) / 2;
  const isLower = Math.abs(box[low] - middle) > Math.abs(box[high] - middle);
  const runsUp = axis.direction[0] + axis.direction[1] < 0;
  return isLower === runsUp ? 'high' : 'low';
}

const isUpright = ({ direction }: Axis): boolean => Math.abs(direction[1]) > Math.abs(direction[0]);

/** The only end of a shaft near which it runs through seals. */
function sealedEnd(type: UnitType, { axis, from = 0, to = 0 }: Position): 'low' | 'high' | undefined {
  const ends = new Set(
    type.positions
      .filter(({ draw, axis: on }) => draw?.shape === 'seal' && on === axis)
      .map((seal) => ((seal.from ?? 0) + (seal.to ?? 0)) / 2)
      .filter((place) => place > from && place < to)
      .map((place) => (place - from < to - place ? ('low' as const) : ('high' as const))),
  );
  return ends.size === 1 ? [...ends][0] : undefined;
}

/** The free end of a body's shaft. */
function endOf(type: UnitType, section: Section, body: string): Point[] {
  const shaft = type.positions.find((each) => each.body === body && each.draw?.shape === 'shaft');
  const box = shaft && section.boxes.get(shaft.id);
  if (!box) return [];
  const axis = type.axes.find(({ id }) => id === shaft.axis);
  const end = outerEnd(type, section, shaft) === 'low' ? shaft.from : shaft.to;
  if (!axis || end === undefined) return [];
  const [x, y] = frameOf(axis).at(end, 0, 'plus');
  return [[section.origin[0] + x * section.scale, section.origin[1] + y * section.scale]];
}
