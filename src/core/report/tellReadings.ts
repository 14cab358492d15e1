import type { Reading } from '@/model/snapshot';
import { UNIT_SYMBOL } from '@/model/units';

/** Readings as they were read off, in one line: `tooth 1 to 41, mm: 0.24, 0.23 …` where they go round in order. */
export function tellReadings(readings: readonly Pick<Reading, 'place' | 'raw' | 'unit'>[]): string {
  const [first] = readings;
  if (!first) return 'not measured';
  const numbered = readings.map(({ place }) => /^(.*\D)\s*(\d+)$/.exec(place));
  const isRow =
    readings.length > 3 &&
    numbered.every(
      (found, at) =>
        found?.[1] === numbered[0]?.[1] &&
        readings[at]!.unit === first.unit &&
        (at === 0 || Number(found?.[2]) === Number(numbered[at - 1]?.[2]) + 1),
    );
  if (isRow)
    return `${first.place} to ${numbered.at(-1)![2]}, ${UNIT_SYMBOL[first.unit]}: ${readings.map(({ raw }) => raw).join(', ')}`;
  return readings
    .map(({ place, raw, unit }) => [place, `${raw} ${UNIT_SYMBOL[unit]}`].filter(Boolean).join(' '))
    .join('; ');
}
