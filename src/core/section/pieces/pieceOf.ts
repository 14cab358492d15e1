import type { Axis } from '@/model/draw';
import type { Gear } from '@/model/train';
import type { Position, UnitType } from '@/model/unitType';
import { pitchRadius } from '../../unit-type/meshFaults';
import { frameOf } from '../frame';
import { bearingPiece } from './bearingPiece';
import { bevelPiece } from './bevelPiece';
import { chainPiece } from './chainPiece';
import { gearPiece, rectangle } from './gearPiece';
import { platesPiece, springPiece } from './packPieces';
import { revolve } from './revolve';
import { shaftPiece } from './shaftPiece';
import { LEVEL, type Piece, SPACING } from './shapes';
import { boltsPiece, sealPiece } from './smallPieces';

/** What is drawn for one position, in millimetres of the sheet; undefined for a piece that is not described yet. */
export function pieceOf(type: UnitType, position: Position): Piece | undefined {
  const { draw } = position;
  if (!draw) return undefined;
  if (draw.shape === 'outline') {
    return {
      areas: [
        ...(draw.cavity ?? []).map((points) => ({ tone: 'cavity' as const, points, level: LEVEL.cavity })),
        ...draw.outlines.map((points) => ({
          tone: 'case' as const,
          points,
          level: LEVEL.casting,
          spacing: SPACING.case,
        })),
      ],
      lines: [],
    };
  }
  if (draw.shape === 'bolts') return boltsPiece(draw);
  const axis = type.axes.find(({ id }) => id === position.axis);
  const { from, to } = position;
  if (!axis || from === undefined || to === undefined) return undefined;
  if (draw.shape === 'chain') return chainPiece(type, { from, to }, draw);
  return position.orbit === undefined
    ? alongAxis(type, position, axis, from, to)
    : goingRound(type, position, axis, position.orbit);
}

/** Planets and what sits on their pins: drawn above and below the axis that they go round, cut through the middle. */
function goingRound(type: UnitType, position: Position, axis: Axis, orbit: number): Piece {
  const pieces = (['plus', 'minus'] as const).flatMap((side) => {
    const own: Axis = { ...axis, origin: [...frameOf(axis).at(0, orbit, side)], cut: 'both' };
    return alongAxis(type, position, own, position.from!, position.to!) ?? [];
  });
  return { areas: pieces.flatMap(({ areas }) => areas), lines: pieces.flatMap(({ lines }) => lines) };
}

function alongAxis(
  type: UnitType,
  position: Position,
  axis: Axis,
  from: number,
  to: number,
): Piece | undefined {
  const frame = frameOf(axis);
  const draw = position.draw!;
  const cutBothSides = position.body === 'case';
  switch (draw.shape) {
    case 'shaft':
      return shaftPiece(frame, from, draw);
    case 'turned':
      return revolve(frame, draw.profiles, { solid: draw.solid ?? false, cutBothSides });
    case 'ring':
      return revolve(frame, [rectangle(from, to, draw.inner, draw.outer)], {
        solid: draw.tone === 'solid',
        spacing: SPACING.washer,
        cutBothSides,
      });
    case 'bearing':
      return bearingPiece(frame, from, to, draw);
    case 'plates':
      return platesPiece(frame, from, to, draw);
    case 'spring':
      return springPiece(frame, from, to, draw);
    case 'seal':
      return sealPiece(frame, from, to, draw);
    case 'gear': {
      const gear = type.gears.find(({ id }) => id === draw.gear);
      return gear && gearPiece(frame, draw, { from, to, gear, pitch: drawnPitchRadius(type, gear) });
    }
    case 'bevel': {
      const gear = type.gears.find(({ id }) => id === draw.gear);
      return gear && bevelPiece(frame, draw, gear, mateTeeth(type, gear));
    }
    default:
      return undefined;
  }
}

function mateTeeth(type: UnitType, gear: Gear): number {
  const mesh = type.meshes.find(({ a, b }) => a === gear.id || b === gear.id);
  const mate = type.gears.find(({ id }) => id === (mesh?.a === gear.id ? mesh.b : mesh?.a));
  return mate?.teeth ?? gear.teeth;
}

const axisOf = (type: UnitType, gear: Gear): Axis | undefined => {
  const position = type.positions.find(({ id }) => id === gear.position);
  return type.axes.find(({ id }) => id === position?.axis);
};

/**
 * Radius of the pitch line as drawn. Where both gears of a mesh lie on axes of the sheet, the working pitch
 * radii share the distance of the axes in the ratio of the teeth, so that the two lines coincide.
 */
export function drawnPitchRadius(type: UnitType, gear: Gear): number {
  for (const mesh of type.meshes) {
    if (mesh.kind !== 'gears' || (mesh.a !== gear.id && mesh.b !== gear.id) || mesh.internal) continue;
    const mate = type.gears.find(({ id }) => id === (mesh.a === gear.id ? mesh.b : mesh.a));
    const own = axisOf(type, gear);
    const other = mate && axisOf(type, mate);
    if (!mate || !own || !other || own.id === other.id || mesh.centreDistance !== undefined) continue;
    const distance = Math.hypot(other.origin[0] - own.origin[0], other.origin[1] - own.origin[1]);
    return (distance * gear.teeth) / (gear.teeth + mate.teeth);
  }
  return pitchRadius(gear);
}
