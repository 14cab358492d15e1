'use client';

import { useMemo, useRef } from 'react';
import type { BrushStroke } from '@/core/imaging/brush';
import { boxRound } from '@/core/imaging/outline';
import type { Point, Quad } from '@/core/imaging/raster';
import type { EyeWord } from '@/model/pictureRecord';
import type { RecordOf } from '@/model/recordKinds';
import { readKept, useKept } from '../kit/useKept';
import { middleOf } from '../picture/middleOf';
import type { LookedAt } from '../picture/PicturePane';
import { type Kind, kindOf } from './measured';

/** What is read from a picture, where, and how a hand corrected it. All of it outlives a reload until the reading is kept. */
export interface RegionSet {
  readonly kind: Kind;
  readonly corners: Quad;
  /** A line drawn round a pitted surface, instead of corners. */
  readonly outline: readonly Point[] | null;
  /** The compound's colour as it was picked, #rrggbb. */
  readonly compound: string | null;
  readonly strokes: readonly BrushStroke[];
  /** How much the eye sees pitted, said before anything is measured. */
  readonly seen?: EyeWord | undefined;
  /** The middle of a sound surface that was picked to compare with. */
  readonly sound?: Point | undefined;
}

export interface Region extends RegionSet {
  readonly pits: boolean;
  /** What the sum looks at: the corners, or those of the box round the outline. */
  readonly box: Quad;
  /** Whether something was set here before, so that nothing is proposed over it. */
  readonly begun: boolean;
  /** Any change of the region ends what a brush did to what was read of the last one. */
  readonly set: (change: Partial<RegionSet>) => void;
}

const keyOf = (pictureId: string) => `region ${pictureId}`;

/** The region of a picture that is being read: as it was left on this device, else as it was measured the last time, else its middle. */
export function useRegion(picture: LookedAt, before: RecordOf<'picture-measured'> | undefined): Region {
  const first = useMemo<RegionSet>(
    () => ({
      kind: before ? kindOf(before) : 'pattern on drive',
      corners: before?.corners ?? middleOf(picture),
      outline: before?.outline ?? null,
      compound: before?.compound ?? null,
      strokes: [],
    }),
    [before, picture],
  );
  const [region, setRegion] = useKept<RegionSet>(keyOf(picture.id), first);
  // What is proposed arrives later, when a hand may have changed something else.
  const latest = useRef(region);
  latest.current = region;
  const pits = region.kind === 'pits';
  return {
    ...region,
    pits,
    box: pits && region.outline ? boxRound(region.outline) : region.corners,
    begun: before !== undefined || readKept(keyOf(picture.id)) !== undefined,
    set: (change) => setRegion({ ...latest.current, strokes: [], ...change }),
  };
}
