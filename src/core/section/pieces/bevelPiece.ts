import type { Draw } from '@/model/draw';
import type { Gear } from '@/model/train';
import type { AxisFrame } from '../frame';
import type { Point } from '../geometry';
import { onSide } from './revolve';
import { type Area, LEVEL, type Line, type Piece, SPACING } from './shapes';

type BevelDraw = Extract<Draw, { shape: 'bevel' }>;

export interface BevelCone {
  readonly heel: Point;
  readonly toe: Point;
  readonly heelTip: Point;
  readonly heelRoot: Point;
  readonly toeTip: Point;
  readonly toeRoot: Point;
}

/**
 * The cone of a bevel gear whose mate crosses it at a right angle, in [distance from the apex, radius]. Pitch
 * angle δ = atan(z / z_mate); the heel lies at radius m·z/2; addendum 1.0 m and dedendum 1.2 m at the heel,
 * shrinking toward the apex. For hypoids the offset is left out of the drawing.
 */
export function bevelCone(gear: Gear, mateTeeth: number): BevelCone {
  const delta = Math.atan2(gear.teeth, mateTeeth);
  const module = gear.module ?? 3;
  const radius = (module * gear.teeth) / 2;
  const coneDistance = radius / Math.sin(delta);
  const shrink = (coneDistance - gear.faceWidth) / coneDistance;
  const heel: Point = [radius / Math.tan(delta), radius];
  const away = (factor: number): Point => [
    heel[0] - factor * module * Math.sin(delta),
    heel[1] + factor * module * Math.cos(delta),
  ];
  const scaled = ([along, r]: Point): Point => [along * shrink, r * shrink];
  const [heelTip, heelRoot] = [away(1), away(-1.2)];
  return { heel, toe: scaled(heel), heelTip, heelRoot, toeTip: scaled(heelTip), toeRoot: scaled(heelRoot) };
}

export function bevelPiece(frame: AxisFrame, draw: BevelDraw, gear: Gear, mateTeeth: number): Piece {
  const cone = bevelCone(gear, mateTeeth);
  const toward = draw.lies === 'right' ? 1 : -1;
  const place = ([along, radius]: Point): Point => [draw.apex + toward * along, radius];
  if (draw.solid) return solidPinion(frame, gear, cone, place);
  const band = [cone.heelTip, cone.toeTip, cone.toeRoot, cone.heelRoot].map(place);
  const toeRoot = place(cone.toeRoot);
  const heelRoot = place(cone.heelRoot);
  const hub: Point[] = draw.hub
    ? [
        [draw.back, draw.hub.radius],
        [draw.hub.to, draw.hub.radius],
        [draw.hub.to, draw.bore],
      ]
    : [[draw.back, draw.bore]];
  const inner: Point[] = toeRoot[1] > draw.bore ? [[toeRoot[0], draw.bore], toeRoot] : [toeRoot];
  const body: Point[] = [heelRoot, [draw.back, heelRoot[1]], ...hub, ...inner];
  const areas: Area[] = frame.cutSides.flatMap((side) => [
    { tone: 'cut' as const, points: onSide(frame, body, side), level: LEVEL.cut, spacing: SPACING.gear },
    { tone: 'blank' as const, points: onSide(frame, band, side), level: LEVEL.cut, spacing: SPACING.gear },
  ]);
  const lines: Line[] = frame.cutSides.map((side) => ({
    kind: 'pitch',
    points: onSide(
      frame,
      [extend(cone.toe, cone.heel, -0.15), extend(cone.toe, cone.heel, 1.15)].map(place),
      side,
    ),
    level: LEVEL.rolling,
  }));
  return { areas, lines };
}

const extend = (a: Point, b: Point, t: number): Point => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t];

const STEPS = 8;

/** A pinion of one piece with its shaft: a cone seen from outside, its tooth lands winding along it. */
function solidPinion(frame: AxisFrame, gear: Gear, cone: BevelCone, place: (point: Point) => Point): Piece {
  const level = LEVEL.outside + cone.heelTip[1] + 2;
  const outline = [
    [cone.toeTip[0], 0] as Point,
    cone.toeTip,
    cone.heelTip,
    cone.heelRoot,
    [cone.heelRoot[0], 0] as Point,
  ].map(place);
  const areas: Area[] = [];
  const step = (2 * Math.PI) / gear.teeth;
  const twist =
    (Math.tan(((gear.spiralDeg ?? 0) * Math.PI) / 180) * gear.faceWidth) / ((cone.heel[1] + cone.toe[1]) / 2);
  const slant = gear.hand === 'left' ? -1 : 1;
  for (const side of ['plus', 'minus'] as const) {
    areas.push({ tone: 'steel', points: onSide(frame, outline, side), level, open: true });
    const across = side === 'plus' ? 1 : -1;
    for (let phi = -Math.PI; phi < Math.PI; phi += step) {
      const points = landAlongCone(cone, phi * across, step * 0.2, slant * across * twist);
      const kept = points.filter(([, height]) => height >= 0);
      if (kept.length >= 3) areas.push({ tone: 'land', points: onSide(frame, kept.map(place), side), level });
    }
  }
  return { areas, lines: [] };
}

function landAlongCone(cone: BevelCone, phi: number, half: number, twist: number): Point[] {
  const clamp = (angle: number) => Math.max(-Math.PI / 2, Math.min(Math.PI / 2, angle));
  const edge = (offset: number) =>
    Array.from({ length: STEPS + 1 }, (_, index): Point => {
      const t = index / STEPS;
      const [along, radius] = extend(cone.toeTip, cone.heelTip, t);
      return [along, radius * Math.sin(clamp(phi + offset + twist * (t - 0.5)))];
    });
  return [...edge(-half), ...edge(half).reverse()];
}
