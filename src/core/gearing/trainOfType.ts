import type { Gear, Mesh } from '@/model/train';
import type { UnitType } from '@/model/unitType';
import { BadInput } from '../badInput';
import { type Train, type TrainInput, train } from './train';

/** The body that all others stand in. */
const CASE = 'case';

type Drivetrain = Pick<
  UnitType,
  'bodies' | 'positions' | 'gears' | 'meshes' | 'couplings' | 'states' | 'bearings' | 'power'
>;

/** What is not described yet, in a sentence; or the train in one gear, with what carries load in it. */
export type TrainInGear = { readonly described: false; readonly missing: string } | DescribedTrain;

export interface LoadedMesh {
  readonly a: string;
  readonly b: string;
  readonly torque: number;
  /** The gear that pushes the other. */
  readonly driver: 'a' | 'b';
}

export interface DescribedTrain {
  readonly described: true;
  readonly train: Train;
  /** The load pushes the input round: the other flanks carry, and sprags let go. */
  readonly coast: boolean;
  /** Turns of the input for one of the (first) output; undefined unless it turns. */
  readonly ratio?: number;
  /** Positions that carry load: gears in a loaded mesh, sleeves and clutches that pass torque, bodies between them. */
  readonly loadedPositions: ReadonlySet<string>;
  readonly loadedMeshes: readonly LoadedMesh[];
  readonly loadedBodies: ReadonlySet<string>;
  /** Ids of the engaged couplings that pass torque. */
  readonly passing: ReadonlySet<string>;
  readonly loadedBearings: ReadonlySet<string>;
}

export interface InGearOptions {
  /** Counts that stand in place of the type's own, by gear id. */
  readonly teeth?: Readonly<Record<string, number>>;
  readonly coast?: boolean;
}

/**
 * The train of a unit type with one gear engaged, the input turning once. Several outputs are taken as rolling straight
 * ahead: they turn alike, and share the load as the type says.
 * @throws BadInput when the described train can't be one (the unit type's validator names the same faults)
 */
export function trainInGear(
  type: Drivetrain,
  gear: string,
  { teeth = {}, coast = false }: InGearOptions = {},
): TrainInGear {
  const { power } = type;
  if (type.meshes.length === 0) return { described: false, missing: 'No mesh is described yet.' };
  if (!power) return { described: false, missing: 'Where power comes in and goes out is not described yet.' };
  const state = type.states.find((each) => each.gear === gear);
  const engaged = state?.engaged ?? [];
  const couplings = type.couplings.filter(
    ({ id, kind }) => engaged.includes(id) && !(coast && kind === 'sprag'),
  );
  const input = inputOf(type, couplings, power, teeth);
  const solved = train(input);
  const speeds = solved.speeds ?? {};
  const first = speeds[power.outputs[0]!.body];
  return {
    described: true,
    train: solved,
    coast,
    ...(first ? { ratio: (speeds[power.input] ?? 0) / first } : {}),
    ...loadedParts(type, couplings, solved, coast),
  };
}

type Couplings = UnitType['couplings'];

function inputOf(
  type: Drivetrain,
  couplings: Couplings,
  power: NonNullable<UnitType['power']>,
  teeth: Readonly<Record<string, number>>,
): TrainInput {
  const { bodies, positions, gears, meshes } = type;
  const gearOf = (id: string): Gear => {
    const gear = gears.find((each) => each.id === id);
    if (!gear) throw new BadInput('meshes', `there is no gear “${id}”`);
    return gear;
  };
  const bodyOf = ({ id, position }: Gear): string => {
    const body = positions.find((each) => each.id === position)?.body;
    if (!body) throw new BadInput('gears', `the gear “${id}” stands on no body`);
    return body;
  };
  const held = couplings.flatMap(({ ties }) =>
    ties.includes(CASE) ? ties.filter((body) => body !== CASE) : [],
  );
  const road = power.outputs.slice(1).map(({ body }): [string, string] => [power.outputs[0]!.body, body]);
  const tied = [...couplings.filter(({ ties }) => !ties.includes(CASE)).map(({ ties }) => ties), ...road];
  return {
    bodies: bodies.map(({ id }) => id),
    meshes: meshes.map((mesh) => {
      const [a, b] = [gearOf(mesh.a), gearOf(mesh.b)];
      return {
        a: bodyOf(a),
        b: bodyOf(b),
        teethA: teeth[a.id] ?? a.teeth,
        teethB: teeth[b.id] ?? b.teeth,
        ...(mesh.carrier === undefined ? {} : { carrier: mesh.carrier }),
        ...(mesh.internal === undefined ? {} : { internal: mesh.internal }),
        ...(mesh.kind !== 'gears' || facesTheOther(type, mesh, gearOf, bodyOf) ? { sign: -1 as const } : {}),
      };
    }),
    tied: withoutCircles(tied),
    held: [...(bodies.some(({ id }) => id === CASE) ? [CASE] : []), ...new Set(held)],
    driven: [{ body: power.input, speed: 1 }],
    loads: power.outputs.map((output) => ({ ...output })),
  };
}

/**
 * A bevel gear on a pin turns one way as seen from the first side gear and the other way as seen from the second: all
 * meshes of every side gear but the first take the other sign. Spider gears turn about an axis of their own, side gears
 * about their carrier's.
 */
function facesTheOther(
  { meshes, bodies }: Pick<Drivetrain, 'meshes' | 'bodies'>,
  { a, b, carrier }: Mesh,
  gearOf: (id: string) => Gear,
  bodyOf: (gear: Gear) => string,
): boolean {
  if (carrier === undefined) return false;
  const axisOf = (body: string) => bodies.find(({ id }) => id === body)?.axis;
  const isSideGear = (id: string) =>
    gearOf(id).kind === 'bevel' && axisOf(bodyOf(gearOf(id))) === axisOf(carrier);
  const side = [a, b].find(isSideGear);
  const first = meshes
    .filter((mesh) => mesh.carrier === carrier)
    .flatMap((mesh) => [mesh.a, mesh.b])
    .find(isSideGear);
  return side !== undefined && side !== first;
}

/** Ties that say again what others say (both wheels on the road and a locked differential) are left out. */
function withoutCircles(tied: readonly (readonly [string, string])[]): [string, string][] {
  const root = new Map<string, string>();
  const find = (name: string): string => {
    const up = root.get(name);
    return up === undefined ? name : find(up);
  };
  return tied.flatMap(([a, b]): [string, string][] => {
    const [from, to] = [find(a), find(b)];
    if (from === to) return [];
    root.set(from, to);
    return [[a, b]];
  });
}

/** What a body is built on, apart from what sits on it. */
const isStructure = (draw: UnitType['positions'][number]['draw'], family: string): boolean =>
  draw?.shape === 'shaft' ||
  (draw?.shape === 'turned' && ['housing', 'differential-unit', 'shaft-spline'].includes(family));

function loadedParts(
  { bodies, positions, gears, meshes, bearings }: Drivetrain,
  couplings: Couplings,
  { meshLoads, tieLoads, outside, speeds }: Train,
  coast: boolean,
) {
  const loadedMeshes = (meshLoads ?? []).flatMap(({ a, loaded, relativeTorque }, index): LoadedMesh[] => {
    const mesh = meshes[index]!;
    if (!loaded) return [];
    const turns = (speeds?.[a] ?? 0) - (mesh.carrier === undefined ? 0 : (speeds?.[mesh.carrier] ?? 0));
    // Where the teeth stand still in each other, what turns them all tells who pushes.
    const aDrives = relativeTorque * (turns || (speeds?.[a] ?? 0)) < 0;
    return [
      { a: mesh.a, b: mesh.b, torque: Math.abs(relativeTorque), driver: aDrives === coast ? 'b' : 'a' },
    ];
  });
  const loadedGears = new Set(loadedMeshes.flatMap(({ a, b }) => [a, b]));
  const passing = couplings.filter(
    ({ ties: [a, b] }) =>
      tieLoads?.some((tie) => tie.loaded && [tie.a, tie.b].every((body) => body === a || body === b)) ||
      [a, b].some((body) => body !== CASE && [a, b].includes(CASE) && (outside?.[body] ?? 0) !== 0),
  );
  const gearPositions = new Map(gears.map(({ id, position }) => [id, position]));
  const bodyOf = (position: string | undefined) => positions.find(({ id }) => id === position)?.body;
  const loadedBodies = new Set(
    [
      ...[...loadedGears].map((id) => bodyOf(gearPositions.get(id))),
      ...passing.flatMap(({ ties }) => ties),
      ...Object.entries(outside ?? {}).flatMap(([body, torque]) => (torque === 0 ? [] : [body])),
    ].filter((body) => body !== undefined && body !== CASE),
  ) as ReadonlySet<string>;
  const loadedPositions = new Set(
    [
      ...[...loadedGears].map((id) => gearPositions.get(id)),
      ...passing.map(({ position }) => position),
      // A shaft, carrier or drum that carries load is one too; a gear on it that meets nothing loaded is not.
      ...positions
        .filter(({ body, draw, family }) => body && loadedBodies.has(body) && isStructure(draw, family))
        .map(({ id }) => id),
    ].filter((id) => id !== undefined),
  ) as ReadonlySet<string>;
  // A bearing between two bodies bears load where one of them carries a loaded mesh. Planets around a sun or a ring
  // balance each other: only what goes round itself loads its pin.
  const goesRound = (gear: string, carrier: string) => {
    const position = positions.find(({ id }) => id === gearPositions.get(gear));
    const axis = bodies.find(({ id }) => id === carrier)?.axis;
    return position?.orbit !== undefined || position?.axis !== axis;
  };
  const meshed = new Set(
    loadedMeshes.flatMap(({ a, b }) => {
      const carrier = meshes.find((mesh) => mesh.a === a && mesh.b === b)?.carrier;
      const loading = carrier === undefined ? [a, b] : [a, b].filter((gear) => goesRound(gear, carrier));
      return loading.map((gear) => bodyOf(gearPositions.get(gear)));
    }),
  );
  const loadedBearings = new Set(
    bearings
      .filter(({ inner, outer }) => meshed.has(inner) || meshed.has(outer))
      .flatMap(({ positions: at }) => at),
  );
  return {
    loadedMeshes,
    loadedPositions,
    loadedBodies,
    loadedBearings,
    passing: new Set(passing.map(({ id }) => id)),
  };
}
