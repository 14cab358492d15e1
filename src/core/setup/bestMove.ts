import type { KnownBacklash } from './knownBacklash';
import type { KnownPlace } from './knownPattern';
import type { Flank } from './patternAdvice';
import type { SetupAdviceInput } from './setupAdvice.schema';
import { FLANKS } from './setupRounds';

interface Asked {
  readonly backlash: KnownBacklash;
  readonly places: readonly KnownPlace[];
  readonly bands: SetupAdviceInput['bands'];
  readonly step: SetupAdviceInput['step'];
  /** The patches ask for another depth. */
  readonly mustDepth: boolean;
}

interface Best {
  readonly move: { readonly ring: number; readonly depth: number };
  readonly predicted: {
    readonly backlash: { readonly value: number; readonly deviation: number };
    readonly drive?: { readonly length: number; readonly height: number };
    readonly coast?: { readonly length: number; readonly height: number };
  };
  /** What is left of the patches' offsets, as their root mean square. */
  readonly residual: number;
}

/** A backlash that is off by so much of the band's half weighs as much as a patch that is off by its tolerance. */
const BAND_SHARE = 0.4;

/** mm: a depth that is off by less is left: it takes the pinion out and costs a sleeve, for less than the eye tells of a patch. */
const LEAST_DEPTH = 0.02;

/**
 * The move after which backlash and patches lie best: least squares over both, the patches by what this unit has shown. The depth is left
 * alone where the patches lie where they should: it takes the pinion out, and a new sleeve.
 */
export function bestMove({ backlash, places, bands, step, mustDepth }: Asked): Best {
  const now = backlash.after({ ring: 0, depth: 0 }).value;
  const { min, max, aim = (min + max) / 2 } = bands.backlash;
  const [c, cDepth] = [backlash.factor.value, backlash.depthFactor.value];
  const { depth, more } = mustDepth ? leastSquares(places, bands, aim - now) : { depth: 0, more: aim - now };
  const rounded = Math.abs(depth) < LEAST_DEPTH ? 0 : roundTo(depth, step.depth);
  // The ring makes up for what the depth takes, and brings the rest.
  const ring = roundTo((more + cDepth * rounded) / c, step.ring);
  const move = { ring, depth: rounded };
  const after = backlash.after(move);
  const moreAfter = after.value - now;
  const left = places.map((place) => ({
    place,
    at: place.now.value + place.perDepth * rounded + place.perBacklash * moreAfter,
  }));
  const squares = left.map(({ place, at }) => (at - bands.pattern[place.axis]) ** 2);
  return {
    move,
    predicted: { backlash: after, ...Object.fromEntries(FLANKS.flatMap((flank) => placeOf(flank, left))) },
    residual:
      squares.length > 0 ? Math.sqrt(squares.reduce((sum, each) => sum + each, 0) / squares.length) : 0,
  };
}

function placeOf(
  flank: Flank,
  left: readonly { readonly place: KnownPlace; readonly at: number }[],
): [Flank, { length: number; height: number }][] {
  const along = left.find(({ place }) => place.flank === flank && place.axis === 'length');
  const up = left.find(({ place }) => place.flank === flank && place.axis === 'height');
  return along && up ? [[flank, { length: along.at, height: up.at }]] : [];
}

/** Depth, and how much more backlash, that leave least of all offsets. */
function leastSquares(
  places: readonly KnownPlace[],
  { backlash: band, pattern }: SetupAdviceInput['bands'],
  wanted: number,
): { depth: number; more: number } {
  const half = ((band.max - band.min) / 2) * BAND_SHARE;
  const rows = [
    ...places.map(({ now, axis, perDepth, perBacklash }) => ({
      depth: perDepth / pattern.tolerance,
      more: perBacklash / pattern.tolerance,
      wanted: (pattern[axis] - now.value) / pattern.tolerance,
    })),
    { depth: 0, more: 1 / half, wanted: wanted / half },
  ];
  const of = (a: 'depth' | 'more' | 'wanted', b: 'depth' | 'more' | 'wanted') =>
    rows.reduce((sum, row) => sum + row[a] * row[b], 0);
  const [aa, ab, bb] = [of('depth', 'depth'), of('depth', 'more'), of('more', 'more')];
  const [aw, bw] = [of('depth', 'wanted'), of('more', 'wanted')];
  const size = aa * bb - ab * ab;
  return { depth: (aw * bb - bw * ab) / size, more: (bw * aa - aw * ab) / size };
}

const roundTo = (value: number, step: number | undefined): number =>
  step === undefined ? Math.round(value * 1e6) / 1e6 : Math.round(value / step) * step;
