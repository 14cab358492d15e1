import type { RecordOf } from '@/model/recordKinds';
import { formatNumber } from '../quantity/format';
import { type Doubts, LEAST_TRUST } from './confidence';

type Measured = RecordOf<'picture-measured'>;

const percent = (share: number) => `${formatNumber(100 * share, share < 0.1 ? 1 : 0)} %`;

/** What a photograph told, in a line, with how far it may be trusted. */
export function tellMeasured({
  found,
  confidence,
  byHand,
}: Pick<Measured, 'found' | 'confidence' | 'byHand'>): string {
  if (found.kind === 'pits') return tellPits(found, confidence, byHand === true);
  // What a hand corrected is still a picture that may be too poor to tell anything.
  const trust = `${byHand ? 'corrected by hand, ' : ''}confidence ${formatNumber(confidence, 2)}${confidence < LEAST_TRUST ? ', not to be relied on' : ''}`;
  const { coverage, centroid, extent, flank } = found;
  return [
    `Pattern on ${flank}: ${percent(coverage)} of the flank`,
    `middle ${percent(centroid.length)} from the toe and ${percent(centroid.height)} from the root`,
    `from ${percent(extent.length[0])} to ${percent(extent.length[1])} along`,
    ...(found.patches && found.patches.length > 1 ? ['in two places, both taken together'] : []),
    trust,
  ].join('; ');
}

function tellPits(
  found: Extract<Measured['found'], { kind: 'pits' }>,
  confidence: number,
  byHand: boolean,
): string {
  const { areaFraction, count, largestMm, seen } = found;
  const eye = seen ? `; by eye: ${seen}` : '';
  // Below this no figure is told: whoever reads it would take it for one.
  if (confidence < LEAST_TRUST && !byHand) return `The pits can’t be read from this picture${eye}`;
  const share = `${count === 1 ? 'One pit' : `${count} pits`}, ${percent(areaFraction)} of the surface`;
  const size = largestMm === undefined ? '' : `, the largest ${formatNumber(largestMm, 1)} mm across`;
  return `${share}${size}; ${byHand ? `corrected by hand${confidence < LEAST_TRUST ? ' on a picture not to be relied on' : ''}` : `confidence ${formatNumber(confidence, 2)}`}${eye}`;
}

const DOUBTS: Record<string, string> = {
  colour: 'compound and metal hardly differ in colour',
  place: 'the compound does not lie all round',
  light: 'too much of it is blown out or black',
  sharp: 'it is not sharp',
  lines: 'it is not sharp: no machining lines can be seen in it',
  patch: 'the patch is too small or too large to be one',
  painted: 'much of the flank is not painted',
  whole: 'much of what was taken is still painted',
  alone: 'another bare place lies beside what was taken',
  corners: 'the corners do not lie on the edges of the flank',
  contrast: 'the spots are hardly darker than the rest',
  settled: 'some places may be pits or not',
  agreed: 'two ways of reading it disagree',
  ground: 'so much looks damaged that hardly any sound surface is left to compare with',
  metal: 'the surface is coloured: painted, or marked with compound',
  grey: 'the dark places are coloured, as rust or dirt is: wipe it clean',
  texture: 'it has not the texture of a machined surface',
  fine: 'it is full of fine dark strokes, as rust, dirt or print is',
  edges: 'dark lies along the edge of the region: it may reach beyond the part',
};

/** Why a picture is trusted little, the worst first. */
export const doubtWords = (doubts: Doubts): string[] =>
  Object.entries(doubts)
    .filter(([, factor]) => factor < 0.6)
    .sort(([, a], [, b]) => a - b)
    .map(([name]) => DOUBTS[name] ?? name);

const SIZED = { length: ['Length', 'mm'], angle: ['Angle', '°'], area: ['Area', 'mm²'] } as const;

/** A length, angle or area with its expanded uncertainty (k = 2), to as many digits as that bears. */
export function tellSized({
  shape,
  value,
  standardUncertainty,
}: Pick<RecordOf<'picture-sized'>, 'shape' | 'value' | 'standardUncertainty'>): string {
  const [name, unit] = SIZED[shape];
  const expanded = 2 * standardUncertainty;
  const digits = expanded >= 10 ? 0 : expanded >= 1 ? 1 : 2;
  return `${name} ${formatNumber(value, digits)} ± ${formatNumber(expanded, digits)} ${unit}`;
}
