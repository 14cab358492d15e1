import type { Draw } from '@/model/draw';
import type { Gear } from '@/model/train';
import type { AxisFrame, Side } from '../frame';
import type { Point } from '../geometry';
import { onSide } from './revolve';
import { type Area, LEVEL, type Line, type Piece, SPACING } from './shapes';

type GearDraw = Extract<Draw, { shape: 'gear' }>;

export interface GearBlock {
  readonly from: number;
  readonly to: number;
  readonly pitch: number;
  readonly gear: Gear;
}

const ADDENDUM = 1;
const DEDENDUM = 1.25;
const LAND_SHARE = 0.34;

const tipOf = ({ pitch, gear }: GearBlock) =>
  pitch + (gear.kind === 'internal' ? -1 : 1) * ADDENDUM * (gear.module ?? 2);
const rootOf = ({ pitch, gear }: GearBlock) =>
  pitch - (gear.kind === 'internal' ? -1 : 1) * DEDENDUM * (gear.module ?? 2);

/** A cylindrical gear: hatched from bore to root and a blank tooth band where it is cut, tooth lands to the true count where it is seen. */
export function gearPiece(frame: AxisFrame, draw: GearDraw, block: GearBlock): Piece {
  const areas: Area[] = [];
  const lines: Line[] = [];
  const internal = block.gear.kind === 'internal';
  const cutSides: readonly Side[] = internal ? ['plus', 'minus'] : frame.cutSides;
  for (const side of cutSides) {
    areas.push({
      tone: 'blank',
      points: onSide(frame, toothBand(block), side),
      level: LEVEL.cut,
      spacing: SPACING.gear,
    });
    areas.push({
      tone: 'cut',
      points: onSide(frame, internal ? ringBody(block, draw) : gearBody(block, draw), side),
      level: LEVEL.cut,
      spacing: SPACING.gear,
    });
    for (const profile of dogProfiles(block, draw))
      areas.push({
        tone: 'cut',
        points: onSide(frame, profile, side),
        level: LEVEL.cut,
        spacing: SPACING.race,
      });
    lines.push({
      kind: 'pitch',
      points: onSide(
        frame,
        [
          [block.from - 2.5, block.pitch],
          [block.to + 2.5, block.pitch],
        ],
        side,
      ),
      level: LEVEL.rolling,
    });
  }
  for (const side of internal ? [] : frame.facingSides) {
    const level = LEVEL.outside + tipOf(block);
    areas.push({
      tone: 'steel',
      points: onSide(frame, seenBlock(block.from, block.to, tipOf(block)), side),
      level,
      open: true,
    });
    areas.push(...lands(frame, block, side, level));
    for (const profile of dogProfiles(block, draw)) {
      const outer = Math.max(...profile.map(([, radius]) => radius));
      const [from, to] = [Math.min(...profile.map(([z]) => z)), Math.max(...profile.map(([z]) => z))];
      areas.push({
        tone: 'steel',
        points: onSide(frame, seenBlock(from, to, outer), side),
        level: LEVEL.outside + outer,
        open: true,
      });
    }
    lines.push({
      kind: 'pitch',
      points: onSide(
        frame,
        [
          [block.from - 2.5, block.pitch],
          [block.to + 2.5, block.pitch],
        ],
        side,
      ),
      level: LEVEL.cut + 50,
    });
  }
  return { areas, lines };
}

export const rectangle = (from: number, to: number, inner: number, outer: number): Point[] => [
  [from, inner],
  [to, inner],
  [to, outer],
  [from, outer],
];

/** A cylinder seen from outside, from the axis up and down to it again. */
const seenBlock = (from: number, to: number, outer: number): Point[] => [
  [from, 0],
  [from, outer],
  [to, outer],
  [to, 0],
];

/** The tooth from root to tip, its edges broken by a small chamfer. */
function toothBand(block: GearBlock): Point[] {
  const [root, tip] = [rootOf(block), tipOf(block)];
  const chamfer = Math.min(0.8, (block.to - block.from) / 8);
  const edge = tip - Math.sign(tip - root) * chamfer;
  return [
    [block.from, root],
    [block.to, root],
    [block.to, edge],
    [block.to - chamfer, tip],
    [block.from + chamfer, tip],
    [block.from, edge],
  ];
}

function gearBody(block: GearBlock, { bore, web }: GearDraw): Point[] {
  const root = rootOf(block);
  const { from, to } = block;
  if (!web) return rectangle(from, to, bore, root);
  const middle = (from + to) / 2;
  const [left, right] = [middle - web.width / 2, middle + web.width / 2];
  return [
    [from, bore],
    [to, bore],
    [to, web.hub],
    [right, web.hub + 2],
    [right, web.rim - 2],
    [to, web.rim],
    [to, root],
    [from, root],
    [from, web.rim],
    [left, web.rim - 2],
    [left, web.hub + 2],
    [from, web.hub],
  ];
}

/** An internal gear's metal lies outside its teeth; `bore` is then its outer radius. */
const ringBody = (block: GearBlock, { bore }: GearDraw): Point[] =>
  rectangle(block.from, block.to, rootOf(block), bore);

function dogProfiles(block: GearBlock, { bore, dogs }: GearDraw): Point[][] {
  if (!dogs) return [];
  const toward = dogs.side === 'right' ? 1 : -1;
  const face = dogs.side === 'right' ? block.to : block.from;
  const end = face + toward * dogs.width;
  const ring = rectangle(Math.min(face, end), Math.max(face, end), bore, dogs.radius);
  if (!dogs.cone) return [ring];
  const coneEnd = end + toward * dogs.width * 1.5;
  return [
    ring,
    [
      [end, bore],
      [coneEnd, bore],
      [coneEnd, dogs.cone - 1.4],
      [end, dogs.cone],
    ],
  ];
}

/** The tops of the teeth that face us: at tip radius · sin φ, sheared by the helix; mates slant against each other. */
function lands(frame: AxisFrame, block: GearBlock, side: Side, level: number): Area[] {
  const { gear, from, to, pitch } = block;
  const tip = tipOf(block);
  const step = (2 * Math.PI) / gear.teeth;
  const half = step * LAND_SHARE * 0.5;
  const slant = gear.hand === 'left' ? -1 : 1;
  const shear = (slant * (to - from) * Math.tan(((gear.helixDeg ?? 0) * Math.PI) / 180)) / pitch;
  const across = side === 'plus' ? 1 : -1;
  const height = (phi: number) => across * tip * Math.sin(Math.max(-Math.PI / 2, Math.min(Math.PI / 2, phi)));
  const areas: Area[] = [];
  // Teeth of the whole facing half of the gear; this side of the axis keeps what lies on it.
  for (let phi = -Math.PI; phi < Math.PI; phi += step) {
    const corners: Point[] = [
      [from, height(phi - half - shear / 2)],
      [to, height(phi - half + shear / 2)],
      [to, height(phi + half + shear / 2)],
      [from, height(phi + half - shear / 2)],
    ];
    const kept = clipAbove(corners);
    if (kept.length >= 3) areas.push({ tone: 'land', points: onSide(frame, kept, side), level });
  }
  return areas;
}

/** Clips a polygon of [place, height] to heights at or above the axis. */
function clipAbove(polygon: readonly Point[]): Point[] {
  return polygon.flatMap((end, index) => {
    const start = polygon.at(index - 1)!;
    const crosses = start[1] >= 0 !== end[1] >= 0;
    const t = start[1] / (start[1] - end[1]);
    const crossing: Point[] = crosses ? [[start[0] + t * (end[0] - start[0]), 0]] : [];
    return end[1] >= 0 ? [...crossing, end] : crossing;
  });
}
