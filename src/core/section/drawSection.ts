import type { Position, UnitType } from '@/model/unitType';
import { frameOf } from './frame';
import { type Box, boxOf, type Point, pointInside } from './geometry';
import { type HatchAngle, hatchAngles } from './hatching';
import { EDGE, FOOT, labelSection } from './labels/labelSection';
import { LABEL_HEIGHT, type LabelSide, type PlacedLabel } from './labels/labels';
import { brokenMeshes } from './pieces/brokenMesh';
import { hullPieces } from './pieces/hullPiece';
import { pieceOf } from './pieces/pieceOf';
import type { LineKind, Piece, Tone } from './pieces/shapes';
import type { SectionOptions } from './sectionOptions';
import { type ToothPlate, toothPlates } from './toothPlates';

export interface DrawnArea {
  readonly positionId: string;
  readonly tone: Tone;
  readonly points: readonly Point[];
  readonly holes?: readonly (readonly Point[])[];
  readonly open?: boolean;
  readonly hatch?: { readonly angle: HatchAngle; readonly spacing: number };
}
export interface DrawnLine {
  readonly positionId: string;
  readonly kind: LineKind;
  readonly points: readonly Point[];
}

export interface Section {
  readonly width: number;
  readonly height: number;
  /** Pixels per millimetre. */
  readonly scale: number;
  /** Where [0, 0] of the millimetres lies, in pixels. */
  readonly origin: Point;
  /** In painting order. */
  readonly marks: readonly ({ readonly area: DrawnArea } | { readonly line: DrawnLine })[];
  readonly centreLines: readonly (readonly Point[])[];
  readonly labels: readonly PlacedLabel[];
  readonly plates: readonly ToothPlate[];
  /** Drawn positions in the order in which arrows walk them: axis by axis, along each. */
  readonly walk: readonly string[];
  /** The same, each axis by itself. */
  readonly walks: readonly (readonly string[])[];
  /** Positions that have no drawing yet; they are reached through the list beside it. */
  readonly notDrawn: readonly string[];
  readonly boxes: ReadonlyMap<string, Box>;
  readonly anchors: ReadonlyMap<string, Point>;
}

interface Drawn {
  readonly position: Position;
  readonly piece: Piece;
}

const ROW = LABEL_HEIGHT + 34;

/** Draws a unit cut open, from its type's data alone: every piece placed, hatched, labelled, scaled to fit. */
export function drawSection(type: UnitType, options: SectionOptions): Section {
  const drawn = drawPieces(type);
  const centreLinesMm = type.axes.map((axis) => {
    const frame = frameOf(axis);
    return [frame.at(axis.from, 0, 'plus'), frame.at(axis.to, 0, 'plus')];
  });
  const everything = [
    ...drawn.flatMap(({ piece }) => piece.areas.flatMap((area) => area.points)),
    ...centreLinesMm.flat(),
  ];
  const sides = new Set(options.labels ? drawn.map(({ position }) => position.label?.side ?? 'top') : []);
  const whole = fitInto(
    everything.length > 0 ? boxOf(everything) : { left: 0, top: 0, right: 1, bottom: 1 },
    options,
    sides,
  );
  const { k, x, y } = options.view ?? { k: 1, x: 0, y: 0 };
  const fit = { scale: whole.scale * k, dx: whole.dx * k + x, dy: whole.dy * k + y };
  const onSheet = (points: readonly Point[]): Point[] =>
    points.map(([px, py]) => [fit.dx + px * fit.scale, fit.dy + py * fit.scale]);
  const angles = hatchAngles(
    drawn.flatMap(({ position, piece }) => piece.areas.map((area) => ({ positionId: position.id, area }))),
  );
  const marks = paintingOrder(drawn, onSheet, angles);
  const boxes = new Map<string, Box>();
  const anchors = new Map<string, Point>();
  for (const { position, piece } of drawn) {
    boxes.set(position.id, boxOf(onSheet(piece.areas.flatMap((area) => area.points))));
    anchors.set(position.id, anchorOf(piece, position.label?.side ?? 'top', onSheet));
  }
  const walks = walkingOrder(type, drawn, anchors);
  return {
    width: options.width,
    height: options.height,
    scale: fit.scale,
    origin: [fit.dx, fit.dy],
    marks,
    centreLines: centreLinesMm.map(onSheet),
    labels: options.labels
      ? labelSection(type, inSight(drawn, anchors, options), anchors, polygonsOf(marks), options)
      : [],
    plates: toothPlates(
      type,
      drawn.map(({ position, piece }) => ({ positionId: position.id, piece })),
      onSheet,
    ),
    walk: walks.flat(),
    walks,
    notDrawn: type.positions.filter((position) => !anchors.has(position.id)).map(({ id }) => id),
    boxes,
    anchors,
  };
}

/** Pieces depend on the type alone: opening a part or turning the tablet doesn't cast the case again. */
const drawnBefore = new WeakMap<UnitType, Drawn[]>();

function drawPieces(type: UnitType): Drawn[] {
  const known = drawnBefore.get(type);
  if (known) return known;
  const drawn = piecesOfType(type);
  drawnBefore.set(type, drawn);
  return drawn;
}

function piecesOfType(type: UnitType): Drawn[] {
  const broken = brokenMeshes(type);
  const held = type.positions.flatMap((position): Drawn[] => {
    const piece = pieceOf(type, position);
    if (!piece) return [];
    const own = broken.filter(({ positionId }) => positionId === position.id).map(({ line }) => line);
    return [{ position, piece: { ...piece, lines: [...piece.lines, ...own] } }];
  });
  const hulls = type.positions.flatMap((position) =>
    position.draw?.shape === 'hull' ? [{ position, draw: position.draw }] : [],
  );
  const pieces = hullPieces(
    type,
    hulls.map(({ draw }) => draw),
    held,
  );
  const castings = hulls.flatMap(({ position }, index): Drawn[] => {
    const piece = pieces[index]!;
    return piece.areas.length > 0 ? [{ position, piece }] : [];
  });
  return [...castings, ...held];
}

/** Room for the rows of labels above and below; columns stand beside the drawing where it leaves room. */
function fitInto(
  content: Box,
  { width, height, labels, clear = { top: 0, bottom: 0 } }: SectionOptions,
  sides: ReadonlySet<LabelSide>,
) {
  const top = (sides.has('top') ? ROW : EDGE) + clear.top;
  const bottom = (sides.has('bottom') ? ROW : EDGE) + (labels ? FOOT : 0) + clear.bottom;
  const roomX = width - 2 * EDGE;
  const roomY = height - top - bottom;
  const scale = Math.min(roomX / (content.right - content.left), roomY / (content.bottom - content.top));
  const dx = EDGE + (roomX - (content.right - content.left) * scale) / 2 - content.left * scale;
  const dy = top + (roomY - (content.bottom - content.top) * scale) / 2 - content.top * scale;
  return { scale, dx, dy };
}

function paintingOrder(
  drawn: readonly Drawn[],
  onSheet: (points: readonly Point[]) => Point[],
  angles: ReadonlyMap<string, HatchAngle>,
): Section['marks'] {
  const leveled = drawn.flatMap(({ position: { id: positionId }, piece }) => [
    ...piece.areas.map((area) => {
      const angle = angles.get(positionId) ?? 45;
      const hatch =
        area.spacing === undefined || area.tone === 'blank'
          ? {}
          : { hatch: { angle: (area.turned ? -angle : angle) as HatchAngle, spacing: area.spacing } };
      return {
        level: area.level,
        order: 0,
        mark: {
          area: {
            positionId,
            tone: area.tone,
            points: onSheet(area.points),
            ...(area.holes ? { holes: area.holes.map(onSheet) } : {}),
            ...(area.open ? { open: true } : {}),
            ...hatch,
          },
        },
      };
    }),
    // A line lies on its own area, below whatever hides that area.
    ...piece.lines.map((line) => ({
      level: line.level,
      order: 1,
      mark: { line: { positionId, kind: line.kind, points: onSheet(line.points) } },
    })),
  ]);
  return leveled.sort((a, b) => a.level - b.level || a.order - b.order).map(({ mark }) => mark);
}

/** The leader's dot: inside the piece's topmost visible part on the side where its label stands. */
function anchorOf(piece: Piece, side: LabelSide, onSheet: (points: readonly Point[]) => Point[]): Point {
  const visible = piece.areas.filter((area) => area.tone !== 'cavity' && area.tone !== 'land');
  const topLevel = Math.max(...visible.map(({ level }) => level));
  const candidates = visible
    .filter(({ level }) => level >= Math.min(topLevel, 1000))
    .map((area) => pointInside(onSheet(area.points), area.holes?.map(onSheet)));
  const wish: Record<LabelSide, (point: Point) => number> = {
    top: ([, y]) => y,
    bottom: ([, y]) => -y,
    left: ([x, y]) => x - y * 0.2,
    right: ([x, y]) => -x - y * 0.2,
  };
  return candidates.reduce((best, next) => (wish[side](next) < wish[side](best) ? next : best));
}

/** Looked at from nearer, only what is still on the sheet earns a label. */
const inSight = (
  drawn: readonly Drawn[],
  anchors: ReadonlyMap<string, Point>,
  { width, height }: SectionOptions,
) =>
  drawn
    .map(({ position }) => position)
    .filter(({ id }) => {
      const [x, y] = anchors.get(id)!;
      return x >= 0 && x <= width && y >= 0 && y <= height;
    });

const polygonsOf = (marks: Section['marks']) =>
  marks.flatMap((mark) => ('area' in mark ? [mark.area.points] : []));

/** Axis by axis in the type's order, along each; what stands on no axis comes last, from left to right. */
function walkingOrder(
  type: UnitType,
  drawn: readonly Drawn[],
  anchors: ReadonlyMap<string, Point>,
): string[][] {
  const isAxis = (id: string | undefined) => type.axes.some((axis) => axis.id === id);
  // What lies on no axis (a cover, a fork) comes last.
  return [...type.axes.map(({ id }) => id), undefined].flatMap((axis) => {
    const along = drawn
      .map(({ position }) => position)
      .filter((position) => (axis === undefined ? !isAxis(position.axis) : position.axis === axis))
      .sort((a, b) => (a.from ?? 0) - (b.from ?? 0) || anchors.get(a.id)![0] - anchors.get(b.id)![0]);
    return along.length > 0 ? [along.map(({ id }) => id)] : [];
  });
}
