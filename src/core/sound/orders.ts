import type { UnitType } from '@/model/unitType';
import { placesOfKind } from '../causes/places';
import { bearingOrders } from '../gearing/bearingOrders';
import { type DescribedTrain, trainInGear } from '../gearing/trainOfType';

/** What makes a sound at an order. */
export type OrderKind = 'mesh' | 'outer' | 'inner' | 'roller' | 'cage' | 'turn';

/** How often something comes round, or is met, for each turn of the input. */
export interface Order {
  readonly order: number;
  readonly kind: OrderKind;
  /** 1, or which multiple of it this is. */
  readonly multiple: number;
  /** In words: “First wheel and Cluster, 39 with 16 teeth”. */
  readonly of: string;
  /** As the causes know it: a position, two with a dot between for a mesh, or a body that turns. */
  readonly place: string;
  readonly positions: readonly string[];
  readonly carriesLoad: boolean;
}

export interface OrdersOfUnit {
  readonly orders: readonly Order[];
  /** Turns of the input for one of the output. */
  readonly ratio: number;
  /** What is not described, so that its orders can't be known. */
  readonly missing: readonly string[];
}

/** Of what a mesh makes several multiples are heard. */
const MESH_MULTIPLES = [1, 2, 3];
const BEARING_MULTIPLES = [1, 2];

/**
 * All that this unit's train can be heard by in a gear; undefined where the train isn't described or doesn't turn in it.
 */
export function ordersOfUnit(type: UnitType, gear: string, coast = false): OrdersOfUnit | undefined {
  if (!type.states.some((state) => state.gear === gear)) return undefined;
  const found = trainInGear(type, gear, { coast });
  if (!found.described || !found.train.speeds || !type.power || found.ratio === undefined) return undefined;
  const { speeds } = found.train;
  const input = Math.abs(speeds[type.power.input] ?? 0);
  if (input === 0) return undefined;
  const turns = (body: string): number => (speeds[body] ?? 0) / input;
  const bearings = bearingsOf(type, found, turns);
  return {
    orders: [...meshesOf(type, found, turns), ...bearings.orders, ...bodiesOf(type, turns)].filter(
      ({ order }) => order > 1e-6,
    ),
    ratio: Math.abs(found.ratio),
    missing: bearings.missing,
  };
}

type Turns = (body: string) => number;

function meshesOf(type: UnitType, { loadedMeshes }: DescribedTrain, turns: Turns): Order[] {
  const bodyOf = (position: string) => type.positions.find(({ id }) => id === position)?.body;
  const places = placesOfKind(type, 'mesh');
  const seen = new Set<string>();
  return type.meshes.flatMap(({ a, b, carrier, kind }): Order[] => {
    const [one, other] = [a, b].map((id) => type.gears.find((gear) => gear.id === id));
    const body = one && bodyOf(one.position);
    if (!one || !other || !body || kind !== 'gears') return [];
    const place = places.find(({ id }) => id === `${one.position}·${other.position}`);
    // Planets mesh several times with the same two: one sound.
    if (!place || seen.has(place.id)) return [];
    seen.add(place.id);
    const order = Math.abs(one.teeth * (turns(body) - (carrier ? turns(carrier) : 0)));
    const carriesLoad = loadedMeshes.some((mesh) => mesh.a === a && mesh.b === b);
    return MESH_MULTIPLES.map((multiple) => ({
      ...{ order: order * multiple, kind: 'mesh' as const, multiple, carriesLoad },
      of: `${place.name}, ${one.teeth} with ${other.teeth} teeth`,
      ...{ place: place.id, positions: place.positions },
    }));
  });
}

const RACES = [
  ['outer', 'outerRace', 1, 'outer race'],
  ['inner', 'innerRace', 1, 'inner race'],
  // A mark on a roller meets both races in each turn of it.
  ['roller', 'roller', 2, 'a roller'],
  ['cage', 'cage', 1, 'cage'],
] as const;

function bearingsOf(type: UnitType, { loadedBearings }: DescribedTrain, turns: Turns) {
  const missing: string[] = [];
  const orders = type.bearings.flatMap(({ id, inner, outer, positions, ...geometry }): Order[] => {
    const against = Math.abs(turns(inner) - turns(outer));
    const place = positions[0];
    if (against === 0 || place === undefined) return [];
    const name = type.positions.find((position) => position.id === place)?.name ?? id;
    const { rollers, rollerDiameter, pitchDiameter, contactAngleDeg = 0 } = geometry;
    if (!rollers || !rollerDiameter || !pitchDiameter || rollerDiameter >= pitchDiameter) {
      missing.push(name);
      return [];
    }
    const struck = bearingOrders({
      rollers,
      rollerDiameter,
      pitchDiameter,
      contactAngleDeg: Math.abs(contactAngleDeg),
    });
    return RACES.flatMap(([kind, field, times, words]) =>
      BEARING_MULTIPLES.map((multiple) => ({
        ...{ order: struck[field] * times * against * multiple, kind, multiple },
        ...{ of: `${name}, ${words}`, place, positions },
        carriesLoad: positions.some((position) => loadedBearings.has(position)),
      })),
    );
  });
  return { orders, missing };
}

function bodiesOf(type: UnitType, turns: Turns): Order[] {
  return type.bodies
    .filter(({ id }) => turns(id) !== 0)
    .map(({ id, name }) => ({
      ...{ order: Math.abs(turns(id)), kind: 'turn' as const, multiple: 1, carriesLoad: true },
      ...{ of: `${name}, once a turn`, place: id },
      positions: type.positions.filter(({ body }) => body === id).map((position) => position.id),
    }));
}
