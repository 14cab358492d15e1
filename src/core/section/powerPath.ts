import type { UnitType } from '@/model/unitType';
import type { DescribedTrain, TrainInGear } from '../gearing/trainOfType';
import type { Section } from './drawSection';
import { frameOf } from './frame';
import { type Box, boxesTouch, type Point } from './geometry';
import { drawnPitchRadius } from './pieces/pieceOf';
import { outerEnd, powerFlow } from './powerFlow';

export interface PowerPath {
  /** Positions that carry load, each with the part of it that does: a shaft only from where power enters to where it leaves. */
  readonly lit: ReadonlyMap<string, Box>;
  /** Where loaded teeth meet. */
  readonly meshes: readonly Point[];
  /** From the input to each output, a line for each way that power takes; the other way round on coast. */
  readonly flow: readonly (readonly Point[])[];
  /** Bearings that carry the loaded bodies. */
  readonly bearings: ReadonlySet<string>;
}

const SLACK = 4;

/** The path of power on a drawn section, in its pixels. */
export function powerPath(type: UnitType, section: Section, inGear: TrainInGear): PowerPath | undefined {
  if (!inGear.described || inGear.train.status !== 'determined') return undefined;
  const { loadedPositions, loadedMeshes, loadedBearings } = inGear;
  const boxOf = (id: string | undefined): Box | undefined =>
    id === undefined ? undefined : section.boxes.get(id);
  const positionOfGear = (id: string) => type.gears.find((gear) => gear.id === id)?.position;
  const lit = new Map<string, Box>();
  for (const id of loadedPositions) {
    const box = boxOf(id);
    const position = type.positions.find((each) => each.id === id);
    if (box)
      lit.set(
        id,
        position?.draw?.shape === 'shaft' && position.orbit === undefined
          ? loadedLength(type, section, inGear, id, box)
          : box,
      );
  }
  const meshes = loadedMeshes.flatMap(({ a, b }): Point[] => {
    const pin = meetingOnOrbit(type, section, a, b);
    if (pin) return [pin];
    const [first, second] = [boxOf(positionOfGear(a)), boxOf(positionOfGear(b))];
    return first && second && boxesTouch(first, second, SLACK) ? [meetingPoint(first, second)] : [];
  });
  return { lit, meshes, flow: powerFlow(type, section, inGear), bearings: loadedBearings };
}

/** Where a planet's pitch line touches that of its sun or of its ring; undefined for gears that don't go round. */
function meetingOnOrbit(type: UnitType, section: Section, ...gears: [string, string]): Point | undefined {
  const placed = gears.map((id) => {
    const gear = type.gears.find((each) => each.id === id);
    return { gear, position: type.positions.find((each) => each.id === gear?.position) };
  });
  const planet = placed.find(({ position }) => position?.orbit !== undefined);
  const mate = placed.find((each) => each !== planet);
  const axis = type.axes.find(({ id }) => id === planet?.position?.axis);
  if (!planet?.gear || !planet.position || !axis) return undefined;
  const outward = mate?.gear?.kind === 'internal' ? 1 : -1;
  const { from = 0, to = 0, orbit = 0 } = planet.position;
  const [x, y] = frameOf(axis).at(
    (from + to) / 2,
    orbit + outward * drawnPitchRadius(type, planet.gear),
    'plus',
  );
  return [section.origin[0] + x * section.scale, section.origin[1] + y * section.scale];
}

/** Middle of the overlap of two boxes; boxes that only touch overlap by nothing. */
const meetingPoint = (a: Box, b: Box): Point => [
  (Math.max(a.left, b.left) + Math.min(a.right, b.right)) / 2,
  (Math.max(a.top, b.top) + Math.min(a.bottom, b.bottom)) / 2,
];

/** What of a shaft carries load: between the outermost loaded pieces on it, and out to the end where power comes or goes. */
function loadedLength(
  type: UnitType,
  section: Section,
  inGear: DescribedTrain,
  shaft: string,
  box: Box,
): Box {
  const position = type.positions.find(({ id }) => id === shaft);
  const axis = type.axes.find(({ id }) => id === position?.axis);
  if (!position || !axis) return box;
  const on = loadedOn(type, section, inGear, position.body ?? '').filter(({ id }) => id !== shaft);
  if (on.length === 0) return box;
  const upright = Math.abs(axis.direction[1]) > Math.abs(axis.direction[0]);
  const [low, high] = upright ? (['top', 'bottom'] as const) : (['left', 'right'] as const);
  let from = Math.min(...on.map(({ box: each }) => each[low]));
  let to = Math.max(...on.map(({ box: each }) => each[high]));
  if (isEnd(type, position.body ?? '')) {
    const runsUp = axis.direction[0] + axis.direction[1] < 0;
    if ((outerEnd(type, section, position) === 'low') === !runsUp) from = box[low];
    else to = box[high];
  }
  const part = { ...box, [low]: Math.max(box[low], from), [high]: Math.min(box[high], to) };
  return part[low] < part[high] ? part : box;
}

const isEnd = ({ power }: UnitType, body: string): boolean =>
  power?.input === body || (power?.outputs.some((output) => output.body === body) ?? false);

/** Loaded gears of a body, and the sleeves that tie it. */
function loadedOn(
  type: UnitType,
  section: Section,
  { passing, loadedMeshes }: DescribedTrain,
  body: string,
): { id: string; box: Box }[] {
  const gears = loadedMeshes.flatMap(({ a, b }) => [a, b]);
  const ids = [
    ...type.gears.filter(({ id }) => gears.includes(id)).map(({ position }) => position),
    ...type.couplings
      .filter(({ id, ties, position }) => position && ties.includes(body) && passing.has(id))
      .map(({ position }) => position!),
  ];
  return ids.flatMap((id) => {
    const own = type.positions.find((position) => position.id === id);
    const box = section.boxes.get(id);
    const tying = type.couplings.some(
      (coupling) => passing.has(coupling.id) && coupling.position === id && coupling.ties.includes(body),
    );
    return box && (own?.body === body || tying) ? [{ id, box }] : [];
  });
}
