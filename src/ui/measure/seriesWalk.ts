import { placesRound } from '@/core/metrology/places';
import { findActive } from '@/core/wear/active';
import type { Check } from '@/model/checks';
import type { JobSnapshot } from '@/model/snapshot';

/** The places that the pad walks through: the required ones, or all the way round. */
export const placesToWalk = (check: Check, allRound: boolean): readonly string[] =>
  allRound && check.every ? placesRound(check) : (check.places ?? []);

/** The next place without a reading, after the one just read; the first place when all have one. */
export function nextUnread(places: readonly string[], read: ReadonlySet<string>, after?: string): string {
  const start = after === undefined ? 0 : places.indexOf(after) + 1;
  const inOrder = [...places.slice(start), ...places.slice(0, start)];
  return inOrder.find((place) => !read.has(place)) ?? places[0] ?? '';
}

/** A place a step before or behind, round the circle. */
export function stepFrom(places: readonly string[], here: string, step: 1 | -1): string {
  const index = places.indexOf(here);
  return places[(index + step + places.length) % places.length] ?? here;
}

/** What a person chose while measuring one check: a place of his own, and whether to go all the way round. */
export interface Measuring {
  readonly at?: string;
  readonly allRound?: boolean;
  /** How the part is held now; nothing chosen: as it was for the last reading. */
  readonly held?: string;
}

export interface ReadingPlace {
  readonly places: readonly string[];
  readonly allRound: boolean;
  readonly here: string;
}

/**
 * Where the next reading belongs. Whoever began to read all the way round goes on so, after a reload too: the readings
 * themselves tell.
 */
export function placeToRead(
  check: Check,
  readPlaces: readonly string[],
  { at, allRound }: Measuring,
): ReadingPlace {
  const begun = readPlaces.some((place) => !(check.places ?? ['']).includes(place));
  const round = check.every !== undefined && (allRound ?? begun);
  const places = placesToWalk(check, round);
  return { places, allRound: round, here: at ?? nextUnread(places, new Set(readPlaces), readPlaces.at(-1)) };
}

type Readings = Pick<JobSnapshot, 'readings'>;
const ownOf = ({ readings }: Readings, check: Check, positionId: string) =>
  findActive(readings).filter((reading) => reading.checkId === check.id && reading.positionId === positionId);

/** How the part is held now: as was chosen, else as for the last reading of this check; empty where nobody said it. */
export const heldNow = (job: Readings, check: Check, positionId: string, { held }: Measuring): string =>
  held ?? ownOf(job, check, positionId).at(-1)?.held ?? '';

/** The places that were read with the part held as it is now: another set-up begins afresh. */
export function readInHolding(
  job: Readings,
  check: Check,
  positionId: string,
  measuring: Measuring,
): string[] {
  const now = heldNow(job, check, positionId, measuring);
  return ownOf(job, check, positionId)
    .filter(({ held = '' }) => held === now)
    .map(({ place }) => place);
}

/** Every place is read that is to be read: all of the circle for whoever goes all the way round. */
export function isWhole(job: Readings, check: Check, positionId: string, measuring: Measuring): boolean {
  const read = readInHolding(job, check, positionId, measuring);
  const { places } = placeToRead(check, read, measuring);
  return places.length === 0 ? read.length > 0 : places.every((place) => read.includes(place));
}

/** Where the next reading of this check belongs in the job as it stands at this moment. */
export function placeNow(
  { readings }: Pick<JobSnapshot, 'readings'>,
  check: Check,
  positionId: string,
  measuring: Measuring,
): string {
  return placeToRead(check, readInHolding({ readings }, check, positionId, measuring), measuring).here;
}
