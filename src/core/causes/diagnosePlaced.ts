import type { CauseNetwork } from '@/model/causeNetwork';
import { type Asked, type Diagnosis, diagnose } from './diagnose';
import type { Network } from './network';
import { placeNetwork, type Rates, unplaced } from './placeNetwork';
import type { Described } from './places';

export interface PlaceShare {
  readonly place: string;
  /** P(any root cause that belongs to a place is there). */
  readonly share: number;
  /** The likeliest of them. */
  readonly root: string;
}

export interface PlacedDiagnosis extends Diagnosis {
  readonly places: readonly PlaceShare[];
  /** The likeliest place and cause together; undefined where no cause belongs to a place. */
  readonly firstFailure?: { readonly place: string; readonly root: string; readonly probability: number };
}

/** A general network placed on a unit, and what the findings say of it. */
export const diagnosePlaced = (
  network: CauseNetwork,
  type: Described,
  asked: Asked,
  rates: Rates = {},
): PlacedDiagnosis => diagnoseOnPlaces(placeNetwork(network, type, rates), asked);

/** The same of a network that is placed already: its nodes are called `id@place`. */
export function diagnoseOnPlaces(placed: Network, asked: Asked): PlacedDiagnosis {
  const byPlace = new Map<string, string[]>();
  for (const { id, kind } of placed.nodes) {
    const { place } = unplaced(id);
    if (kind === 'root' && place !== undefined) byPlace.set(place, [...(byPlace.get(place) ?? []), id]);
  }
  const told = diagnose(placed, { ...asked, anyOf: byPlace });
  const likeliest = (ids: readonly string[]) =>
    ids.reduce((most, id) => (told.marginals[id]! > told.marginals[most]! ? id : most));
  const places = Object.entries(told.anyOf ?? {})
    .map(([place, share]) => ({ place, share, root: unplaced(likeliest(byPlace.get(place)!)).node }))
    .sort((a, b) => b.share - a.share);
  if (byPlace.size === 0) return { ...told, places };
  const first = likeliest([...byPlace.values()].flat());
  const { node: root, place } = unplaced(first);
  return {
    ...{ ...told, places },
    firstFailure: { place: place!, root, probability: told.marginals[first]! },
  };
}
