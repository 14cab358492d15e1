'use client';

import { usePathname, useSearchParams } from 'next/navigation';
import { useCallback } from 'react';
import { STATIONS, type StationId } from '@/model/job';

export const TICKET_FACES = ['look', 'measure', 'picture', 'decide'] as const;
export type TicketFace = (typeof TICKET_FACES)[number];

export interface BenchPlace {
  readonly station: StationId;
  readonly part: string | undefined;
  readonly face: TicketFace;
  /** The check that is being measured, where a part has several. */
  readonly check: string | undefined;
  /** The gear that is engaged on the drawing. */
  readonly gear: string | undefined;
  /** The load pushes the engine round in that gear. */
  readonly coast: boolean;
  readonly goTo: (place: {
    station?: StationId;
    part?: string | null;
    face?: TicketFace;
    check?: string;
    gear?: string | null;
    coast?: boolean;
  }) => void;
}

/** Where one stands in a job, kept in the address: changing part is a step of history, not a page load. */
export function useBenchPlace(): BenchPlace {
  const path = usePathname();
  const search = useSearchParams();
  const station = STATIONS.find(({ id }) => id === search.get('station'))?.id ?? 'grade';
  const face = TICKET_FACES.find((known) => known === search.get('face')) ?? 'look';
  const goTo = useCallback<BenchPlace['goTo']>(
    (place) => {
      const next = new URLSearchParams(search.toString());
      if (place.station) next.set('station', place.station);
      if (place.part) next.set('part', place.part);
      if (place.part === null) next.delete('part');
      if (place.face) next.set('face', place.face);
      if (place.part !== undefined) next.delete('check');
      if (place.check) next.set('check', place.check);
      if (place.gear) next.set('gear', place.gear);
      if (place.gear === null) next.delete('gear');
      if (place.coast) next.set('coast', 'yes');
      if (place.coast === false || place.gear === null) next.delete('coast');
      window.history.pushState(null, '', `${path}?${next.toString()}`);
    },
    [path, search],
  );
  return {
    station,
    part: search.get('part') ?? undefined,
    face,
    check: search.get('check') ?? undefined,
    gear: search.get('gear') ?? undefined,
    coast: search.has('coast'),
    goTo,
  };
}
