import type { OilThresholds } from '@/model/oilThresholds';
import type { RecordOf } from '@/model/recordKinds';

export interface JudgedElement {
  readonly id: string;
  readonly name: string;
  /** Parts per million; a bare figure for the ferrous index. */
  readonly value: number;
  readonly level: 'usual' | 'watch' | 'act';
  readonly from: string;
  /** Change against the sample before, for each 1000 km; absent without one, or without both distances. */
  readonly per1000Km?: number;
}

type Sample = RecordOf<'lab'>;

/**
 * A laboratory's figures against the thresholds, each with where it usually comes from and how it grew since the sample
 * before. The threshold itself counts as reached.
 */
export function judgeSample(
  sample: Sample,
  { elements }: OilThresholds,
  before: Sample | undefined,
): JudgedElement[] {
  const distance =
    before?.distanceKm === undefined || sample.distanceKm === undefined
      ? 0
      : sample.distanceKm - before.distanceKm;
  return elements.flatMap(({ id, name, watch, act, from }): JudgedElement[] => {
    const value = figureOfElement(sample, id);
    if (value === undefined) return [];
    const earlier = before && figureOfElement(before, id);
    const level = value >= act ? 'act' : value >= watch ? 'watch' : 'usual';
    return [
      {
        ...{ id, name, value, level, from },
        ...(earlier !== undefined && distance > 0
          ? { per1000Km: ((value - earlier) / distance) * 1000 }
          : {}),
      },
    ];
  });
}

const figureOfElement = ({ values }: Sample, element: string): number | undefined =>
  values.find((each) => each.element === element)?.value;
