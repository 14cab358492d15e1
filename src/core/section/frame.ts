import type { Axis } from '@/model/draw';
import type { Point } from './geometry';

export type Side = 'plus' | 'minus';

/** An axis as a frame on the sheet: where a place along it and a radius beside it lie. */
export interface AxisFrame {
  readonly axis: Axis;
  readonly at: (along: number, radius: number, side: Side) => Point;
  readonly cutSides: readonly Side[];
  readonly facingSides: readonly Side[];
}

/** `plus` is the side to the left of the axis's direction: above an axis that runs right (y runs down). */
export function frameOf(axis: Axis): AxisFrame {
  const length = Math.hypot(...axis.direction) || 1;
  const [ax, ay] = [axis.direction[0] / length, axis.direction[1] / length];
  const [ox, oy] = axis.origin;
  const at = (along: number, radius: number, side: Side): Point => {
    const r = side === 'plus' ? radius : -radius;
    return [ox + ax * along + ay * r, oy + ay * along - ax * r];
  };
  const cutSides: Side[] = axis.cut === 'both' ? ['plus', 'minus'] : [axis.cut];
  const facingSides = (['plus', 'minus'] as const).filter((side) => !cutSides.includes(side));
  return { axis, at, cutSides, facingSides };
}
