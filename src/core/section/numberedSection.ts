import type { UnitType } from '@/model/unitType';
import { callouts } from './callouts';
import { describedStates } from './describedStates';
import { drawSection, type Section } from './drawSection';
import type { Point } from './geometry';
import { targetOf } from './target';

/** A place that a text speaks of by its number. */
export interface NumberedPlace {
  readonly number: number;
  readonly positionIds: readonly string[];
}

export interface NumberedDisc {
  readonly number: number;
  readonly at: Point;
  /** From the disc to what it points at. */
  readonly leader: readonly Point[];
}

export interface NumberedSection extends Pick<Section, 'width' | 'height' | 'marks' | 'centreLines'> {
  readonly discs: readonly NumberedDisc[];
  /** What is filled, so that it is found at a glance. */
  readonly filled: ReadonlySet<string>;
  /** Numbers of places that have no drawing; a text says so. */
  readonly notDrawn: readonly number[];
}

export const DISC_R = 13;
const ROW = 2 * DISC_R + 20;
const EDGE = 4;

/**
 * A unit cut open with numbers in a row above and below it: those of what lies in its upper half above, the others below.
 * Sizes in pixels; nothing where the type has no drawing at all.
 */
export function numberedSection(
  type: UnitType,
  places: readonly NumberedPlace[],
  { width, height }: { readonly width: number; readonly height: number },
): NumberedSection | undefined {
  const section = drawSection(type, {
    ...{ width, height, labels: false, states: describedStates(type) },
    clear: { top: ROW, bottom: ROW },
  });
  if (section.walk.length === 0) return undefined;
  const found = places.map(({ number, positionIds }) => ({
    number,
    top: targetOf(section, positionIds, 'top')?.anchor,
    bottom: targetOf(section, positionIds, 'bottom')?.anchor,
  }));
  const drawn = found.filter(({ top }) => top !== undefined);
  const isUpper = ({ top }: (typeof found)[number]) => top![1] <= height / 2;
  const row = (side: 'top' | 'bottom') => {
    const middleY = side === 'top' ? EDGE + DISC_R : height - EDGE - DISC_R;
    return callouts(
      drawn
        .filter((each) => isUpper(each) === (side === 'top'))
        .map((each) => ({ id: String(each.number), anchor: each[side]!, size: 2 * DISC_R })),
      {
        ...{ from: EDGE, to: width - EDGE, side },
        at: side === 'top' ? middleY + DISC_R : middleY - DISC_R,
      },
    ).map(({ id, middle, leader }): NumberedDisc => ({ number: Number(id), at: [middle, middleY], leader }));
  };
  return {
    ...{ width, height, marks: section.marks, centreLines: section.centreLines },
    discs: [...row('top'), ...row('bottom')].sort((a, b) => a.number - b.number),
    filled: new Set(places.flatMap(({ positionIds }) => positionIds)),
    notDrawn: found.filter(({ top }) => top === undefined).map(({ number }) => number),
  };
}
