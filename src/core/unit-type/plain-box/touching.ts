import type { PlainBox } from '@/model/plainBox';
import type { Position } from '@/model/unitType';
import { formatNumber } from '../../quantity/format';
import { nameOf } from './checkBox';
import { bevelOutside, type LaidOut, spurOutside } from './layOut';
import { type GearPair, type GearRow, pairsOf } from './pairs';

export interface NotTouching {
  /** Of the row in the box. */
  readonly path: string;
  readonly message: string;
}

/** Mates share less of their width than this part of the narrower one: they don't run together. */
const LEAST_SHARED = 0.3;
/** Shifted teeth, a worn tip and a rule of thumb stay within this of the outside that the distance asks for. */
const OUTSIDE_WITHIN = 0.07;
/** mm, and part of the distance: how far a cone may lie from where its mate has it. */
const CONE_WITHIN = { mm: 4, part: 0.15 };

/**
 * Declared mates that, as they were measured, don't touch, and gears that meet nothing: told, never refused, for any of the figures may be
 * the wrong one.
 */
export function notTouching(positions: readonly Position[], box: PlainBox, laid: LaidOut): NotTouching[] {
  const pairs = pairsOf(box);
  const met = new Set(pairs.flat().map(({ position }) => position));
  return [
    ...pairs.flatMap((pair) => ofPair(positions, box, laid, pair)),
    ...box.gears.flatMap(({ position }, index) =>
      met.has(position)
        ? []
        : [{ path: `gears.${index}.mate`, message: `${nameOf(positions, position)} meets nothing yet` }],
    ),
  ];
}

function ofPair(positions: readonly Position[], box: PlainBox, laid: LaidOut, pair: GearPair): NotTouching[] {
  const [a, b] = pair;
  const isBevel = lineOf(laid, a).upright !== lineOf(laid, b).upright;
  const told = isBevel
    ? [...conesApart(positions, laid, a, b), ...conesApart(positions, laid, b, a)]
    : besideEachOther(positions, laid, pair);
  return [...told, ...outsideOff(positions, laid, pair, isBevel)].map(({ gear, message }) => ({
    path: `gears.${box.gears.indexOf(gear)}`,
    message,
  }));
}

interface Told {
  readonly gear: GearRow;
  readonly message: string;
}

const lineOf = (laid: LaidOut, { shaft }: GearRow) => laid.lines.get(laid.rootOf(shaft))!;
const mm = (value: number): string => `${formatNumber(value, 1)} mm`;

/** From and to along the sheet, mm. */
const reachOf = (laid: LaidOut, { shaft, place, width }: GearRow): [number, number] => {
  const from = laid.endOf(shaft) + place;
  return [from, from + width];
};

function besideEachOther(positions: readonly Position[], laid: LaidOut, [a, b]: GearPair): Told[] {
  const [one, other] = [reachOf(laid, a), reachOf(laid, b)];
  const shared = Math.min(one[1], other[1]) - Math.max(one[0], other[0]);
  if (shared >= LEAST_SHARED * Math.min(a.width, b.width)) return [];
  const name = (gear: GearRow) => nameOf(positions, gear.position);
  const how =
    shared < 0
      ? `pass each other by ${mm(-shared)} along their shafts`
      : `share only ${mm(shared)} of their width`;
  return [
    {
      gear: b,
      message: `${name(a)} and ${name(b)} ${how}: a place, or which of them meet, is wrong`,
    },
  ];
}

/** The heel of a bevel gear lies m·z_mate/2 from where the axes cross. */
function conesApart(positions: readonly Position[], laid: LaidOut, gear: GearRow, mate: GearRow): Told[] {
  const crossing = lineOf(laid, mate).across;
  const distances = reachOf(laid, gear).map((at) => at - crossing) as [number, number];
  const side = distances[0] + distances[1] < 0 ? -1 : 1;
  const [near, far] = distances.map((at) => at * side).sort((x, y) => x - y) as [number, number];
  const heel = (laid.modules.get(gear.position)! * mate.teeth) / 2;
  const within = Math.max(CONE_WITHIN.mm, CONE_WITHIN.part * heel);
  if (heel >= near - within && heel <= far + within) return [];
  const name = nameOf(positions, gear.position);
  return [
    {
      gear,
      message: `${name} lies ${mm(Math.max(near, 0))} to ${mm(far)} from where the shafts cross, and its teeth would meet those of ${nameOf(positions, mate.position)} at ${mm(heel)}: a place, a count or an outside diameter is wrong`,
    },
  ];
}

function outsideOff(
  positions: readonly Position[],
  laid: LaidOut,
  [a, b]: GearPair,
  isBevel: boolean,
): Told[] {
  return (
    [
      [a, b],
      [b, a],
    ] as const
  ).flatMap(([gear, mate]) => {
    if (gear.outside === undefined) return [];
    const module = laid.modules.get(gear.position)!;
    const asked = isBevel ? bevelOutside(module, gear, mate) : spurOutside(module, gear.teeth);
    if (Math.abs(gear.outside - asked) <= OUTSIDE_WITHIN * asked) return [];
    const name = nameOf(positions, gear.position);
    return [
      {
        gear,
        message: `${name} measures ${mm(gear.outside)} over its teeth; to meet ${nameOf(positions, mate.position)} where it lies, ${gear.teeth} teeth would measure ${mm(asked)}: a count, an outside or a mate is wrong`,
      },
    ];
  });
}
