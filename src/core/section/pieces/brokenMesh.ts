import type { Gear } from '@/model/train';
import type { UnitType } from '@/model/unitType';
import { frameOf } from '../frame';
import type { Point } from '../geometry';
import { drawnPitchRadius } from './pieceOf';
import { LEVEL, type Line } from './shapes';

const CLEAR = 4;
const POINTS = 16;

/**
 * A gear whose mate can't touch it on the sheet, since the axes were turned into one plane: a broken line from
 * pitch line to pitch line, bowed around what lies between. The mesh names the true distance of its axes.
 */
export function brokenMeshes(type: UnitType): { readonly positionId: string; readonly line: Line }[] {
  return type.meshes.flatMap((mesh) => {
    const a = type.gears.find(({ id }) => id === mesh.a);
    const b = type.gears.find(({ id }) => id === mesh.b);
    if (mesh.centreDistance === undefined || mesh.internal || mesh.kind !== 'gears' || !a || !b) return [];
    const from = pitchPoint(type, a, b);
    const to = pitchPoint(type, b, a);
    return from && to
      ? [{ positionId: a.position, line: { kind: 'broken', points: bow(from, to), level: LEVEL.bolt } }]
      : [];
  });
}

/** Beside a gear's right face, on its pitch line, on the side where the other gear's axis lies. */
function pitchPoint(type: UnitType, gear: Gear, other: Gear): Point | undefined {
  const place = placeOf(type, gear);
  const toward = placeOf(type, other);
  if (!place || !toward || place.axis.id === toward.axis.id) return undefined;
  const frame = frameOf(place.axis);
  const radius = drawnPitchRadius(type, gear);
  const [plus, minus] = (['plus', 'minus'] as const).map((side) =>
    frame.at(place.to + CLEAR, radius, side),
  ) as [Point, Point];
  const away = ([x, y]: Point) => Math.hypot(x - toward.axis.origin[0], y - toward.axis.origin[1]);
  return away(plus) < away(minus) ? plus : minus;
}

function placeOf(type: UnitType, gear: Gear) {
  const position = type.positions.find(({ id }) => id === gear.position);
  const axis = type.axes.find(({ id }) => id === position?.axis);
  return axis && position?.to !== undefined ? { axis, to: position.to } : undefined;
}

function bow([x0, y0]: Point, [x1, y1]: Point): Point[] {
  const depth = Math.hypot(x1 - x0, y1 - y0) * 0.32;
  return Array.from({ length: POINTS + 1 }, (_, index): Point => {
    const t = index / POINTS;
    return [x0 + (x1 - x0) * t + depth * 4 * t * (1 - t), y0 + (y1 - y0) * t];
  });
}
