import type { UnitType } from '@/model/unitType';
import type { TrainInGear } from './trainOfType';

export interface RoadOrder {
  readonly name: string;
  /** Turns, or meetings of teeth, for each turn of the wheel. */
  readonly perWheelTurn: number;
  readonly perSecond: number;
}

export interface RoadOrders {
  readonly wheelTurnsPerSecond: number;
  readonly bodies: readonly RoadOrder[];
  readonly meshes: readonly RoadOrder[];
  /** What comes round once with the wheel. */
  readonly oncePerTurn: readonly string[];
}

export interface Road {
  /** km/h */
  readonly speed: number;
  /** What the wheel rolls in one turn, m. */
  readonly rollingCircumference: number;
  /** Turns of the unit's output for one of the wheel: 1 for an axle, the axle's ratio for a gearbox before it. */
  readonly outputPerWheel: number;
}

const ONCE = 0.02;

/**
 * How often each member of a train in gear comes round, and each pair of teeth meets, at a road speed. A mesh order is
 * teeth × speed against the carrier of the mesh. Undefined unless the train turns.
 */
export function roadOrders(type: UnitType, inGear: TrainInGear, road: Road): RoadOrders | undefined {
  if (!inGear.described || !inGear.train.speeds || !type.power) return undefined;
  const { speeds } = inGear.train;
  const output = Math.abs(speeds[type.power.outputs[0]!.body] ?? 0);
  if (output === 0) return undefined;
  const wheelTurnsPerSecond = road.speed / 3.6 / road.rollingCircumference;
  const order = (name: string, speed: number): RoadOrder => {
    const perWheelTurn = (Math.abs(speed) / output) * road.outputPerWheel;
    return { name, perWheelTurn, perSecond: perWheelTurn * wheelTurnsPerSecond };
  };
  const bodies = type.bodies
    .filter(({ id }) => (speeds[id] ?? 0) !== 0)
    .map(({ id, name }) => order(name, speeds[id] ?? 0));
  const meshes = type.meshes.flatMap((mesh) => {
    const gear = type.gears.find(({ id }) => id === mesh.a);
    const mate = type.gears.find(({ id }) => id === mesh.b);
    const body = type.positions.find(({ id }) => id === gear?.position)?.body;
    if (!gear || !mate || !body) return [];
    const against = (speeds[body] ?? 0) - (mesh.carrier ? (speeds[mesh.carrier] ?? 0) : 0);
    return against === 0 ? [] : [order(`${gear.teeth} with ${mate.teeth} teeth`, gear.teeth * against)];
  });
  return {
    wheelTurnsPerSecond,
    bodies,
    meshes,
    oncePerTurn: bodies
      .filter(({ perWheelTurn }) => Math.abs(perWheelTurn - 1) < ONCE)
      .map(({ name }) => name),
  };
}
