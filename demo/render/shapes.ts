import { length } from './length';
/* Signed distances of simple bodies, centimetres. */

export const box = (
  x: number,
  y: number,
  z: number,
  hx: number,
  hy: number,
  hz: number,
  round: number,
): number => {
  const [qx, qy, qz] = [Math.abs(x) - hx + round, Math.abs(y) - hy + round, Math.abs(z) - hz + round];
  return (
    length(Math.max(qx, 0), Math.max(qy, 0), Math.max(qz, 0)) + Math.min(Math.max(qx, qy, qz), 0) - round
  );
};

/** A rectangle in the half-plane of [radius, height]: a ring of rectangular section about the y axis. */
export const ringSection = (
  radius: number,
  y: number,
  inner: number,
  outer: number,
  low: number,
  high: number,
  round: number,
): number =>
  box(
    radius - (inner + outer) / 2,
    y - (low + high) / 2,
    0,
    (outer - inner) / 2,
    (high - low) / 2,
    1e9,
    round,
  );

export const cylinder = (
  axial: number,
  radial: number,
  half: number,
  radius: number,
  round: number,
): number => {
  const [qx, qy] = [Math.abs(axial) - half + round, radial - radius + round];
  return length(Math.max(qx, 0), Math.max(qy, 0)) + Math.min(Math.max(qx, qy), 0) - round;
};

/** Joins two distances with a fillet. */
export const smoothMin = (a: number, b: number, k: number): number => {
  const h = Math.max(k - Math.abs(a - b), 0) / k;
  return Math.min(a, b) - h * h * k * 0.25;
};

/** The fractional place within a tooth's pitch, −0.5…0.5; the tooth itself is the rounded figure. */
export const placeInPitch = (turns: number): number => turns - Math.round(turns);

/** Keeps a costly body from being worked out while the ray is still far from the box that holds it. */
export const bounded = (
  body: (x: number, y: number, z: number) => number,
  centre: readonly [number, number, number],
  half: readonly [number, number, number],
) => {
  const [cx, cy, cz] = centre;
  const [hx, hy, hz] = half;
  return (x: number, y: number, z: number): number => {
    const away = Math.max(Math.abs(x - cx) - hx, Math.abs(y - cy) - hy, Math.abs(z - cz) - hz);
    return away > 0.3 ? away : body(x, y, z);
  };
};
