'use client';

import { usePathname, useSearchParams } from 'next/navigation';
import { useCallback } from 'react';
import { STATIONS, type StationId } from '@/model/job';
import { PICTURE_TOOLS, type PictureTool } from './pictureTools';

export const TICKET_FACES = ['look', 'measure', 'picture', 'decide'] as const;
export type TicketFace = (typeof TICKET_FACES)[number];

/** How the parts stand at the grading: on the sheet beside the section, as the section alone, as a plain list. */
export const PART_VIEWS = ['sheet', 'section', 'list'] as const;
export type PartView = (typeof PART_VIEWS)[number];

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
  /** The desk with all photographs is open. */
  readonly photographs: boolean;
  /** The photographs that are looked at: one alone, several in step. */
  readonly look: readonly string[];
  readonly tool: PictureTool;
  /** The desk with the recordings is open, and which of them is in hand. */
  readonly sound: string | undefined;
  readonly show: PartView;
  readonly goTo: (place: {
    station?: StationId;
    part?: string | null;
    face?: TicketFace;
    check?: string;
    gear?: string | null;
    coast?: boolean;
    photographs?: boolean;
    look?: readonly string[];
    tool?: PictureTool;
    sound?: string | null;
    show?: PartView;
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
      // A station or a part leads away from the desk.
      if (place.photographs === false || place.station || place.part !== undefined)
        for (const name of ['photographs', 'look', 'tool', 'sound']) next.delete(name);
      if (place.sound !== undefined) next.delete('sound');
      if (place.sound) next.set('sound', place.sound);
      if (place.photographs) next.set('photographs', 'all');
      if (place.look) {
        next.set('photographs', 'all');
        next.delete('look');
        for (const id of place.look) next.append('look', id);
      }
      if (place.tool) next.set('tool', place.tool);
      if (place.show) next.set('show', place.show);
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
    photographs: search.has('photographs'),
    look: search.getAll('look'),
    tool: PICTURE_TOOLS.find((known) => known === search.get('tool')) ?? 'look',
    sound: search.get('sound') ?? undefined,
    show: PART_VIEWS.find((known) => known === search.get('show')) ?? 'sheet',
    goTo,
  };
}
