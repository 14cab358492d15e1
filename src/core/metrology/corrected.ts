import type { BenchRecord, Reading } from '@/model/snapshot';
import { findActive } from '../wear/active';

type Correction = Pick<Reading, 'place' | 'gaugeId' | 'held'> & {
  readonly by: string;
  readonly reason: string;
};

/**
 * Readings as they count: each at the place that it belongs to, with the gauge that it was read with, the part held as it was. A capture's content
 * never changes; corrections are records beside it, the later ones upon the earlier, and one that is struck out counts for
 * nothing. A reading that nobody corrected, and the list if none was, is the same object as before.
 */
export function corrected(readings: readonly Reading[], records: readonly BenchRecord[]): readonly Reading[] {
  const corrections = correctionsIn(readings, records);
  if (corrections.size === 0) return readings;
  return readings.map((reading) => {
    const correction = corrections.get(reading.id);
    if (!correction) return reading;
    const { place, gaugeId, held, by, reason } = correction;
    const { held: heldWhenTaken, ...taken } = reading;
    return {
      ...{ ...taken, place, gaugeId },
      ...(held ? { held } : {}),
      corrected: {
        ...{ place: reading.place, gaugeId: reading.gaugeId, by, reason },
        ...(heldWhenTaken === undefined ? {} : { held: heldWhenTaken }),
      },
    };
  });
}

function correctionsIn(
  readings: readonly Reading[],
  records: readonly BenchRecord[],
): ReadonlyMap<string, Correction> {
  const found = new Map<string, Correction>();
  const relevant = findActive(records).filter(
    ({ content: { what } }) =>
      what === 'readings-moved' || what === 'reading-gauge' || what === 'readings-held',
  );
  if (relevant.length === 0) return found;
  const taken = new Map(readings.map((reading) => [reading.id, reading]));
  const put = (id: string, change: Partial<Correction>, { author }: BenchRecord, reason: string) => {
    const before = found.get(id) ?? taken.get(id);
    if (!before) return;
    const { place, gaugeId, held } = before;
    found.set(id, { place, gaugeId, ...(held ? { held } : {}), ...change, by: author, reason });
  };
  for (const record of relevant) {
    const { content } = record;
    if (content.what === 'readings-moved')
      for (const { readingId, place } of content.moves) put(readingId, { place }, record, content.reason);
    else if (content.what === 'reading-gauge')
      put(content.readingId, { gaugeId: content.gaugeId }, record, content.reason);
    else if (content.what === 'readings-held')
      for (const id of content.readingIds) put(id, { held: content.held }, record, content.reason);
  }
  return found;
}

/**
 * The moves that put a run of readings right: this one and all that were taken after it, each by so many places along the
 * walk. Undefined where one of them would fall off the end.
 */
export function movesByOne(
  readings: readonly Pick<Reading, 'id' | 'place'>[],
  places: readonly string[],
  fromId: string,
  step: 1 | -1,
  round: boolean,
): readonly { readonly readingId: string; readonly place: string }[] | undefined {
  const start = readings.findIndex(({ id }) => id === fromId);
  const moves = readings.slice(start).map(({ id, place }) => {
    const next = places.indexOf(place) + step;
    const wrapped = round ? (next + places.length) % places.length : next;
    return { readingId: id, place: places[wrapped] };
  });
  return moves.every((move): move is { readingId: string; place: string } => move.place !== undefined)
    ? moves
    : undefined;
}
