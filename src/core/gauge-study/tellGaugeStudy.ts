import type { GaugeStudy } from './gaugeStudy';

/** Up to here a gauge decides; above the second it does not; between it may, with care. Shares of what varies or is allowed. */
const GOOD = 10;
const BEARABLE = 30;
/** Two scatters within this factor count as alike. */
const ALIKE = 1.25;

export interface GaugeStudyWords {
  readonly word: 'decides' | 'with-care' | 'cannot-decide';
  readonly sentences: readonly string[];
}

const percent = (value: number): string => `${Math.round(value)} %`;

/**
 * A gauge study in words. With a limit's width the share of that width decides, else the share of what varied among
 * the parts. Bounds 10 and 30 %, as is usual for such studies.
 */
export function tellGaugeStudy(study: GaugeStudy, format: (value: number) => string): GaugeStudyWords {
  const share = study.percentOfTolerance ?? study.percentOfTotal;
  const word = share <= GOOD ? 'decides' : share <= BEARABLE ? 'with-care' : 'cannot-decide';
  return { word, sentences: [shareWords(study, word), blameWords(study, format), categoryWords(study)] };
}

function shareWords(
  { percentOfTolerance, percentOfTotal }: GaugeStudy,
  word: GaugeStudyWords['word'],
): string {
  const verdict = {
    decides: 'it decides this limit',
    'with-care': 'it decides this limit away from its edges only',
    'cannot-decide': 'it can’t decide this limit',
  }[word];
  const uses = `This gauge uses ${percent(percentOfTotal)} of what varies`;
  if (percentOfTolerance !== undefined)
    return `${uses} and ${percent(percentOfTolerance)} of the limit’s width: ${verdict}.`;
  return `${uses}: it ${{ decides: 'tells these parts apart', 'with-care': 'tells these parts apart with care', 'cannot-decide': 'can’t tell these parts apart' }[word]}.`;
}

function blameWords(
  { repeatability, reproducibility }: GaugeStudy,
  format: (value: number) => string,
): string {
  const figures = `One person’s repeats scatter by ${format(repeatability)}, people differ by ${format(reproducibility)}`;
  if (repeatability === 0 && reproducibility === 0)
    return `${figures}: nothing varied, the gauge is too coarse to show it.`;
  if (Math.max(repeatability, reproducibility) < ALIKE * Math.min(repeatability, reproducibility))
    return `${figures}: both matter alike.`;
  return reproducibility > repeatability
    ? `${figures}: the way it is held matters more than the gauge.`
    : `${figures}: the gauge matters more than who holds it.`;
}

const categoryWords = ({ distinctCategories }: GaugeStudy): string =>
  distinctCategories < 2
    ? 'It can’t sort these parts into two heaps.'
    : `It can sort these parts into ${distinctCategories} heaps.`;
