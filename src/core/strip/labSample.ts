import type { OilThresholds } from '@/model/oilThresholds';
import type { RecordOf } from '@/model/recordKinds';

export interface JudgedElement {
  readonly id: string;
  readonly name: string;
  /** Parts per million; a bare figure for the ferrous index. */
  readonly value: number;
  /** `untold`: of this oil, or of its age, no limit is known. */
  readonly level: 'usual' | 'watch' | 'act' | 'untold';
  /** The limits of this oil at its age; absent where none is known. */
  readonly limits?: { readonly watch: number; readonly act: number };
  /** As the sample before had it. */
  readonly before?: number;
  readonly from: string;
  /** Change against the sample before, for each 1000 km; absent without one, or without both distances. */
  readonly per1000Km?: number;
}

type Sample = RecordOf<'lab'>;

/**
 * A laboratory's figures against the thresholds of its oil at its age, each with where it usually comes from and how it grew since the sample
 * before. The threshold itself counts as reached.
 */
export function judgeSample(
  sample: Sample,
  thresholds: OilThresholds,
  before: Sample | undefined,
): JudgedElement[] {
  const distance =
    before?.distanceKm === undefined || sample.distanceKm === undefined
      ? 0
      : sample.distanceKm - before.distanceKm;
  const share = shareOfLimits(sample, thresholds);
  return thresholds.elements.flatMap(({ id, name, watch, act, from }): JudgedElement[] => {
    const value = figureOfElement(sample, id);
    if (value === undefined) return [];
    const earlier = before && figureOfElement(before, id);
    const limits = share === undefined ? undefined : { watch: watch * share, act: act * share };
    return [
      {
        ...{ id, name, value, level: levelOf(value, limits), from },
        ...(limits ? { limits } : {}),
        ...(earlier === undefined ? {} : { before: earlier }),
        ...(earlier !== undefined && distance > 0
          ? { per1000Km: ((value - earlier) / distance) * 1000 }
          : {}),
      },
    ];
  });
}

function levelOf(value: number, limits: JudgedElement['limits']): JudgedElement['level'] {
  if (!limits) return 'untold';
  if (value >= limits.act) return 'act';
  return value >= limits.watch ? 'watch' : 'usual';
}

/** How large the limits are of this oil at its age, as a share of those that are listed; undefined where nobody knows. */
function shareOfLimits({ oil, oilAgeKm }: Sample, { oils }: OilThresholds): number | undefined {
  if (oils === undefined) return 1;
  const spans = oils.find(({ id }) => id === oil)?.spans ?? [];
  if (oilAgeKm === undefined) return undefined;
  return [...spans].sort((a, b) => a.toKm - b.toKm).find(({ toKm }) => oilAgeKm <= toKm)?.share;
}

/** Which of the known oils a claimed one seems to be. */
export const guessOil = (claimed: string, { oils = [] }: OilThresholds): string | undefined =>
  oils.find(({ words }) => words.some((word) => claimed.toLowerCase().includes(word)))?.id;

const figureOfElement = ({ values }: Sample, element: string): number | undefined =>
  values.find((each) => each.element === element)?.value;
