import type { Axis } from '@/model/draw';
import type { Gear } from '@/model/train';
import type { UnitType } from '@/model/unitType';
import { pitchRadius } from '../unit-type/meshFaults';
import type { DescribedTrain, LoadedMesh } from './trainOfType';

export interface Thrust {
  readonly body: string;
  /** Which way along the body's axis: toward its high places or its low ones. */
  readonly toward: 'high' | 'low';
  /** Newtons for each newton metre put in. */
  readonly force: number;
  /** Positions of the bearings that take it: the taper that it pushes into its cup, else the balls. */
  readonly takenBy: readonly string[];
}

const NOTHING = 1e-6;
const rad = (degrees: number | undefined) => ((degrees ?? 0) * Math.PI) / 180;

/**
 * The force along its axis with which each loaded body pushes, from the helix or spiral of its teeth, and the bearings
 * that take it. It turns round between drive and coast, so that noise on coast only asks for the other bearing.
 *
 * A right-hand helix that drives is pushed the way a right-hand screw would go, turning with it; what is driven is
 * pushed the other way. Bevel teeth are pushed away from the apex by tan α · sin δ, and by ± sin β · cos δ as their
 * spiral says (the usual formulas for straight and spiral bevel gears; hypoid pairs each with its own spiral angle).
 * The input turns right as seen from its free end. Bodies whose forces cancel are left out.
 */
export function thrusts(type: UnitType, inGear: DescribedTrain): Thrust[] {
  const forces = new Map<string, number>();
  for (const mesh of inGear.loadedMeshes) {
    for (const { body, force } of forcesOf(type, inGear, mesh))
      forces.set(body, (forces.get(body) ?? 0) + force);
  }
  return [...forces].flatMap(([body, force]): Thrust[] => {
    if (Math.abs(force) < NOTHING) return [];
    const toward = force > 0 ? 'high' : 'low';
    return [{ body, toward, force: Math.abs(force), takenBy: takers(type, body, toward) }];
  });
}

interface Force {
  readonly body: string;
  readonly force: number;
}

function forcesOf(type: UnitType, inGear: DescribedTrain, mesh: LoadedMesh): Force[] {
  const [a, b] = [gearAt(type, mesh.a), gearAt(type, mesh.b)];
  // The torque is that on body a; its mate feels the same force at the teeth.
  const radiusOfA = a && (isBevel(a.gear) ? meanRadius(a.gear, b?.gear) : pitchRadius(a.gear)) / 1000;
  if (!a || !b || !radiusOfA) return [];
  const tangential = mesh.torque / radiusOfA;
  return [
    { ...a, mate: b.gear, drives: mesh.driver === 'a' },
    { ...b, mate: a.gear, drives: mesh.driver === 'b' },
  ].flatMap(({ gear, body, axis, apexSide, mate, drives }): Force[] => {
    const turns = turnsAboutAxis(type, inGear, body);
    const factor = isBevel(gear)
      ? bevelFactor(gear, mate, { drives, turns: turns * apexSide }) * apexSide
      : helicalFactor(gear, { drives, turns });
    return axis ? [{ body, force: tangential * factor }] : [];
  });
}

const isBevel = ({ kind }: Gear): boolean => kind === 'bevel' || kind === 'hypoid';
const handOf = ({ hand }: Gear): number => (hand === 'right' ? 1 : hand === 'left' ? -1 : 0);

interface Turning {
  readonly drives: boolean;
  /** +1 turning like a right-hand screw that goes along the axis, −1 against it. */
  readonly turns: number;
}

const helicalFactor = (gear: Gear, { drives, turns }: Turning): number =>
  Math.tan(rad(gear.helixDeg)) * handOf(gear) * turns * (drives ? 1 : -1);

/** Force away from the apex for each newton at the teeth's mean radius; `turns` is seen along the way from the apex. */
function bevelFactor(gear: Gear, mate: Gear, { drives, turns }: Turning): number {
  const cone = Math.atan2(gear.teeth, mate.teeth);
  const [pressure, spiral] = [rad(gear.pressureAngleDeg), rad(gear.spiralDeg)];
  const bySpiral = Math.sin(spiral) * Math.cos(cone) * handOf(gear) * turns * (drives ? 1 : -1);
  return (Math.tan(pressure) * Math.sin(cone) + bySpiral) / Math.cos(spiral);
}

function meanRadius(gear: Gear, mate: Gear | undefined): number {
  const cone = Math.atan2(gear.teeth, mate?.teeth ?? gear.teeth);
  return ((gear.module ?? 3) * gear.teeth) / 2 - (gear.faceWidth / 2) * Math.sin(cone);
}

interface PlacedGear {
  readonly gear: Gear;
  readonly body: string;
  readonly axis: Axis | undefined;
  /** +1 where a bevel gear lies toward high places from its apex, −1 toward low ones. */
  readonly apexSide: number;
}

function gearAt(type: UnitType, id: string): PlacedGear | undefined {
  const gear = type.gears.find((each) => each.id === id);
  const position = type.positions.find((each) => each.id === gear?.position);
  if (!gear || !position?.body) return undefined;
  const axis = type.axes.find((each) => each.id === position.axis);
  const apexSide = position.draw?.shape === 'bevel' && position.draw.lies === 'left' ? -1 : 1;
  return { gear, body: position.body, axis, apexSide };
}

/**
 * Sense in which a body turns about its own axis. Speeds of parallel axes are signed alike; across a right angle the
 * wheel turns so that it runs from its mate, which only the mate's own sense decides.
 */
function turnsAboutAxis(type: UnitType, { train }: DescribedTrain, body: string): number {
  const input = type.power?.input;
  const inputShaft = type.positions.find((each) => each.body === input && each.draw?.shape === 'shaft');
  const inputAxis = type.axes.find(({ id }) => id === inputShaft?.axis);
  if (!inputShaft || !inputAxis || input === undefined) return 0;
  const freeEnd = endOfInput(type, inputShaft);
  const inputSense = (freeEnd === 'low' ? 1 : -1) * Math.sign(train.speeds?.[input] ?? 0);
  if (body === input) return inputSense;
  const axis = type.axes.find(({ id }) => id === type.bodies.find((each) => each.id === body)?.axis);
  if (!axis) return 0;
  if (parallel(axis, inputAxis))
    return inputSense * Math.sign(train.speeds?.[body] ?? 0) * (dot(axis, inputAxis) > 0 ? 1 : -1);
  return senseAcross(type, inputSense, inputAxis, axis);
}

const dot = (a: Axis, b: Axis) => a.direction[0] * b.direction[0] + a.direction[1] * b.direction[1];
const parallel = (a: Axis, b: Axis) =>
  Math.abs(a.direction[0] * b.direction[1] - a.direction[1] * b.direction[0]) < 1e-9;

/** A wheel at a right angle to the input: where the pinion touches it, both move the same way through the sheet. */
function senseAcross(type: UnitType, inputSense: number, inputAxis: Axis, axis: Axis): number {
  const wheel = type.positions.find(
    ({ draw, axis: on }) => draw?.shape === 'bevel' && on === axis.id && isMate(type, draw.gear, inputAxis),
  );
  const pinion = type.positions.find(({ draw, axis: on }) => draw?.shape === 'bevel' && on === inputAxis.id);
  if (wheel?.draw?.shape !== 'bevel' || pinion?.draw?.shape !== 'bevel') return 0;
  // The contact lies on the wheel's side of the pinion and on the pinion's side of the wheel: ω × r is the same there.
  const wheelWay = wheel.draw.lies === 'left' ? -1 : 1;
  const pinionWay = pinion.draw.lies === 'left' ? -1 : 1;
  return -inputSense * wheelWay * pinionWay;
}

const isMate = (type: UnitType, gear: string, inputAxis: Axis): boolean =>
  type.meshes.some(({ a, b }) => {
    const other = a === gear ? b : b === gear ? a : undefined;
    const position = type.positions.find(
      ({ id }) => id === type.gears.find((each) => each.id === other)?.position,
    );
    return position?.axis === inputAxis.id;
  });

/** The input comes in at the end of its shaft that lies farther from the middle of all bearings. */
function endOfInput(type: UnitType, shaft: UnitType['positions'][number]): 'low' | 'high' {
  const places = type.positions
    .filter(({ axis, body, from }) => axis === shaft.axis && body === shaft.body && from !== undefined)
    .filter(({ draw }) => draw?.shape === 'gear' || draw?.shape === 'bevel')
    .map(({ from, to }) => ((from ?? 0) + (to ?? 0)) / 2);
  const [low, high] = [shaft.from ?? 0, shaft.to ?? 0];
  const teeth = places.length > 0 ? places.reduce((sum, each) => sum + each, 0) / places.length : high;
  return Math.abs(teeth - low) > Math.abs(high - teeth) ? 'low' : 'high';
}

function takers(type: UnitType, body: string, toward: Thrust['toward']): string[] {
  const own = type.bearings.filter(({ inner, outer }) => inner === body || outer === body);
  const tapers = own.filter(({ kind }) => kind === 'taper').flatMap(({ positions }) => positions);
  const pushed = tapers.filter((id) => {
    const draw = type.positions.find((position) => position.id === id)?.draw;
    // A cone that opens to low places is wedged into its cup by a push toward high ones.
    return draw?.shape === 'bearing' && draw.opens === (toward === 'high' ? 'left' : 'right');
  });
  if (pushed.length > 0) return pushed;
  return own
    .filter(({ kind, setup }) => kind === 'ball' && setup === 'fixed')
    .flatMap(({ positions }) => positions);
}
