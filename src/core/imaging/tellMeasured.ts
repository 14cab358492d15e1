import type { RecordOf } from '@/model/benchRecord';
import { formatNumber } from '../quantity/format';

type Measured = RecordOf<'picture-measured'>;

const percent = (share: number) => `${formatNumber(100 * share, share < 0.1 ? 1 : 0)} %`;

/** What a photograph told, in a line, with how far it may be trusted. */
export function tellMeasured({ found, confidence }: Pick<Measured, 'found' | 'confidence'>): string {
  const trust = `confidence ${formatNumber(confidence, 2)}${confidence < 0.5 ? ', not to be relied on' : ''}`;
  if (found.kind === 'pits')
    return `${found.count === 1 ? 'One pit' : `${found.count} pits`}, ${percent(found.areaFraction)} of the surface; ${trust}`;
  const { coverage, centroid, extent, flank } = found;
  return [
    `Pattern on ${flank}: ${percent(coverage)} of the flank`,
    `middle ${percent(centroid.length)} from the toe and ${percent(centroid.height)} from the root`,
    `from ${percent(extent.length[0])} to ${percent(extent.length[1])} along`,
    trust,
  ].join('; ');
}

const DOUBTS: Record<string, string> = {
  colour: 'compound and metal hardly differ in colour',
  place: 'the compound does not lie all round',
  light: 'too much of it is blown out or black',
  sharp: 'it is not sharp',
  patch: 'the patch is too small or too large to be one',
  painted: 'much of the flank is not painted',
  corners: 'the corners do not lie on the edges of the flank',
  contrast: 'the spots are hardly darker than the rest',
  settled: 'some places may be pits or not',
};

/** Why a picture is trusted little, the worst first. */
export const doubtWords = (doubts: Readonly<Record<string, number>>): string[] =>
  Object.entries(doubts)
    .filter(([, factor]) => factor < 0.6)
    .sort(([, a], [, b]) => a - b)
    .map(([name]) => DOUBTS[name] ?? name);
