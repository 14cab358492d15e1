import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { homographyOf, project, UNIT_SQUARE } from '@/core/imaging/homography';
import type { Point, Quad } from '@/core/imaging/raster';
import { develop } from './develop';
import { layered, mix, type Noise, seededNoise, smooth } from './noise';

/*
 * A tooth flank as a camera sees it when it was painted and rolled: drawn straight in the plane of the flank, so that what
 * is on it is known exactly. Faster than the ray-traced scenes by far, and made to be hard: glare, oil, shadows, casts.
 */

export type Rgb = readonly [number, number, number];

/** What the renderer put there, in flank coordinates: the first from toe to heel, the second from root to top. */
export interface PatchTruth {
  readonly coverage: number;
  readonly centroid: { readonly length: number; readonly height: number };
  readonly extent: { readonly length: readonly [number, number]; readonly height: readonly [number, number] };
}

export interface Pit {
  readonly at: Point;
  /** Radii along and across, as shares of the flank's length. */
  readonly radius: number;
  readonly squash: number;
}

export interface FlankOptions {
  readonly seed: number;
  readonly width: number;
  readonly height: number;
  /** toe-root, heel-root, heel-top, toe-top, pixels. */
  readonly corners: Quad;
  /** Marking compound in linear light; none: the flank is bare. */
  readonly compound?: Rgb | undefined;
  readonly patch?: {
    readonly at: Point;
    readonly half: Point;
    /** Radians. */
    readonly turn: number;
    /** 2 is an ellipse, more is squarer. */
    readonly power: number;
    /** How rough its edge is. */
    readonly rough: number;
  };
  readonly streaks?: number;
  /** How far the brush stayed away from the edges, as a share of the flank. */
  readonly margin?: number;
  readonly cast?: Rgb;
  readonly glare?: number;
  readonly oil?: number;
  readonly shadow?: number;
  readonly rust?: number;
  readonly pits?: readonly Pit[];
  readonly stains?: number;
  readonly blur?: number;
  readonly exposure?: number;
  readonly grain?: number;
}

const STEEL_LIGHT: Rgb = [0.3, 0.31, 0.32];
const RUST: Rgb = [0.17, 0.065, 0.025];

/** A stream of figures 0…1 from a seed. */
export function figuresFrom(seed: number): () => number {
  const generator = xoroshiro128plus(seed * 2654435 + 17);
  return () => uniformInt(generator, 0, 0xffffff) / 0xffffff;
}

/** How far the compound was squeezed out at a place: 1 inside the patch, 0 outside, the half at its edge. */
function squeezed(patch: NonNullable<FlankOptions['patch']>, noise: Noise, u: number, v: number): number {
  const [du, dv] = [u - patch.at[0], (v - patch.at[1]) * 0.45];
  const along = (du * Math.cos(patch.turn) + dv * Math.sin(patch.turn)) / patch.half[0];
  const across = (-du * Math.sin(patch.turn) + dv * Math.cos(patch.turn)) / (patch.half[1] * 0.45);
  const away = (Math.abs(along) ** patch.power + Math.abs(across) ** patch.power) ** (1 / patch.power);
  // Far from the edge no roughness matters.
  if (away < 0.5 || away > 1.5) return away < 1 ? 1 : 0;
  const lump = patch.rough * (layered(noise, u * 9, v * 4.5, 3, 3) - 0.5);
  return 1 - smooth(0.92, 1.08, away + lump);
}

/** The patch measured on a fine grid from its own formula, not from any picture. */
export function patchTruth({ seed, patch }: FlankOptions): PatchTruth {
  if (!patch) throw new RangeError('there is no patch to tell of');
  const noise = seededNoise(seed);
  const [columns, rows] = [600, 300];
  const across = new Float64Array(columns);
  const down = new Float64Array(rows);
  let count = 0;
  for (let row = 0; row < rows; row += 1)
    for (let column = 0; column < columns; column += 1) {
      if (squeezed(patch, noise, (column + 0.5) / columns, (row + 0.5) / rows) < 0.5) continue;
      count += 1;
      across[column]! += 1;
      down[row]! += 1;
    }
  const mean = (line: Float64Array) =>
    line.reduce((sum, cells, at) => sum + (cells * (at + 0.5)) / line.length, 0) / count;
  const at = (line: Float64Array, share: number) => {
    let before = 0;
    const index = line.findIndex((cells) => {
      before += cells;
      return before >= share * count;
    });
    return (index + 0.5) / line.length;
  };
  return {
    coverage: count / (columns * rows),
    centroid: { length: mean(across), height: mean(down) },
    extent: { length: [at(across, 0.05), at(across, 0.95)], height: [at(down, 0.05), at(down, 0.95)] },
  };
}

/** Compound this thick hides the metal as well as it does outside the patch. */
const HIDING = 0.4;

/** Share of the patch that can't be seen, because streaks of compound as thick as outside were left on it. */
export function hiddenShare({ seed, patch, streaks = 0 }: FlankOptions): number {
  if (!patch || streaks === 0) return 0;
  const [noise, fine] = [seededNoise(seed), seededNoise(seed + 501)];
  const [columns, rows] = [160, 80];
  let [hidden, all] = [0, 0];
  for (let row = 0; row < rows; row += 1)
    for (let column = 0; column < columns; column += 1) {
      const [u, v] = [(column + 0.5) / columns, (row + 0.5) / rows];
      if (squeezed(patch, noise, u, v) < 0.5) continue;
      all += 1;
      if (streakAt(fine, u, v) * streaks > HIDING) hidden += 1;
    }
  return hidden / all;
}

/** Streaks along the flank where compound stayed in the patch, 0…1. */
const streakAt = (fine: Noise, u: number, v: number): number => smooth(0.58, 0.66, fine(u * 3.2, v * 22, 31));

/** Share of the flank that pits take, by counting on a fine grid. */
export function pitTruth({ pits = [] }: Pick<FlankOptions, 'pits'>): { areaFraction: number; count: number } {
  const [columns, rows] = [800, 400];
  let inside = 0;
  for (let row = 0; row < rows; row += 1)
    for (let column = 0; column < columns; column += 1)
      if (pits.some((pit) => pitDepth(pit, (column + 0.5) / columns, (row + 0.5) / rows) > 0)) inside += 1;
  return { areaFraction: inside / (columns * rows), count: pits.length };
}

const pitDepth = ({ at, radius, squash }: Pit, u: number, v: number): number => {
  // Far outside, which is nearly everywhere.
  if (Math.abs(u - at[0]) > 1.3 * radius) return -1;
  const angle = Math.atan2((v - at[1]) * 0.45 * squash, u - at[0]);
  const ragged = 1 + 0.16 * Math.sin(3 * angle + at[0] * 40) + 0.1 * Math.sin(7 * angle + at[1] * 60);
  return 1 - Math.hypot(u - at[0], (v - at[1]) * 0.45 * squash) / (radius * ragged);
};

interface Mixed {
  colour: [number, number, number];
  /** How much it mirrors the lamp. */
  gloss: number;
}

/** The whole picture: eight-bit sRGB, three channels. */
export function renderFlank(options: FlankOptions): Uint8Array {
  const { width, height, corners, seed, exposure = 1, cast = [1, 1, 1], grain = 1 } = options;
  const noise = seededNoise(seed);
  const fine = seededNoise(seed + 501);
  const back = homographyOf(corners, UNIT_SQUARE);
  const light = new Float32Array(width * height * 3);
  const scene = sceneOf(options, noise, fine);
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      const [u, v] = project(back, x + 0.5, y + 0.5);
      const colour = scene(u, v, x / width, y / height);
      for (let channel = 0; channel < 3; channel += 1)
        light[(y * width + x) * 3 + channel] = colour[channel]! * cast[channel]! * exposure;
    }
  }
  return develop(light, { width, height, seed, blur: options.blur ?? 0, grain });
}

/** What is seen at a place of the flank's plane, and of the picture for what the lamp does. */
function sceneOf(options: FlankOptions, noise: Noise, fine: Noise) {
  const { glare = 0, shadow = 0, oil = 0, seed } = options;
  const random = figuresFrom(seed);
  const lamp = { u: 0.2 + 0.6 * random(), v: 0.2 + 0.6 * random(), turn: random() * 3 };
  const slope = [0.5 * (random() - 0.5), 0.5 * (random() - 0.5)] as const;
  const shade = { at: 0.3 + 0.4 * random(), lean: random() - 0.5 };
  const result: [number, number, number] = [0, 0, 0];
  return (u: number, v: number, px: number, py: number): readonly [number, number, number] => {
    const inside = u >= 0 && u <= 1 && v >= 0 && v <= 1;
    const { colour, gloss } = inside
      ? flankAt(options, noise, fine, u, v)
      : besideAt(options, noise, fine, u, v);
    let lit = 1 + slope[0] * (px - 0.5) * 2 + slope[1] * (py - 0.5) * 2;
    const film = oil === 0 ? 0 : oil * smooth(0.45, 0.7, layered(noise, u * 2 + 9, v * 1.2, 8, 3));
    lit *= 1 - 0.35 * film;
    const dark = shadow * smooth(shade.at - 0.05, shade.at + 0.05, u + shade.lean * (v - 0.5));
    lit *= 1 - 0.62 * dark;
    // The lamp's image: a soft streak on the flank, stronger on bare metal and on oil.
    const [lu, lv] = [u - lamp.u, (v - lamp.v) * 0.45];
    const along = lu * Math.cos(lamp.turn) + lv * Math.sin(lamp.turn);
    const across = -lu * Math.sin(lamp.turn) + lv * Math.cos(lamp.turn);
    const far = (along / 0.16) ** 2 + (across / 0.035) ** 2;
    const streak = far > 9 || glare === 0 ? 0 : Math.exp(-far) * (0.7 + 0.6 * noise(u * 40, v * 40, 1));
    const shine = glare * streak * (gloss + 0.5 * film);
    for (let channel = 0; channel < 3; channel += 1) {
      const tint = channel === 2 ? 1 - 0.25 * film : 1;
      result[channel] = colour[channel]! * lit * tint + shine * 1.6;
    }
    return result;
  };
}

/** Bare metal of the flank: grinding lines, a slow change of light, rust, stains and pits. */
function metalAt(
  { rust = 0, pits = [], stains = 0 }: FlankOptions,
  noise: Noise,
  fine: Noise,
  u: number,
  v: number,
): Mixed {
  const lines = 0.5 + 0.5 * fine(u * 6, v * 130, 2);
  const slow = layered(noise, u * 2.2, v * 1.3, 5, 3);
  const bright = 0.62 + 0.3 * lines + 0.5 * (slow - 0.5);
  const colour: [number, number, number] = [0, 0, 0];
  const rusty = rust === 0 ? 0 : rust * smooth(0.6, 0.72, layered(noise, u * 7, v * 4, 11, 4));
  const stain = stains === 0 ? 0 : stains * smooth(0.5, 0.75, layered(noise, u * 3, v * 2, 21, 3));
  for (let channel = 0; channel < 3; channel += 1) {
    const steel = STEEL_LIGHT[channel]! * bright * (1 - stain * [0.25, 0.32, 0.45][channel]!);
    colour[channel] = mix(steel, RUST[channel]! * (0.7 + 0.6 * lines), rusty);
  }
  let gloss = 1 - 0.9 * rusty - 0.3 * stain;
  // Loops, not functions made on the spot: this runs for every pixel.
  let deep = 0;
  for (const pit of pits) deep = Math.max(deep, pitDepth(pit, u, v));
  if (deep > 0) {
    const dark = 0.24 + 0.5 * (fine(u * 70, v * 40, 7) - 0.5) * 0.5;
    for (let channel = 0; channel < 3; channel += 1)
      colour[channel] = mix(colour[channel]!, STEEL_LIGHT[channel]! * dark, smooth(0, 0.12, deep));
    gloss *= 0.15;
  }
  return { colour, gloss };
}

function flankAt(options: FlankOptions, noise: Noise, fine: Noise, u: number, v: number): Mixed {
  const metal = metalAt(options, noise, fine, u, v);
  const { compound, patch, streaks = 0, margin = 0 } = options;
  if (!compound) return metal;
  const out = patch ? squeezed(patch, noise, u, v) : 0;
  // The brush: strokes along the flank, a ragged stop near the edges, and a rim where the squeezed-out compound piled up.
  const stroke = 0.4 + 0.9 * fine(u * 5, v * 26, 4);
  const stop = margin === 0 ? 0 : margin * (0.6 + 0.9 * layered(noise, u * 6, v * 6, 15, 3));
  const edge = Math.min(u, 1 - u, (v * 0.45) / 0.9, ((1 - v) * 0.45) / 0.9);
  const painted = margin > 0 ? smooth(stop * 0.7, stop * 1.3, edge) : 1;
  const rim = out > 0.02 && out < 0.5 ? 1.5 : 1;
  const left = streaks > 0 ? streakAt(fine, u, v) * streaks : 0;
  const thick = painted * stroke * rim * (1 - out * (0.94 - 0.8 * left));
  const hides = 1 - Math.exp(-3.4 * thick);
  const colour: [number, number, number] = [0, 0, 0];
  for (let channel = 0; channel < 3; channel += 1)
    colour[channel] = mix(metal.colour[channel]!, compound[channel]! * (0.8 + 0.3 * stroke), hides);
  return { colour, gloss: mix(metal.gloss, 0.35, hides) };
}

/** Beyond the flank: the land on the top, the dark root and gap, the next tooth, a grey bench far out. */
function besideAt(options: FlankOptions, noise: Noise, fine: Noise, u: number, v: number): Mixed {
  const { compound } = options;
  if (v > 1 && v < 1.22 && u > -0.02 && u < 1.02) {
    const land = 0.85 + 0.2 * fine(u * 3, v * 90, 6);
    const smear = compound ? smooth(0.6, 0.75, layered(noise, u * 5, v * 5, 41, 3)) * 0.8 : 0;
    const under = compound ?? STEEL_LIGHT;
    return {
      colour: [
        mix(STEEL_LIGHT[0] * land * 1.25, under[0], smear),
        mix(STEEL_LIGHT[1] * land * 1.25, under[1], smear),
        mix(STEEL_LIGHT[2] * land * 1.25, under[2], smear),
      ],
      gloss: 0.8,
    };
  }
  if (v < 0 && v > -0.16) {
    const deep = 0.05 + 0.05 * noise(u * 9, v * 9, 2);
    return { colour: [deep, deep * 0.98, deep * 0.92], gloss: 0.1 };
  }
  if (u < -0.02 || u > 1.02) {
    const end = (0.2 + 0.1 * noise(u * 12, v * 6, 3)) * 0.6;
    return { colour: [end, end, end * 1.03], gloss: 0.2 };
  }
  const far = 0.1 + 0.12 * noise(u * 5, v * 5, 17);
  return { colour: [far * 1.02, far, far * 0.94], gloss: 0.2 };
}
