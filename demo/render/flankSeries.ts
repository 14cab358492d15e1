import type { Quad } from '@/core/imaging/raster';
import { type FlankOptions, figuresFrom, type Pit, type Rgb } from './flank';

/* Series of flank pictures by seed: the same seed always makes the same picture. */

/** Marking compounds as shops use them, in linear light; the second lies near the colour of rust. */
const COMPOUNDS: readonly Rgb[] = [
  [0.62, 0.42, 0.03],
  [0.3, 0.075, 0.03],
  [0.03, 0.07, 0.28],
  [0.72, 0.56, 0.1],
  [0.05, 0.2, 0.1],
];

const WIDTH = 560;
const HEIGHT = 420;

/** Corners as a hand-held camera sees them: turned a little, and in perspective. */
function cornersFrom(random: () => number): Quad {
  const turn = (random() - 0.5) * 0.5;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const lean = 0.16 * (random() - 0.5);
  const [half, tall] = [165 + 60 * random(), 62 + 28 * random()];
  const [cx, cy] = [WIDTH / 2 + 30 * (random() - 0.5), HEIGHT / 2 + 30 * (random() - 0.5)];
  const corner = (x: number, y: number) => [cx + x * cos - y * sin, cy + x * sin + y * cos] as const;
  return [
    corner(-half * (1 + lean), tall),
    corner(half * (1 - lean), tall * (1 + lean)),
    corner(half * (1 - lean) * 0.95, -tall * (1 + lean)),
    corner(-half * (1 + lean) * 0.96, -tall),
  ];
}

/** A painted flank that was rolled: hard in many ways at once, but such as a person can read. */
export function paintedFlank(seed: number): FlankOptions {
  const random = figuresFrom(seed + 9000);
  const between = (low: number, high: number) => low + (high - low) * random();
  const half = [between(0.14, 0.32), between(0.2, 0.36)] as const;
  return {
    seed,
    width: WIDTH,
    height: HEIGHT,
    corners: cornersFrom(random),
    compound: COMPOUNDS[Math.floor(random() * COMPOUNDS.length)],
    patch: {
      at: [between(half[0] + 0.06, 0.94 - half[0]), between(half[1] + 0.04, 0.96 - half[1])],
      half,
      turn: between(-0.3, 0.3),
      power: between(2, 3.2),
      rough: between(0.1, 0.5),
    },
    streaks: between(0, 0.7),
    margin: random() < 0.6 ? between(0.01, 0.03) : 0,
    cast: [between(0.85, 1.18), between(0.94, 1.06), between(0.8, 1.18)],
    glare: between(0, 0.4),
    oil: between(0, 0.8),
    shadow: random() < 0.5 ? between(0.4, 1) : 0,
    rust: random() < 0.5 ? between(0.4, 1) : 0,
    exposure: between(0.75, 1.35),
    grain: between(0.5, 1.5),
  };
}

/** A bare flank with pits, or without where none are asked for. */
export function pittedFlank(seed: number, most: number): FlankOptions {
  const random = figuresFrom(seed + 31000);
  const between = (low: number, high: number) => low + (high - low) * random();
  const pits: Pit[] = [];
  const wanted = most === 0 ? 0 : 1 + Math.floor(random() * most);
  for (let tries = 0; pits.length < wanted && tries < 200; tries += 1) {
    const pit = {
      at: [between(0.1, 0.9), between(0.15, 0.85)] as const,
      radius: between(0.012, 0.045),
      squash: between(0.7, 1.3),
    };
    const clear = pits.every(
      ({ at, radius }) =>
        Math.hypot(at[0] - pit.at[0], (at[1] - pit.at[1]) * 0.45) > 1.6 * (radius + pit.radius),
    );
    if (clear) pits.push(pit);
  }
  return {
    seed,
    width: WIDTH,
    height: HEIGHT,
    corners: cornersFrom(random),
    pits,
    cast: [between(0.88, 1.14), 1, between(0.84, 1.14)],
    glare: between(0, 0.45),
    oil: between(0, 0.6),
    shadow: random() < 0.4 ? between(0.3, 0.8) : 0,
    stains: random() < 0.5 ? between(0.3, 0.9) : 0,
    exposure: between(0.8, 1.3),
    grain: between(0.5, 1.5),
  };
}
