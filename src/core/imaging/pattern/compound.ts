import { blur, blurWeighted } from '../blur';
import { quantile, sampled } from '../planes';
import type { Rectified } from '../rectify';

/** Chromaticity of linear light: shares of red and of blue in the sum. A lamp that is brighter or dimmer doesn't change it. */
export interface Chroma {
  readonly red: number;
  readonly blue: number;
}

/** How a flank falls into two colours, and which of them is the compound. */
export interface CompoundSplit {
  /** 0 bare metal … 1 compound, for each cell. */
  readonly amount: Float32Array;
  /** 0 where nothing can be said: blown out, or too dark to have a colour. */
  readonly trust: Float32Array;
  readonly metal: Chroma;
  readonly compound: Chroma;
  /** Distance of the two colours, in shares of the light. */
  readonly contrast: number;
  /** The same in units of the scatter within them. */
  readonly separation: number;
  /** −1 … 1: how well the place of the compound (all round) agrees with its colour (stronger than metal). */
  readonly agreement: number;
}

/** Keeps the colour of dark cells from being noise: light that counts as grey in every cell. */
const FLOOR = 0.012;
const DARK = 0.01;
const HIGHLIGHT = 0.35;
/** Share of the flank that counts as its rim, where the brush went and a patch seldom reaches. */
const RIM = 0.12;

export function chromaOfHex(hex: string, linear: Float32Array): Chroma {
  const [r, g, b] = [1, 3, 5].map((at) => linear[Number.parseInt(hex.slice(at, at + 2), 16)]!);
  const sum = r! + g! + b! + 3 * FLOOR;
  return { red: (r! + FLOOR) / sum, blue: (b! + FLOOR) / sum };
}

/**
 * Splits a flank into compound and bare metal by colour alone, whatever the light. The compound's colour is found, or taken
 * as the one of the two that is nearer to a colour picked by hand.
 */
export function splitCompound(flank: Rectified, picked?: Chroma): CompoundSplit {
  const { width, height } = flank;
  const { red, blue, trust } = chromaOf(flank);
  const { first, second } = twoColours(red, blue, trust);
  const axis = { red: second.red - first.red, blue: second.blue - first.blue };
  const contrast = Math.hypot(axis.red, axis.blue);
  const scale = contrast === 0 ? 0 : 1 / (contrast * contrast);
  const raw = red.map(
    (share, cell) => ((share - first.red) * axis.red + (blue[cell]! - first.blue) * axis.blue) * scale,
  );
  const separation = separationOf(raw, trust);
  const evidence = whichIsCompound({ raw, trust, width, height }, first, second, picked);
  const byColour = evidence.secondIs ? raw : raw.map((value) => 1 - value);
  const colours = evidence.secondIs ? [first, second] : [second, first];
  return {
    amount: underGlare(flank, byColour, trust, colours as [Chroma, Chroma]),
    trust,
    ...(evidence.secondIs ? { metal: first, compound: second } : { metal: second, compound: first }),
    contrast,
    separation,
    agreement: evidence.agreement,
  };
}

/**
 * A glint adds the lamp's light and takes the colour away, but not the compound's own light beneath it: where as much of that is
 * left as all round, compound lies there whatever the colour says.
 */
function underGlare(
  flank: Rectified,
  byColour: Float32Array,
  trust: Float32Array,
  [metal, compound]: readonly [Chroma, Chroma],
): Float32Array {
  const { red, green, blue, width, height } = flank;
  const colour = ({ red: r, blue: b }: Chroma) => [r, 1 - r - b, b] as const;
  const [m, c] = [colour(metal), colour(compound)];
  const [mm, cc, mc] = [dot(m, m), dot(c, c), dot(m, c)];
  const determinant = mm * cc - mc * mc || 1;
  const cells = byColour.length;
  const [own, sure] = [new Float32Array(cells), new Float32Array(cells)];
  // Loops, not functions made on the spot: they run for every cell.
  for (let cell = 0; cell < cells; cell += 1) {
    const [r, g, l] = [red[cell]!, green[cell]!, blue[cell]!];
    // Least squares of each cell's light on the two colours: the part that is the compound's.
    const [onCompound, onMetal] = [r * c[0] + g * c[1] + l * c[2], r * m[0] + g * m[1] + l * m[2]];
    own[cell] = (mm * onCompound - mc * onMetal) / determinant;
    sure[cell] = byColour[cell]! > 0.75 ? trust[cell]! : 0;
  }
  const usual = blurWeighted(own, sure, { width, height }, 0.13 * height);
  dimGlints(flank, byColour, trust);
  const amount = new Float32Array(cells);
  for (let cell = 0; cell < cells; cell += 1) {
    const share = usual[cell]! > 0.004 ? own[cell]! / usual[cell]! : 0;
    amount[cell] = Math.max(-0.5, Math.min(1.5, Math.max(byColour[cell]!, Math.min(1, share))));
  }
  return amount;
}

/** What looks bare and is much brighter than bare metal near it is a glint: its neighbours are asked instead. */
function dimGlints(
  { red, green, blue, width, height }: Rectified,
  byColour: Float32Array,
  trust: Float32Array,
): void {
  const [light, bare] = [new Float32Array(trust.length), new Float32Array(trust.length)];
  for (let cell = 0; cell < trust.length; cell += 1) {
    light[cell] = red[cell]! + green[cell]! + blue[cell]!;
    bare[cell] = byColour[cell]! < 0.4 ? trust[cell]! : 0;
  }
  const usual = blurWeighted(light, bare, { width, height }, 0.25 * height);
  for (let cell = 0; cell < trust.length; cell += 1) {
    const brighter = light[cell]! / Math.max(1e-4, usual[cell]!);
    if (byColour[cell]! < 0.75) trust[cell]! *= 1 - 0.95 * Math.max(0, Math.min(1, (brighter - 1.25) / 0.4));
  }
}

type Light = readonly [number, number, number];
const dot = (a: Light, b: Light): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

function chromaOf({ red, green, blue, blown, width, height }: Rectified) {
  const cells = width * height;
  const [x, y, trust] = [new Float32Array(cells), new Float32Array(cells), new Float32Array(cells)];
  for (let cell = 0; cell < cells; cell += 1) {
    const sum = red[cell]! + green[cell]! + blue[cell]! + 3 * FLOOR;
    x[cell] = (red[cell]! + FLOOR) / sum;
    y[cell] = (blue[cell]! + FLOOR) / sum;
    const light = sum / 3 - FLOOR;
    trust[cell] = Math.min(1, light / (4 * DARK)) * Math.max(0, 1 - blown[cell]! / HIGHLIGHT);
  }
  return { red: x, blue: y, trust };
}

/** Middles of the two colours (two means, each step by the median of its own, so that rust and glints don't pull them). */
function twoColours(red: Float32Array, blue: Float32Array, trust: Float32Array) {
  const all = sampled(trust.length);
  const cells = all.filter((cell) => trust[cell]! > 0.5);
  const usable = cells.length > 50 ? cells : all;
  const middle = (of: readonly number[]): Chroma => ({
    red: quantile(
      of.map((cell) => red[cell]!),
      0.5,
    ),
    blue: quantile(
      of.map((cell) => blue[cell]!),
      0.5,
    ),
  });
  // Along the direction in which the colours differ most, a split by the least scatter within (Otsu's) to begin with.
  const along = principal(red, blue, usable);
  const placed = usable.map((cell) => along.red * red[cell]! + along.blue * blue[cell]!);
  const border = otsu(placed);
  const beyond = usable.filter((_, index) => placed[index]! > border);
  // A picture of one colour falls into no two.
  if (beyond.length === 0 || beyond.length === usable.length)
    return { first: middle(usable), second: middle(usable) };
  let first = middle(usable.filter((_, index) => placed[index]! <= border));
  let second = middle(beyond);
  let before = -1;
  for (let round = 0; round < 6; round += 1) {
    const [own, others]: [number[], number[]] = [[], []];
    for (const cell of usable) {
      const [r, b] = [red[cell]!, blue[cell]!];
      const toFirst = (r - first.red) ** 2 + (b - first.blue) ** 2;
      const toSecond = (r - second.red) ** 2 + (b - second.blue) ** 2;
      (toFirst <= toSecond ? own : others).push(cell);
    }
    // Nothing left to settle.
    if (own.length === 0 || others.length === 0 || own.length === before) break;
    before = own.length;
    first = middle(own);
    second = middle(others);
  }
  return { first, second };
}

function principal(red: Float32Array, blue: Float32Array, cells: readonly number[]): Chroma {
  const mean = (plane: Float32Array) => cells.reduce((sum, cell) => sum + plane[cell]!, 0) / cells.length;
  const [mr, mb] = [mean(red), mean(blue)];
  let [rr, rb, bb] = [0, 0, 0];
  for (const cell of cells) {
    const [dr, db] = [red[cell]! - mr, blue[cell]! - mb];
    rr += dr * dr;
    rb += dr * db;
    bb += db * db;
  }
  const angle = 0.5 * Math.atan2(2 * rb, rr - bb);
  return { red: Math.cos(angle), blue: Math.sin(angle) };
}

/** The split of a sample with the greatest variance between its halves (N. Otsu, 1979), over 128 steps. */
export function otsu(values: readonly number[]): number {
  const [low, high] = [quantile(values, 0.002), quantile(values, 0.998)];
  const STEPS = 128;
  const step = (high - low) / STEPS || 1;
  const counts = new Float64Array(STEPS);
  for (const value of values)
    counts[Math.max(0, Math.min(STEPS - 1, Math.floor((value - low) / step)))]! += 1;
  const total = values.length;
  const sum = counts.reduce((all, count, at) => all + count * at, 0);
  let [before, beforeSum, best, border] = [0, 0, -1, 0];
  for (let at = 0; at < STEPS - 1; at += 1) {
    before += counts[at]!;
    beforeSum += counts[at]! * at;
    const after = total - before;
    if (before === 0 || after === 0) continue;
    const between = before * after * (beforeSum / before - (sum - beforeSum) / after) ** 2;
    if (between > best) [best, border] = [between, at];
  }
  return low + (border + 1) * step;
}

/** Distance of the two heaps along their axis in units of their own scatter: small where there is but one heap. */
function separationOf(raw: Float32Array, trust: Float32Array): number {
  const cells = sampled(raw.length).filter((cell) => trust[cell]! > 0.5);
  const scatter = (inside: (value: number) => boolean, at: number) => {
    const own = cells.filter((cell) => inside(raw[cell]!)).map((cell) => Math.abs(raw[cell]! - at));
    return own.length < 20 ? Number.POSITIVE_INFINITY : 1.4826 * quantile(own, 0.5);
  };
  return 1 / Math.max(1e-3, scatter((value) => value < 0.5, 0) + scatter((value) => value >= 0.5, 1));
}

interface Split {
  readonly raw: Float32Array;
  readonly trust: Float32Array;
  readonly width: number;
  readonly height: number;
}

/** The compound lies all round the patch and is more colourful than metal; a colour picked by hand decides alone. */
function whichIsCompound(
  { raw, trust, width, height }: Split,
  first: Chroma,
  second: Chroma,
  picked?: Chroma,
) {
  const smoothed = blur(raw, { width, height }, Math.max(1, width / 120));
  let [rim, rimOf, core, coreOf] = [0, 0, 0, 0];
  for (let row = 0; row < height; row += 1)
    for (let column = 0; column < width; column += 1) {
      const cell = row * width + column;
      if (trust[cell]! < 0.3) continue;
      const edge = Math.min(column / width, 1 - column / width, row / height, 1 - row / height);
      const is = smoothed[cell]! > 0.5 ? 1 : 0;
      if (edge > 0.04 && edge < RIM) {
        rim += is;
        rimOf += 1;
      } else if (edge > 0.2) {
        core += is;
        coreOf += 1;
      }
    }
  const place = rim / Math.max(1, rimOf) - core / Math.max(1, coreOf);
  const strong = ({ red, blue }: Chroma) => Math.hypot(red - 1 / 3, blue - 1 / 3);
  const colour = (strong(second) - strong(first)) / (strong(second) + strong(first) + 1e-6);
  if (picked) {
    const near = ({ red, blue }: Chroma) => Math.hypot(red - picked.red, blue - picked.blue);
    const secondIs = near(second) < near(first);
    return { secondIs, agreement: secondIs ? place : -place };
  }
  const score = 1.2 * place + colour;
  const secondIs = score > 0;
  const side = secondIs ? 1 : -1;
  return { secondIs, agreement: side * place + 0.5 * side * colour };
}
