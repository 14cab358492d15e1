import { blur } from '../blur';
import { brushMargins } from '../brushMargins';
import { below, deepest, dilate, fillHoles, open } from '../masks';
import type { Size } from '../planes';
import type { CompoundSplit } from './compound';
import { SECOND } from './measurePatch';
import { awayFrom, gatheringOval, type Oval, ovalOf } from './patchOval';

/* Sizes as shares of the flank's height in cells. */
const SMOOTHED = 0.015;
/** What is narrower than this begins no patch. */
const SPECK = 0.05;
/** The brush seldom stays farther from an edge than this. */
const MARGIN = 0.16;

/** Across a hole in a patch it is no farther than this from bare metal to bare metal. */
const FAR = 0.8;

/** So much compound is as likely under a streak in the patch as outside it: less speaks for the patch, more against it. */
const EVEN = 0.8;
const SURE = 0.15;
/** Compound speaks a little louder than bare metal: a glint looks bare, nothing looks like compound. */
const AGAINST = 1.3;
/** Inside of this share of the oval all is patch, beyond the other nothing; between them the metal itself decides. */
const INNER = 0.92;
const OUTER = 1.1;
const THIN = 0.75;
const CERTAINLY = 0.6;

/**
 * The patch: the oval in which the bare metal gathers, its edge drawn where the metal's own is. A strip behind a streak lies in
 * the oval and a glint's tail sticks out of it, which is how a person tells them apart. Empty where no metal shows.
 */
export function findPatch({ amount, trust }: CompoundSplit, size: Size): Uint8Array {
  const short = Math.min(size.width, size.height);
  const smoothed = blur(amount, size, Math.max(0.7, SMOOTHED * short));
  const certain = below(smoothed, CERTAINLY);
  const margins = brushMargins(certain, size, MARGIN * short);
  const inner = without(margins, certain);
  const bare = open(inner, size, (SPECK * short) / 2);
  if (!bare.includes(1)) return bare;
  const closed = closedIn(inner, size, FAR * short);
  const gain = gainOf(smoothed, blur(trust, size, 0.8), margins, closed);
  const away = awayFrom(gatheringOval(gain, size, startsOf(bare, size)), size);
  const patch = without(margins, below(smoothed, THIN));
  for (let cell = 0; cell < patch.length; cell += 1)
    patch[cell] = away[cell]! < INNER || (patch[cell] && away[cell]! < OUTER) ? 1 : 0;
  return deepest(fillHoles(patch, size), size);
}

/** So much of a second place is surely bare. */
const SURELY_BARE = 0.7;

/**
 * The patch, and a second one beside it where compound was squeezed out of two places with painted metal between: two bearings of one flank,
 * which one oval would join or pass over. The larger comes first.
 */
export function findPatches(split: CompoundSplit, size: Size): Uint8Array[] {
  const first = findPatch(split, size);
  const near = dilate(first, size, 0.05 * size.height);
  const rest = split.amount.map((value, cell) => (near[cell] ? 1 : value));
  const whole = first.reduce((sum, set) => sum + set, 0);
  // Mostly nothing bare is left, and there is nothing to look for.
  const left = open(below(blur(rest, size, 1), CERTAINLY), size, (SPECK * size.height) / 2);
  if (left.reduce((sum, set) => sum + set, 0) < SECOND * SURELY_BARE * whole) return [first];
  const second = findPatch({ ...split, amount: rest }, size);
  const smoothed = blur(rest, size, 1);
  let [cells, bare] = [0, 0];
  for (let cell = 0; cell < second.length; cell += 1) {
    if (!second[cell]) continue;
    cells += 1;
    if (smoothed[cell]! < CERTAINLY && split.trust[cell]! > 0.6 && !near[cell]) bare += 1;
  }
  if (cells < SECOND * whole || bare < SURELY_BARE * cells) return [first];
  return cells > whole ? [second, first] : [first, second];
}

function without(margins: Uint8Array, mask: Uint8Array): Uint8Array {
  const left = new Uint8Array(mask.length);
  for (let cell = 0; cell < mask.length; cell += 1) left[cell] = margins[cell] ? 0 : mask[cell]!;
  return left;
}

/** From the deepest piece alone, and from all of them where there are more. */
function startsOf(bare: Uint8Array, size: Size): Oval[] {
  const main = deepest(bare, size);
  const one = main.every((set, cell) => set === bare[cell]);
  return [ovalOf(main, size), ...(one ? [] : [ovalOf(bare, size)])];
}

/**
 * How much each cell speaks for being inside the patch, by its colour and as far as that can be told: nothing where the brush never
 * was, and nothing against it where bare metal closes the cell in.
 */
function gainOf(
  amount: Float32Array,
  trust: Float32Array,
  margins: Uint8Array,
  closed: Uint8Array,
): Float32Array {
  const gain = new Float32Array(amount.length);
  for (let cell = 0; cell < gain.length; cell += 1) {
    if (margins[cell]) continue;
    const says = Math.tanh((EVEN - Math.max(0, Math.min(1, amount[cell]!))) / SURE);
    if (says > 0) gain[cell] = trust[cell]! ** 2 * says;
    else if (!closed[cell]) gain[cell] = trust[cell]! ** 2 * AGAINST * says;
  }
  return gain;
}

/** The cells with bare metal on all four sides, no farther away than this: rust in a patch looks like compound. */
function closedIn(bare: Uint8Array, { width, height }: Size, far: number): Uint8Array {
  const sides = new Uint8Array(bare.length);
  const sweep = (lines: number, steps: number, cellAt: (line: number, step: number) => number) => {
    for (let line = 0; line < lines; line += 1) {
      let last = Number.NEGATIVE_INFINITY;
      for (let step = 0; step < steps; step += 1) {
        const cell = cellAt(line, step);
        if (bare[cell]) last = step;
        if (step - last < far) sides[cell]! += 1;
      }
    }
  };
  sweep(height, width, (row, step) => row * width + step);
  sweep(height, width, (row, step) => row * width + width - 1 - step);
  sweep(width, height, (column, step) => step * width + column);
  sweep(width, height, (column, step) => (height - 1 - step) * width + column);
  return sides.map((count) => (count === 4 ? 1 : 0));
}
