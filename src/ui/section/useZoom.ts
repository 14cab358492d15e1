'use client';

import { select } from 'd3-selection';
import { type D3ZoomEvent, type ZoomBehavior, zoom, zoomIdentity } from 'd3-zoom';
import { type RefObject, useEffect, useRef, useState } from 'react';
import type { SectionView } from '@/core/section/drawSection';

const MOST = 6;
const STEP = 1.6;
const WHOLE: SectionView = { k: 1, x: 0, y: 0 };

/** Two fingers or Ctrl and the wheel come nearer; one finger or the mouse moves the sheet once it is larger than its place. */
const isMeant = (event: Event, enlarged: boolean): boolean => {
  if (event.type === 'wheel') return (event as WheelEvent).ctrlKey;
  if (event.type === 'dblclick') return false;
  if ('touches' in event) return enlarged || (event as TouchEvent).touches.length > 1;
  return enlarged && (event as MouseEvent).button === 0;
};

/** How near a drawing is looked at. It never leaves its place: moved as far as its edge, no farther. */
export function useZoom(sheet: RefObject<SVGSVGElement | null>, width: number, height: number) {
  const [view, setView] = useState<SectionView>(WHOLE);
  const behaviour = useRef<ZoomBehavior<SVGSVGElement, unknown>>(undefined);
  const near = useRef(1);
  // Bound again when the drawing appears for the first time: an undescribed unit has none.
  useEffect(() => {
    if (!sheet.current) return;
    const held = zoom<SVGSVGElement, unknown>()
      .scaleExtent([1, MOST])
      .extent([
        [0, 0],
        [width, height],
      ])
      .translateExtent([
        [0, 0],
        [width, height],
      ])
      .filter((event: Event) => isMeant(event, near.current > 1))
      .on('zoom', ({ transform: { k, x, y } }: D3ZoomEvent<SVGSVGElement, unknown>) => {
        near.current = k;
        setView({ k, x, y });
      });
    const element = select(sheet.current).call(held);
    behaviour.current = held;
    return () => {
      element.on('.zoom', null);
    };
  }, [sheet, width, height]);
  const act = (how: 'nearer' | 'farther' | 'whole') => {
    const held = behaviour.current;
    if (!sheet.current || !held) return;
    const element = select(sheet.current);
    if (how === 'whole') element.call(held.transform, zoomIdentity);
    else element.call(held.scaleBy, how === 'nearer' ? STEP : 1 / STEP);
  };
  return { view, nearer: (more: boolean) => act(more ? 'nearer' : 'farther'), whole: () => act('whole') };
}
