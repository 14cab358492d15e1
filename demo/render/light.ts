import { mix, smooth } from './noise';

/**
 * The workshop as a piece of metal sees it: a dark room, a pale ceiling, two windows and a tube lamp. A dull
 * surface sees their edges soft. Answers the brightness in that direction and how warm it is (0 cold, 1 warm).
 */
export function roomLight(
  dx: number,
  dy: number,
  dz: number,
  rough: number,
): { light: number; warm: number } {
  const soft = 0.05 + rough * 0.75;
  const dim = 1 / (1 + rough * 1.6);
  const base = dy > 0 ? mix(0.1, 0.34, Math.sqrt(dy)) : mix(0.1, 0.05, Math.min(1, -dy * 2));
  const window1 =
    inside(dx / (Math.abs(dz) + 0.25), -1.6, -0.35, soft) *
    inside(dy, 0.22, 0.85, soft) *
    (dz < 0.3 ? 1 : 0.25);
  const window2 = inside(dx, 0.55, 0.95, soft) * inside(dy, 0.15, 0.7, soft);
  const tube = inside(dz + dx * 0.25, 0.02, 0.2, soft) * inside(dy, 0.55, 1.4, soft);
  return {
    light: base + dim * (window1 * 3.1 + window2 * 1.2 + tube * 1.9),
    warm: Math.min(1, 0.35 + window2 * 0.5 - window1 * 0.3),
  };
}

/** Direction toward the window that gives the shadows. */
export const KEY = { x: -0.56, y: 0.72, z: -0.4 } as const;

const inside = (value: number, from: number, to: number, soft: number): number =>
  smooth(from - soft, from + soft, value) * (1 - smooth(to - soft, to + soft, value));
