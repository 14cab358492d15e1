'use client';

import { type RefObject, useEffect, useRef, useState } from 'react';
import type { SectionView } from '@/core/section/sectionOptions';
import type { Zooming } from './zooming';

const WHOLE: SectionView = { k: 1, x: 0, y: 0 };

/** How near a drawing is looked at. What moves it comes after the drawing itself. */
export function useZoom(sheet: RefObject<SVGSVGElement | null>, width: number, height: number) {
  const [view, setView] = useState<SectionView>(WHOLE);
  const held = useRef<Zooming>(undefined);
  // Bound again when the drawing appears for the first time: an undescribed unit has none.
  useEffect(() => {
    const drawing = sheet.current;
    if (!drawing) return;
    let gone = false;
    void import('./zooming').then(({ zooming }) => {
      if (!gone) held.current = zooming(drawing, [width, height], setView);
    });
    return () => {
      gone = true;
      held.current?.release();
      held.current = undefined;
    };
  }, [sheet, width, height]);
  return {
    view,
    nearer: (more: boolean) => held.current?.act(more ? 'nearer' : 'farther'),
    whole: () => held.current?.act('whole'),
  };
}
