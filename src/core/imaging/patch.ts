import type { CompoundSplit } from './compound';
import { withFaintEdges } from './faintEdges';
import { hullMask } from './hull';
import { marginsOf, withoutSpecks, withoutStrays, withoutTails } from './patchPieces';
import { blur, blurWeighted, deepest, dilate, fillHoles, open, type Size } from './planes';

/* Sizes as shares of the flank's height in cells. */
const SMOOTHED = 0.015;
/** The widest streak between two bare strips of one patch. */
const WIDEST = 0.38;
/** What is narrower than this is no patch. */
const SPECK = 0.05;
/** How far round a cell that can't tell its neighbours are asked. */
const ASKED = 0.07;
/** The brush seldom stays farther from an edge than this. */
const MARGIN = 0.16;
/** Bare pieces this near each other belong to one patch. */
const NEAR = 0.4;
/** Half bare counts only this near to what is surely bare: the tails of glints fade out, a patch has an edge. */
const FADE = 0.04;
const SURELY = 0.44;
const HALF = 0.6;

/** The patch: of the bare places the one that lies deepest inside the flank, bridged over its streaks, without holes. */
export function findPatch({ amount, trust }: CompoundSplit, size: Size): Uint8Array {
  const short = Math.min(size.width, size.height);
  const asked = askNeighbours(amount, trust, size);
  const smoothed = blur(asked, size, Math.max(0.7, SMOOTHED * short));
  const sure = dilate(below(smoothed, SURELY), size, FADE * short);
  const bare = below(smoothed, HALF).map((set, cell) => set & sure[cell]!);
  const margins = marginsOf(bare, size, MARGIN * short);
  const inner = withoutSpecks(
    bare.map((set, cell) => (set && !margins[cell] ? 1 : 0)),
    size,
  );
  const together = deepest(dilate(inner, size, (NEAR * short) / 2), size);
  const pieces = inner.map((set, cell) => set & together[cell]!);
  const clear = withoutTails(withoutStrays(pieces, trust, size), size);
  const kept = withFaintEdges(clear, asked, trust, margins, size);
  const near = dilate(kept, size, (WIDEST * short) / 2);
  const bridged = hullMask(kept, size).map((set, cell) => set & near[cell]!);
  return deepest(open(fillHoles(bridged, size), size, (SPECK * short) / 2), size);
}

/** Where nothing can be said of a cell itself, what lies round it speaks for it. */
function askNeighbours(amount: Float32Array, trust: Float32Array, size: Size): Float32Array {
  const sure = trust.map((share) => share ** 3);
  const round = blurWeighted(amount, sure, size, ASKED * Math.min(size.width, size.height));
  return amount.map((value, cell) => value * sure[cell]! + round[cell]! * (1 - sure[cell]!));
}

const below = (plane: Float32Array, limit: number): Uint8Array =>
  Uint8Array.from(plane, (value) => (value < limit ? 1 : 0));
