import { Clipper, EndType, FillRule, JoinType, type PathD, type PathsD } from 'clipper2-ts';
import type { Axis, Draw } from '@/model/draw';
import type { Position, UnitType } from '@/model/unitType';
import { frameOf } from '../frame';
import { type Box, boxOf, type Point } from '../geometry';
import { rectangle } from './gearPiece';
import { onSide } from './revolve';
import { type Area, LEVEL, type Piece, SPACING } from './shapes';

type Hull = Extract<Draw, { shape: 'hull' }>;
type Part = NonNullable<Hull['part']>;
interface Held {
  readonly position: Position;
  readonly piece: Piece;
}

const BOSS_SWEEP = 9;
/** Metal around the seat of a bearing or a seal. */
const BOSS = 8;
/** Air around what turns, and around a shaft that leaves. */
const AIR = 2;
const SHAFT_AIR = 1.2;
/** Where two halves of a case meet, both carry a flange of this height and width. */
const FLANGE = 7;
const TOLERANCE = 0.2;
/** Farther than any unit reaches. */
const FAR = 9000;

/** All of a casting before it is parted, and what its flanges keep clear of. */
interface Casting {
  readonly metal: PathsD;
  readonly cavity: PathsD;
  readonly outside: PathsD;
  readonly free: PathsD;
}

/**
 * A casting around everything that a unit holds: a cavity at some distance from all of it, a wall around the cavity,
 * bosses for the bearings and seals that sit in the case, and ways out for shafts. What lies beyond a seal is outside.
 * Parts of one casting are cast once. Millimetres of the sheet.
 */
export function hullPieces(type: UnitType, hulls: readonly Hull[], drawn: readonly Held[]): Piece[] {
  const castings = new Map<string, Casting | undefined>();
  return hulls.map((hull) => {
    const key = `${hull.clearance} ${hull.wall} ${hull.sweep}`;
    if (!castings.has(key)) castings.set(key, castingOf(type, hull, drawn));
    const casting = castings.get(key);
    return casting ? pieceOfCasting(casting, hull.part) : { areas: [], lines: [] };
  });
}

function castingOf(type: UnitType, hull: Hull, drawn: readonly Held[]): Casting | undefined {
  const pieces = drawn.filter(({ position }) => !isCasting(position));
  const inside = pieces.filter(({ position }) => position.draw?.shape !== 'seal' && !isCover(position));
  const content = betweenSeals(type, inside);
  if (content.length === 0) return undefined;
  const cavity = swept(grown(content, hull.clearance), hull.sweep);
  const outside = grown(cavity, hull.wall);
  const free = union([
    ...grown(outlines(inside.filter(({ position }) => position.draw?.shape !== 'shaft')), AIR),
    ...grown(boxes(inside.filter(({ position }) => position.draw?.shape === 'shaft')), SHAFT_AIR),
  ]);
  const seats = union([
    ...seatsInCase(type, pieces, 0),
    ...boxes(pieces.filter(({ position }) => isCover(position))),
  ]);
  const walls = union([...without(outside, cavity), ...seatsInCase(type, pieces, BOSS)]);
  const metal = without(without(swept(walls, BOSS_SWEEP), without(free, seats)), seats);
  return { metal, cavity, outside, free: union([...free, ...seats]) };
}

const pieceOfCasting = ({ metal, cavity, outside, free }: Casting, part: Part | undefined): Piece => ({
  areas: [
    ...areasOf(part ? strip(cavity, part) : cavity, { tone: 'cavity', level: LEVEL.cavity }),
    ...areasOf(part ? withFlanges(metal, { outside, free }, part) : metal, {
      tone: 'case',
      level: LEVEL.casting,
      spacing: SPACING.case,
    }),
  ],
  lines: [],
});

/** Castings and fasteners are no content of a casting. */
const isCasting = ({ draw }: Position): boolean =>
  draw === undefined || draw.shape === 'outline' || draw.shape === 'hull' || draw.shape === 'bolts';

/** Covers and tubes belong to the case: it is open where they sit. */
const isCover = ({ family, body }: Position): boolean => family === 'housing' && body === 'case';

/** What of the pieces lies between the seals of their axes. */
function betweenSeals(type: UnitType, pieces: readonly Held[]): PathsD {
  const axes = [undefined, ...type.axes];
  return axes.flatMap((axis) => {
    const own = boxes(pieces.filter(({ position }) => position.axis === axis?.id));
    if (!axis || own.length === 0) return own;
    const [low, high] = sealedLength(type, axis);
    return Clipper.intersectD(own, [acrossAxis(axis, low, high, FAR)], FillRule.NonZero, 3);
  });
}

/** From seal to seal along an axis; as far as it goes where a shaft ends in the case. */
function sealedLength(type: UnitType, axis: Axis): [number, number] {
  const on = type.positions.filter((position) => position.axis === axis.id && position.from !== undefined);
  const middles = on
    .filter(({ draw }) => draw?.shape === 'bearing')
    .map(({ from, to }) => ((from ?? 0) + (to ?? 0)) / 2);
  const middle =
    middles.length > 0
      ? middles.reduce((sum, each) => sum + each, 0) / middles.length
      : (axis.from + axis.to) / 2;
  const seals = on.filter(({ draw }) => draw?.shape === 'seal');
  const lows = seals.filter(({ to }) => (to ?? 0) < middle).map(({ to }) => to ?? 0);
  const highs = seals.filter(({ from }) => (from ?? 0) >= middle).map(({ from }) => from ?? 0);
  return [Math.max(-FAR, ...lows), Math.min(FAR, ...highs)];
}

/** Seats of seals, and of the bearings whose outer race sits in the case, with `around` of metal. */
function seatsInCase(type: UnitType, held: readonly Held[], around: number): PathsD {
  const seated = new Set(
    type.bearings.filter(({ outer }) => outer === 'case').flatMap(({ positions }) => positions),
  );
  return union(
    held.flatMap(({ position }) => {
      const { draw } = position;
      const axis = type.axes.find(({ id }) => id === position.axis);
      if (!axis || (draw?.shape !== 'seal' && draw?.shape !== 'bearing')) return [];
      if (draw.shape === 'bearing' && !seated.has(position.id)) return [];
      const [from, to] = [position.from ?? 0, position.to ?? 0];
      return [acrossAxis(axis, from - around / 2, to + around / 2, draw.outer + around)];
    }),
  );
}

/** A part of the casting, thickened where it is bolted to the next one. */
function withFlanges(
  metal: PathsD,
  { outside, free }: { readonly outside: PathsD; readonly free: PathsD },
  part: Part,
): PathsD {
  const thick = without(grown(outside, FLANGE), outside);
  const flanges = [part.from, part.to].flatMap((at) =>
    at === null ? [] : strip(thick, { ...part, from: at - FLANGE, to: at + FLANGE }),
  );
  return strip(union([...metal, ...withoutSlivers(without(flanges, free))]), part);
}

function strip(paths: PathsD, { across, from, to }: Part): PathsD {
  const [low, high] = [from ?? -FAR, to ?? FAR];
  const window: Box =
    across === 'x'
      ? { left: low, right: high, top: -FAR, bottom: FAR }
      : { left: -FAR, right: FAR, top: low, bottom: high };
  return Clipper.intersectD(paths, [boxPath(window)], FillRule.NonZero, 3);
}

const union = (paths: PathsD): PathsD => Clipper.unionD(paths, FillRule.NonZero);
const without = (paths: PathsD, taken: PathsD): PathsD =>
  Clipper.differenceD(paths, taken, FillRule.NonZero, 3);
const inflated = (paths: PathsD, by: number): PathsD =>
  Clipper.inflatePathsD(paths, by, JoinType.Round, EndType.Polygon, 2, 3, TOLERANCE);
const grown = (paths: PathsD, by: number): PathsD => inflated(union(paths), by);
/** Shrunk and grown again: what is thinner than a file's stroke is gone. */
const withoutSlivers = (paths: PathsD): PathsD => inflated(inflated(paths, -1), 1);
/** Grown and shrunk again by the same: narrow notches are filled, inner corners rounded. */
const swept = (paths: PathsD, by: number): PathsD => inflated(inflated(paths, by), -by);

/** Teeth and rollers lie within the piece that bears them. */
const bodiesOf = ({ areas }: Piece) => areas.filter(({ tone }) => tone !== 'land' && tone !== 'roller');
const boxes = (items: readonly Held[]): PathsD =>
  items.flatMap(({ piece }) => bodiesOf(piece).map(({ points }) => boxPath(boxOf(points))));
const outlines = (items: readonly Held[]): PathsD =>
  items.flatMap(({ piece }) =>
    bodiesOf(piece).map(({ points }) => {
      const path: PathD = points.map(([x, y]) => ({ x, y }));
      return Clipper.areaD(path) < 0 ? path.reverse() : path;
    }),
  );
const boxPath = ({ left, right, top, bottom }: Box): PathD => [
  { x: left, y: top },
  { x: right, y: top },
  { x: right, y: bottom },
  { x: left, y: bottom },
];
const acrossAxis = (axis: Axis, from: number, to: number, radius: number): PathD =>
  boxPath(
    boxOf(
      (['plus', 'minus'] as const).flatMap((side) =>
        onSide(frameOf(axis), rectangle(from, to, 0, radius), side),
      ),
    ),
  );

/** Outlines with the holes that lie in them. */
function areasOf(paths: PathsD, look: Pick<Area, 'tone' | 'level' | 'spacing'>): Area[] {
  const points = paths.map((path): Point[] => path.map(({ x, y }) => [x, y]));
  const isOuter = paths.map((path) => Clipper.areaD(path) > 0);
  return points.flatMap((outline, index): Area[] => {
    if (!isOuter[index]) return [];
    const holes = points.filter(
      (_, other) => !isOuter[other] && Clipper.pointInPolygonD(paths[other]![0]!, paths[index]!) !== 2,
    );
    return [{ ...look, points: outline, ...(holes.length > 0 ? { holes } : {}) }];
  });
}
