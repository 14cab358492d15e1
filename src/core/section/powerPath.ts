import type { UnitType } from '@/model/unitType';
import type { TrainInGear } from '../gearing/trainOfType';
import type { Section } from './drawSection';
import { type Box, boxesTouch, type Point } from './geometry';

export interface PowerPath {
  /** Positions that carry load, each with the part of it that does: a shaft only from where power enters to where it leaves. */
  readonly lit: ReadonlyMap<string, Box>;
  /** Where loaded teeth meet. */
  readonly meshes: readonly Point[];
  /** From the input to the output along the axes, where power goes one way only; empty where it divides. */
  readonly flow: readonly Point[];
}

const SLACK = 4;

/** The path of power on a drawn section, in its pixels. */
export function powerPath(type: UnitType, section: Section, inGear: TrainInGear): PowerPath | undefined {
  if (!inGear.described || inGear.train.status !== 'determined') return undefined;
  const { loadedPositions, loadedMeshes } = inGear;
  const boxOf = (id: string | undefined): Box | undefined =>
    id === undefined ? undefined : section.boxes.get(id);
  const positionOfGear = (id: string) => type.gears.find((gear) => gear.id === id)?.position;
  const lit = new Map<string, Box>();
  for (const id of loadedPositions) {
    const box = boxOf(id);
    const position = type.positions.find((each) => each.id === id);
    if (box)
      lit.set(id, position?.draw?.shape === 'shaft' ? loadedLength(type, section, inGear, id, box) : box);
  }
  const meshes = loadedMeshes.flatMap(({ a, b }): Point[] => {
    const [first, second] = [boxOf(positionOfGear(a)), boxOf(positionOfGear(b))];
    return first && second && boxesTouch(first, second, SLACK) ? [meetingPoint(first, second)] : [];
  });
  return { lit, meshes, flow: flowLine(type, section, inGear) };
}

/** Middle of the overlap of two boxes; boxes that only touch overlap by nothing. */
const meetingPoint = (a: Box, b: Box): Point => [
  (Math.max(a.left, b.left) + Math.min(a.right, b.right)) / 2,
  (Math.max(a.top, b.top) + Math.min(a.bottom, b.bottom)) / 2,
];

const centre = ({ left, right, top, bottom }: Box): Point => [(left + right) / 2, (top + bottom) / 2];

const along = (type: UnitType, body: string): 'x' | 'y' => {
  const axis = type.axes.find(({ id }) => id === type.bodies.find((each) => each.id === body)?.axis);
  return axis && Math.abs(axis.direction[1]) > Math.abs(axis.direction[0]) ? 'y' : 'x';
};

/** What of a shaft carries load: between the outermost loaded pieces on it, and out to the end where power comes or goes. */
function loadedLength(
  type: UnitType,
  section: Section,
  inGear: Extract<TrainInGear, { described: true }>,
  shaft: string,
  box: Box,
): Box {
  const body = type.positions.find(({ id }) => id === shaft)?.body ?? '';
  const on = loadedOn(type, section, inGear, body).filter(({ id }) => id !== shaft);
  if (on.length === 0) return box;
  const [low, high] = along(type, body) === 'x' ? (['left', 'right'] as const) : (['top', 'bottom'] as const);
  let from = Math.min(...on.map(({ box: each }) => each[low]));
  let to = Math.max(...on.map(({ box: each }) => each[high]));
  if (isEnd(type, body)) {
    if (outerEnd(section, box, along(type, body)) === 'low') from = box[low];
    else to = box[high];
  }
  const part = { ...box, [low]: Math.max(box[low], from), [high]: Math.min(box[high], to) };
  return part[low] < part[high] ? part : box;
}

/** Power comes and goes at the end of a shaft that lies farther from the middle of the unit. */
function outerEnd(section: Section, box: Box, direction: 'x' | 'y'): 'low' | 'high' {
  const boxes = [...section.boxes.values()];
  const [low, high] = direction === 'x' ? (['left', 'right'] as const) : (['top', 'bottom'] as const);
  const middle =
    (Math.min(...boxes.map((each) => each[low])) + Math.max(...boxes.map((each) => each[high]))) / 2;
  return Math.abs(box[low] - middle) > Math.abs(box[high] - middle) ? 'low' : 'high';
}

const isEnd = ({ power }: UnitType, body: string): boolean =>
  power?.input === body || (power?.outputs.some((output) => output.body === body) ?? false);

/** Loaded gears of a body, and the sleeves that tie it. */
function loadedOn(
  type: UnitType,
  section: Section,
  { passing, loadedMeshes }: Extract<TrainInGear, { described: true }>,
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

interface Step {
  readonly to: string;
  /** The gears of a mesh in passing order, or the position of a coupling. */
  readonly gears?: readonly [string, string];
  readonly coupling?: string | undefined;
}

/** Bodies from the input to the only output through loaded meshes and couplings; undefined where power divides. */
function wayOf(type: UnitType, inGear: Extract<TrainInGear, { described: true }>): Step[] | undefined {
  const { power } = type;
  if (power?.outputs.length !== 1 || type.meshes.some(({ carrier }) => carrier !== undefined))
    return undefined;
  const bodyOf = (gear: string) =>
    type.positions.find(({ id }) => id === type.gears.find((each) => each.id === gear)?.position)?.body ?? '';
  const edges = [
    ...inGear.loadedMeshes.map(({ a, b }) => ({ ends: [bodyOf(a), bodyOf(b)], gears: [a, b] as const })),
    ...type.couplings
      .filter(({ id }) => inGear.passing.has(id))
      .map(({ ties, position }) => ({ ends: ties, coupling: position })),
  ];
  const way: Step[] = [];
  const used = new Set<object>();
  let at = power.input;
  while (at !== power.outputs[0]!.body) {
    const next = edges.filter((edge) => !used.has(edge) && edge.ends.includes(at));
    const [edge] = next;
    if (next.length !== 1 || !edge) return undefined;
    used.add(edge);
    const turned = edge.ends[0] !== at;
    const to = edge.ends[turned ? 0 : 1]!;
    way.push(
      'gears' in edge
        ? { to, gears: turned ? [edge.gears[1], edge.gears[0]] : [edge.gears[0], edge.gears[1]] }
        : { to, coupling: edge.coupling },
    );
    at = to;
  }
  return way;
}

function flowLine(
  type: UnitType,
  section: Section,
  inGear: Extract<TrainInGear, { described: true }>,
): Point[] {
  const way = wayOf(type, inGear);
  const { power } = type;
  if (!way || !power) return [];
  const gearCentre = (gear: string) => {
    const box = section.boxes.get(type.gears.find((each) => each.id === gear)?.position ?? '');
    return box && centre(box);
  };
  const inner: Point[] = way.flatMap(({ gears, coupling }): Point[] => {
    if (gears) return gears.map(gearCentre).filter((point) => point !== undefined);
    const box = coupling === undefined ? undefined : section.boxes.get(coupling);
    return box ? [centre(box)] : [];
  });
  if (inner.length === 0) return [];
  return [...endOf(type, section, power.input), ...inner, ...endOf(type, section, power.outputs[0]!.body)];
}

/** The free end of a body's shaft. */
function endOf(type: UnitType, section: Section, body: string): Point[] {
  const shaft = type.positions.find((each) => each.body === body && each.draw?.shape === 'shaft');
  const box = shaft && section.boxes.get(shaft.id);
  if (!box) return [];
  const [x, y] = centre(box);
  const low = outerEnd(section, box, along(type, body)) === 'low';
  return along(type, body) === 'x' ? [[low ? box.left : box.right, y]] : [[x, low ? box.top : box.bottom]];
}
