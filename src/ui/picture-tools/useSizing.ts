'use client';

import { useState } from 'react';
import { BadInput } from '@/core/badInput';
import {
  measureInPlane,
  type PlaneMeasure,
  type PlaneShape,
  pointDeviationOf,
} from '@/core/imaging/planeMeasures';
import type { Point } from '@/core/imaging/raster';
import { tellSized } from '@/core/imaging/tellMeasured';
import type { PictureScale } from '@/model/records/picture-scaled';
import { useKeep } from '../job/useKeep';
import { useKept } from '../kit/useKept';
import type { Work } from './tool';

export const MOST_POINTS: Record<PlaneShape, number> = { length: 2, angle: 3, area: 60 };

interface Sizing {
  readonly shape: PlaneShape | null;
  readonly points: readonly Point[];
}

/** A length, an angle or an area in the plane of a picture's scale, point by point; what is tapped outlives a reload. */
export function useSizing(work: Work, scale: PictureScale | undefined) {
  const { picture } = work;
  const keep = useKeep(work.job);
  const [{ shape, points }, setSizing] = useKept<Sizing>(`sizing ${picture.id}`, { shape: null, points: [] });
  const [trouble, setTrouble] = useState('');
  const measured = scale && shape ? tryMeasure(shape, points, scale, pointDeviationOf(picture)) : undefined;
  const setPoints = (next: readonly Point[]) => setSizing({ shape, points: next });
  const keepSized = async () => {
    if (!shape || !measured || 'message' in measured) return;
    const wrong = await keep(
      {
        what: 'picture-sized',
        photographId: picture.id,
        shape,
        points: points.map(([x, y]) => [x, y]),
        ...measured,
      },
      tellSized({ shape, ...measured }),
    );
    setTrouble(wrong ?? '');
    if (!wrong) setPoints([]);
  };
  return {
    shape,
    points,
    measured,
    trouble,
    setPoints,
    keepSized,
    chooseShape: (next: PlaneShape) => setSizing({ shape: next === shape ? null : next, points: [] }),
  };
}

function tryMeasure(
  shape: PlaneShape,
  points: readonly Point[],
  scale: PictureScale,
  deviation: number,
): PlaneMeasure | { readonly message: string } | undefined {
  if (points.length < { length: 2, angle: 3, area: 3 }[shape]) return undefined;
  try {
    return measureInPlane(shape, points, scale, deviation);
  } catch (error) {
    if (error instanceof BadInput) return { message: error.message };
    throw error;
  }
}
