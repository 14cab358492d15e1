import { boxesTouch, boxOf } from './geometry';
import type { Area } from './pieces/shapes';

export type HatchAngle = 45 | -45;

interface Owned {
  readonly positionId: string;
  readonly area: Area;
}

/**
 * Hatching at ±45°, reversed where two pieces touch: pieces in order of size take the angle that fewest of
 * their touching neighbours have. All cut areas of one piece share its angle, but for those marked turned.
 */
export function hatchAngles(owned: readonly Owned[]): Map<string, HatchAngle> {
  const hatched = owned.filter(({ area }) => area.spacing !== undefined && area.tone !== 'blank');
  const boxes = new Map<string, ReturnType<typeof boxOf>[]>();
  for (const { positionId, area } of hatched)
    boxes.set(positionId, [...(boxes.get(positionId) ?? []), boxOf(area.points)]);
  const angles = new Map<string, HatchAngle>();
  for (const [positionId, own] of boxes) {
    const touching = [...angles].filter(([other]) =>
      boxes.get(other)!.some((theirs) => own.some((mine) => boxesTouch(mine, theirs, 0.6))),
    );
    const leaning = touching.reduce((sum, [, angle]) => sum + Math.sign(angle), 0);
    angles.set(positionId, leaning > 0 ? -45 : 45);
  }
  return angles;
}
