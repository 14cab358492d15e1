import type { PlainBox } from '@/model/plainBox';
import type { Position } from '@/model/unitType';
import { BadInput } from '../../badInput';
import { nameOf } from './checkBox';
import { type GearPair, type GearRow, pairsOf } from './pairs';

type ShaftRow = PlainBox['shafts'][number];

/** A straight line of the sheet with one shaft or several in line on it, mm: level ones run right at y = `across`, upright ones down at x = `across`. */
export interface Line {
  readonly upright: boolean;
  readonly across: number;
  /** Where the left (upper) end of its first shaft lies along it. */
  readonly zero: number;
}

export interface LaidOut {
  /** By the first shaft of each. */
  readonly lines: ReadonlyMap<string, Line>;
  readonly rootOf: (shaft: string) => string;
  /** Along the sheet, mm: where the left (upper) end of a shaft lies. */
  readonly endOf: (shaft: string) => number;
  readonly modules: ReadonlyMap<string, number>;
}

/** Half the angle of a bevel gear's pitch cone, radians, for axes at a right angle. */
export const coneAngle = (gear: GearRow, mate: GearRow): number => Math.atan2(gear.teeth, mate.teeth);

/**
 * Where each shaft lies and what module each pair has. In line and across lie as was said; all others lie beside each other at the distance
 * that their first pair of gears needs, with that pair face to face. A further pair between the same two takes the module that this distance
 * gives it, so that all mates touch.
 * @throws BadInput for shafts that nothing joins, and for mates that turn about one line
 */
export function layOut(positions: readonly Position[], box: PlainBox): LaidOut {
  const { rootOf, offsetOf } = shaftsInLine(positions, box.shafts);
  const lines = new Map<string, Line>([
    [rootOf(box.shafts[0]!.position), { upright: false, across: 0, zero: 0 }],
  ]);
  const modules = new Map<string, number>();
  const endOf = (shaft: string) => lines.get(rootOf(shaft))!.zero + offsetOf(shaft);
  const crossings = box.shafts.filter(({ lies }) => lies?.how === 'across');
  const crossed = new Set(
    crossings.map(({ position, lies }) => pairKey(rootOf(position), rootOf(lies!.with))),
  );
  const waiting = [...pairsOf(box)];
  while (true) {
    if (crossings.some((shaft) => placeAcross(shaft, { lines, rootOf, offsetOf }))) continue;
    const next = waiting.findIndex((pair) => {
      const [one, other] = pair.map(({ shaft }) => rootOf(shaft)) as [string, string];
      return (
        (lines.has(one) && lines.has(other)) ||
        ((lines.has(one) || lines.has(other)) && !crossed.has(pairKey(one, other)))
      );
    });
    if (next < 0) break;
    placePair(waiting.splice(next, 1)[0]!, { positions, box, lines, modules, rootOf, offsetOf });
  }
  const loose = box.shafts.findIndex(({ position }) => !lines.has(rootOf(position)));
  if (loose >= 0)
    throw new BadInput(
      `shafts.${loose}`,
      `nothing joins ${nameOf(positions, box.shafts[loose]!.position)} to the others: no gear on it meets one of theirs, and it is said to lie neither in line with one nor across it`,
    );
  return { lines, rootOf, endOf, modules };
}

const pairKey = (one: string, other: string): string => [one, other].sort().join(' ');

interface InLine {
  readonly rootOf: (shaft: string) => string;
  readonly offsetOf: (shaft: string) => number;
}

function shaftsInLine(positions: readonly Position[], shafts: readonly ShaftRow[]): InLine {
  const found = new Map<string, { readonly root: string; readonly offset: number }>();
  const trace = (id: string, seen: readonly string[]): { readonly root: string; readonly offset: number } => {
    const known = found.get(id);
    if (known) return known;
    const index = shafts.findIndex(({ position }) => position === id);
    if (seen.includes(id))
      throw new BadInput(
        `shafts.${index}.lies`,
        `${nameOf(positions, id)} lies in line with a shaft that lies in line with it: one of them is the first`,
      );
    const lies = shafts[index]?.lies;
    if (lies?.how !== 'in line') return { root: id, offset: 0 };
    const { root, offset } = trace(lies.with, [...seen, id]);
    return { root, offset: offset + lies.start };
  };
  for (const { position } of shafts) found.set(position, trace(position, []));
  return { rootOf: (shaft) => found.get(shaft)!.root, offsetOf: (shaft) => found.get(shaft)!.offset };
}

interface Placing extends InLine {
  readonly lines: Map<string, Line>;
}

/** Puts a shaft that crosses another in its place, or the other where this one lies already. True where something was placed. */
function placeAcross({ position, lies }: ShaftRow, { lines, rootOf, offsetOf }: Placing): boolean {
  if (lies?.how !== 'across') return false;
  const [own, other] = [rootOf(position), rootOf(lies.with)];
  const [here, there] = [lines.get(own), lines.get(other)];
  if (there && !here) {
    const crossing = there.zero + offsetOf(lies.with) + lies.at;
    lines.set(own, {
      ...{ upright: !there.upright, across: crossing },
      zero: there.across + lies.start - offsetOf(position),
    });
    return true;
  }
  if (here && !there) {
    lines.set(other, {
      ...{ upright: !here.upright, across: here.zero + offsetOf(position) - lies.start },
      zero: here.across - lies.at - offsetOf(lies.with),
    });
    return true;
  }
  return false;
}

interface Pairing extends Placing {
  readonly positions: readonly Position[];
  readonly box: PlainBox;
  readonly modules: Map<string, number>;
}

function placePair([a, b]: GearPair, { positions, box, lines, modules, rootOf, offsetOf }: Pairing): void {
  const [one, other] = [lines.get(rootOf(a.shaft)), lines.get(rootOf(b.shaft))];
  if (one && other && one.upright !== other.upright) {
    const module = modules.get(a.position) ?? modules.get(b.position) ?? bevelModule(a, b) ?? box.module;
    for (const { position } of [a, b]) modules.set(position, module);
    return;
  }
  const teeth = a.teeth + b.teeth;
  const index = box.gears.indexOf(a);
  if (one && other) {
    const distance = Math.abs(one.across - other.across);
    if (distance === 0)
      throw new BadInput(
        `gears.${index}.mate`,
        `${nameOf(positions, a.position)} and ${nameOf(positions, b.position)} turn about one line: they can’t meet`,
      );
    for (const { position } of [a, b]) modules.set(position, (2 * distance) / teeth);
    return;
  }
  const module = modules.get(a.position) ?? modules.get(b.position) ?? spurModule([a, b]) ?? box.module;
  for (const { position } of [a, b]) modules.set(position, module);
  const [placed, free] = one ? [a, b] : [b, a];
  const line = one ?? other!;
  const middle = (gear: GearRow) => offsetOf(gear.shaft) + gear.place + gear.width / 2;
  lines.set(rootOf(free.shaft), {
    ...{ upright: line.upright, across: freeSide(line, (module * teeth) / 2, [...lines.values()]) },
    zero: line.zero + middle(placed) - middle(free),
  });
}

/** Below (to the right), unless another line is nearer there than on the other side. */
function freeSide({ upright, across }: Line, distance: number, lines: readonly Line[]): number {
  const room = (at: number) =>
    Math.min(
      ...lines.filter((line) => line.upright === upright).map((line) => Math.abs(line.across - at)),
      Number.POSITIVE_INFINITY,
    );
  const [below, above] = [across + distance, across - distance];
  return room(above) > room(below) + 1e-9 ? above : below;
}

/** Over the tips of a straight gear without shift: m·(z + 2). */
export const spurOutside = (module: number, teeth: number): number => module * (teeth + 2);
/** Over the tips at the heel of a straight bevel gear: m·(z + 2·cos δ). */
export const bevelOutside = (module: number, gear: GearRow, mate: GearRow): number =>
  module * (gear.teeth + 2 * Math.cos(coneAngle(gear, mate)));

const mean = (values: readonly number[]): number | undefined =>
  values.length === 0 ? undefined : values.reduce((sum, value) => sum + value, 0) / values.length;

const spurModule = (pair: GearPair): number | undefined =>
  mean(
    pair.flatMap(({ outside, teeth }) => (outside === undefined ? [] : [outside / spurOutside(1, teeth)])),
  );
const bevelModule = (a: GearRow, b: GearRow): number | undefined =>
  mean([
    ...(a.outside === undefined ? [] : [a.outside / bevelOutside(1, a, b)]),
    ...(b.outside === undefined ? [] : [b.outside / bevelOutside(1, b, a)]),
  ]);
