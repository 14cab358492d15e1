import type { Position, UnitType } from '@/model/unitType';
import type { Point } from '../geometry';
import type { SectionOptions } from '../sectionOptions';
import { withoutCrossings } from './crossings';
import { freeColumn } from './freeColumn';
import { LABEL_HEIGHT, type LabelText, type PlacedLabel, placeLabels } from './labels';

/** Kept free around the sheet. */
export const EDGE = 14;
/** The scale bar stands below everything else. */
export const FOOT = 22;

const LABELS_AT_TOP = 6;
/** The keys that bring the drawing nearer stand in the corner below on the right. */
const KEYS = 100;
const LAST_RANK = 9;

/** Places the labels of all four sides: rows above and below, columns where the drawing leaves room for them. */
export function labelSection(
  type: UnitType,
  positions: readonly Position[],
  anchors: ReadonlyMap<string, Point>,
  polygons: readonly (readonly Point[])[],
  { width, height, states, selected }: SectionOptions,
): PlacedLabel[] {
  const texts = positions
    .filter((position) => position.label !== undefined || position.id === selected)
    .map((position) =>
      labelText(type, position, anchors.get(position.id)!, states, position.id === selected),
    );
  const row = { from: EDGE, to: width - EDGE };
  const topRow = texts.some(({ side }) => side === 'top') ? LABELS_AT_TOP + LABEL_HEIGHT : 0;
  const bottomRow = texts.some(({ side }) => side === 'bottom') ? LABEL_HEIGHT : 0;
  const between: Point = [topRow + EDGE, height - FOOT - bottomRow - EDGE];
  const placed = (['top', 'bottom', 'left', 'right'] as const).flatMap((side) => {
    const own = texts.filter((text) => text.side === side);
    if (own.length === 0) return [];
    if (side === 'top') return placeLabels(own, { ...row, side, at: LABELS_AT_TOP });
    if (side === 'bottom')
      return placeLabels(own, { ...row, to: row.to - KEYS, side, at: height - LABEL_HEIGHT - 4 - FOOT });
    return placeLabels(own, freeColumn(side, own, polygons, width, between));
  });
  return withoutCrossings(placed);
}

function labelText(
  type: UnitType,
  position: Position,
  anchor: Point,
  states: SectionOptions['states'],
  mustStand: boolean,
): LabelText {
  const stack = type.stacks.find((entry) => entry.position === position.id);
  return {
    positionId: position.id,
    side: position.label?.side ?? 'top',
    rank: position.label?.rank ?? LAST_RANK,
    anchor,
    title: position.name,
    words: wordsFor(position, states, stack),
    mustStand,
    ...(stack ? { badge: stack.letter } : {}),
  };
}

function wordsFor(
  position: Position,
  states: SectionOptions['states'],
  stack: UnitType['stacks'][number] | undefined,
): string {
  const state = states.get(position.id);
  const unseen = (state?.grade ?? null) === null;
  if (stack && unseen) return `thicker: ${stack.thicker}`;
  if (position.oneUse && unseen) return 'one-use';
  return state?.words ?? 'not looked at';
}
