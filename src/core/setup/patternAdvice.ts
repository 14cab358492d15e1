import { Matrix, solve } from 'ml-matrix';
import * as v from 'valibot';
import { BadInput } from '../badInput';
import { finite, positive } from '../fields';
import { formatNumber } from '../quantity/format';

const place = v.object({ length: finite, height: finite });
const perMm = v.object({ drive: place, coast: place });
export type Place = v.InferOutput<typeof place>;
export type Flank = 'drive' | 'coast';
export type Sensitivities = { readonly depth: PerMm; readonly backlash: PerMm };
type PerMm = v.InferOutput<typeof perMm>;

/**
 * How far the patch moves for one millimetre, as shares of the flank, where a unit has not shown its own: the pinion moved toward
 * the ring takes both patches to the root, drive to the toe and coast to the heel; more backlash takes both to the heel and a
 * little up. Signs from the trade's rule of thumb for face-milled sets, sizes typical only: the maker's chart decides.
 */
export const DEFAULT_SENSITIVITIES: Sensitivities = {
  depth: { drive: { length: -1.6, height: -1.4 }, coast: { length: 1.6, height: -1.4 } },
  backlash: { drive: { length: 1.3, height: 0.4 }, coast: { length: 1.3, height: 0.4 } },
};

export const PatternAdviceInputSchema = v.object({
  drive: place,
  coast: place,
  ideal: v.optional(place, { length: 0.45, height: 0.5 }),
  tolerance: v.optional(positive, 0.08),
  sensitivities: v.optional(v.object({ depth: perMm, backlash: perMm })),
});
export const PatternAdviceOutputSchema = v.object({
  depthMove: finite,
  backlashMove: finite,
  verdict: v.picklist(['keep', 'move', 'contradictory']),
  residual: finite,
  text: v.string(),
});
export type PatternAdvice = v.InferOutput<typeof PatternAdviceOutputSchema>;

/**
 * What to move so that the patches on drive and coast come to the ideal place: the least-squares answer of a linear model, mm.
 * `residual` is what is left of the four offsets, as their root mean square.
 * @throws BadInput where the sensitivities can't tell depth from backlash
 */
export function patternAdvice({
  drive,
  coast,
  ideal,
  tolerance,
  sensitivities,
}: v.InferOutput<typeof PatternAdviceInputSchema>): PatternAdvice {
  const { depth, backlash } = sensitivities ?? DEFAULT_SENSITIVITIES;
  const offsets = [...offsetOf(drive, ideal), ...offsetOf(coast, ideal)];
  const rows = [...columns(depth.drive, backlash.drive), ...columns(depth.coast, backlash.coast)];
  const [depthMove, backlashMove] = leastSquares(rows, offsets);
  const left = offsets.map((offset, at) => offset + rows[at]![0] * depthMove + rows[at]![1] * backlashMove);
  const residual = Math.sqrt(left.reduce((sum, each) => sum + each * each, 0) / left.length);
  const by = sensitivities ? 'by this unit’s own sensitivities' : 'by the default sensitivities';
  if (offsets.every((offset) => Math.abs(offset) <= tolerance))
    return {
      ...{ depthMove: 0, backlashMove: 0, verdict: 'keep', residual },
      text: `Both patches lie where they should. ${CHART}`,
    };
  if (residual > 2 * tolerance)
    return {
      ...{ depthMove, backlashMove, verdict: 'contradictory', residual },
      text: `No move of depth and backlash explains both patches (${by}): look at run-out, the mounting, and whether the two gears belong together. ${CHART}`,
    };
  const text = `${depthWords(depthMove)}, ${backlashWords(backlashMove)}, ${by}. Mark it again afterwards. ${CHART}`;
  return { depthMove, backlashMove, verdict: 'move', residual, text };
}

const CHART = 'The maker’s own chart decides.';

const offsetOf = (at: Place, ideal: Place) => [at.length - ideal.length, at.height - ideal.height] as const;
const columns = (depth: Place, backlash: Place): [number, number][] => [
  [depth.length, backlash.length],
  [depth.height, backlash.height],
];

function leastSquares(rows: readonly [number, number][], offsets: readonly number[]): [number, number] {
  const [a, b, c] = rows.reduce(
    ([aa, ab, bb], [x, y]) => [aa + x * x, ab + x * y, bb + y * y],
    [0, 0, 0],
  ) as [number, number, number];
  if (a * c - b * b < 1e-9 * Math.max(1e-12, a * c))
    throw new BadInput('sensitivities', 'these can’t tell a move in depth from one in backlash');
  const right = Matrix.columnVector(offsets.map((offset) => -offset));
  return solve(new Matrix(rows.map((row) => [...row])), right, true).to1DArray() as [number, number];
}

const depthWords = (move: number): string =>
  Math.abs(move) < 0.005
    ? 'Leave the depth'
    : `Pinion ${formatNumber(Math.abs(move), 2)} mm ${move > 0 ? 'toward the ring' : 'away from the ring'}`;
const backlashWords = (move: number): string =>
  Math.abs(move) < 0.005
    ? 'leave the backlash'
    : `backlash ${formatNumber(Math.abs(move), 2)} mm ${move > 0 ? 'more' : 'less'}`;
