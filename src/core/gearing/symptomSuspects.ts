import type { Symptom } from '@/model/symptoms';
import type { Position, UnitType } from '@/model/unitType';
import { type Suspect, suspectsOf } from './suspects';
import { trainInGear } from './trainOfType';

export interface SymptomSuspect {
  readonly positionId: string;
  /** One for each thing that points here. */
  readonly reasons: readonly string[];
}

/** Where what is complained of points before anything is open: what most of it points at stands first. */
export function suspectsOfSymptoms(type: UnitType, symptoms: readonly Symptom[]): SymptomSuspect[] {
  const reasons = new Map<string, Set<string>>();
  for (const { positionId, reason } of symptoms.flatMap((symptom) => pointsAt(type, symptom))) {
    reasons.set(positionId, (reasons.get(positionId) ?? new Set()).add(reason));
  }
  return type.positions
    .flatMap(({ id }) => {
      const own = reasons.get(id);
      return own ? [{ positionId: id, reasons: [...own] }] : [];
    })
    .sort((a, b) => b.reasons.length - a.reasons.length);
}

function pointsAt(type: UnitType, symptom: Symptom): Suspect[] {
  switch (symptom.id) {
    case 'noise':
    case 'vibration':
    case 'heat':
      return [...loadedThere(type, symptom), ...withTheBeat(type, symptom), ...turnsInTurns(type, symptom)];
    case 'pops-out':
      return symptom.gears.flatMap((gear) => [...engages(type, gear), ...letsGo(type, gear)]);
    case 'hard-shift':
    case 'slip':
      return symptom.gears.flatMap((gear) => engages(type, gear));
    case 'no-drive':
    case 'locked':
      return [...loadedThere(type, symptom), ...symptom.gears.flatMap((gear) => engages(type, gear))];
    default:
      return [];
  }
}

function loadedThere(type: UnitType, { gears, loads }: Symptom): Suspect[] {
  if (gears.length === 0) return [];
  const flanks = (['drive', 'coast'] as const).filter((load) => loads.includes(load));
  return suspectsOf(type, gears).map(({ positionId, reason }) => {
    const toothed = type.gears.some(({ position }) => position === positionId);
    const flank = toothed && flanks.length === 1 ? `; look at its ${flanks[0]} flanks` : '';
    return { positionId, reason: `${reason}${flank}` };
  });
}

/** What comes round once per turn of the wheels, or of the input: everything on bodies of that speed. */
function withTheBeat(type: UnitType, { beat, gears }: Symptom): Suspect[] {
  const gear = gears[0] ?? type.states.find(({ gear }) => trainInGear(type, gear).described)?.gear;
  if (!beat || !type.power || gear === undefined) return [];
  const found = trainInGear(type, gear);
  if (!found.described || !found.train.speeds) return [];
  const speeds = found.train.speeds;
  const speedOf = (body: string) => Math.abs(speeds[body] ?? 0);
  const wanted = speedOf(beat === 'wheel' ? type.power.outputs[0]!.body : type.power.input);
  if (wanted === 0) return [];
  const bodies = new Set(
    type.bodies.map(({ id }) => id).filter((id) => Math.abs(speedOf(id) / wanted - 1) < 1e-9),
  );
  const reason = beat === 'wheel' ? 'comes round once per wheel turn' : 'comes round with the input';
  const withTeeth = new Set(
    type.positions
      .filter(({ body, family }) => bodies.has(body ?? '') && family === 'gear-teeth')
      .map(({ body }) => body),
  );
  // What carries a gear turns with it, as the differential case does with its ring.
  const carries = ({ body, family }: Position) =>
    withTeeth.has(body) && (family === 'housing' || family === 'differential-unit');
  return type.positions
    .filter(
      (position) =>
        bodies.has(position.body ?? '') &&
        (position.family === 'gear-teeth' || position.family === 'rolling-bearing' || carries(position)),
    )
    .map(({ id }) => ({ positionId: id, reason }));
}

/** Only in a turn do the gears inside a differential turn against each other. */
function turnsInTurns(type: UnitType, { loads }: Symptom): Suspect[] {
  if (!loads.includes('turning')) return [];
  const inside = new Set(type.meshes.filter(({ carrier }) => carrier).flatMap(({ a, b }) => [a, b]));
  const toothed = type.gears
    .filter(({ id, kind }) => kind === 'bevel' && inside.has(id))
    .map(({ position }) => position);
  return type.positions
    .filter(({ id, family }) => toothed.includes(id) || family === 'differential-unit')
    .map(({ id }) => ({ positionId: id, reason: 'turns in a turn only' }));
}

/** What puts a gear in and holds it: the sleeve, clutch or band, the dogs of what it catches, the ring between them. */
function engages(type: UnitType, gear: string): Suspect[] {
  const engaged = type.states.find((state) => state.gear === gear)?.engaged ?? [];
  return type.couplings
    .filter(({ id }) => engaged.includes(id))
    .flatMap(({ ties, position }) => {
      const sleeve = type.positions.find(({ id }) => id === position);
      if (!sleeve) return [];
      const caught = type.positions.filter(({ body }) => ties.includes(body ?? '') && body !== sleeve.body);
      const dogs = caught.filter(({ family }) => family === 'dog-teeth');
      const reach = caught.filter(({ family }) => family === 'gear-teeth' || family === 'dog-teeth');
      const rings = type.positions.filter(
        (piece) => piece.family === 'synchro-ring' && reach.some((mate) => stands(piece, sleeve, mate)),
      );
      const hubs = type.positions.filter(
        (piece) => piece.family === 'hub-sleeve-fork' && overlaps(piece, sleeve),
      );
      return [sleeve, ...dogs, ...rings, ...hubs].map(({ id }) => ({
        positionId: id,
        reason: `puts ${gear} in and holds it`,
      }));
    });
}

/**
 * What lets a gear go that was in: the fork that should keep its sleeve there, the thrust washers beside the gear, and the stacks that
 * give its shaft its end float.
 */
function letsGo(type: UnitType, gear: string): Suspect[] {
  const engaged = type.states.find((state) => state.gear === gear)?.engaged ?? [];
  return type.couplings
    .filter(({ id }) => engaged.includes(id))
    .flatMap(({ ties, position }) => {
      const sleeve = type.positions.find(({ id }) => id === position);
      if (!sleeve) return [];
      const caught = type.positions.filter(
        ({ body, family, axis }) =>
          ties.includes(body ?? '') &&
          body !== sleeve.body &&
          family === 'gear-teeth' &&
          axis === sleeve.axis,
      );
      const reasons: readonly (readonly [string, (piece: Position) => boolean])[] = [
        [`should keep ${gear} in`, (piece) => isForkOf(piece, sleeve)],
        [
          `${gear} can move endwise once it is worn`,
          (piece) => piece.family === 'bush-washer-pin' && caught.some((mate) => liesBeside(piece, mate)),
        ],
        [
          'gives the shaft its end float',
          (piece) => piece.family === 'bush-washer-pin' && piece.axis === sleeve.axis && piece.body === CASE,
        ],
      ];
      return reasons.flatMap(([reason, suits]) =>
        type.positions.filter(suits).map(({ id }) => ({ positionId: id, reason })),
      );
    });
}

/** The body that stands still. */
const CASE = 'case';
/** A thrust washer lies against its gear, but for the float, mm. */
const FLOAT_MM = 4;

const liesBeside = (piece: Position, mate: Position): boolean =>
  piece.axis === mate.axis &&
  piece.axis !== undefined &&
  [
    Math.abs((piece.from ?? Number.NaN) - (mate.to ?? Number.NaN)),
    Math.abs((mate.from ?? Number.NaN) - (piece.to ?? Number.NaN)),
  ].some((gap) => gap <= FLOAT_MM);

/** A fork stands in the case and is drawn over its sleeve. */
function isForkOf(piece: Position, sleeve: Position): boolean {
  if (piece.family !== 'hub-sleeve-fork' || piece.body !== CASE || piece.draw?.shape !== 'outline')
    return false;
  const along = piece.draw.outlines.flat().map(([x]) => x);
  const at = (Math.min(...along) + Math.max(...along)) / 2;
  return at >= (sleeve.from ?? Number.NaN) && at <= (sleeve.to ?? Number.NaN);
}

const middle = ({ from, to }: Position): number | undefined =>
  from === undefined || to === undefined ? undefined : (from + to) / 2;

/** Whether a piece stands between two others on their axis. */
function stands(piece: Position, one: Position, other: Position): boolean {
  const [at, a, b] = [middle(piece), middle(one), middle(other)];
  if (at === undefined || a === undefined || b === undefined || piece.axis !== one.axis) return false;
  return at >= Math.min(a, b) && at <= Math.max(a, b);
}

const overlaps = (piece: Position, sleeve: Position): boolean =>
  piece.axis === sleeve.axis && (piece.from ?? 0) < (sleeve.to ?? 0) && (sleeve.from ?? 0) < (piece.to ?? 0);
