'use client';

import { type RefObject, useEffect, useState } from 'react';

/** The element's width in whole pixels, followed as it changes; `first` stands in until it is known. */
export function useWidth(holder: RefObject<Element | null>, first: number): number {
  const [width, setWidth] = useState(first);
  useEffect(() => {
    const element = holder.current;
    if (!element) return;
    const observer = new ResizeObserver(
      ([entry]) => entry && setWidth(Math.max(280, Math.floor(entry.contentRect.width))),
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, [holder]);
  return width;
}

/** Strip and run, the bar at the foot, and the row of keys over the drawing with the space round it. */
const FRAME_PX = 100 + 60 + 72;

/** Height that the window leaves a drawing within the frame, followed as it changes. */
export function useHeightLeft(): number {
  const [height, setHeight] = useState(608);
  useEffect(() => {
    const measure = () => setHeight(window.innerHeight - FRAME_PX);
    measure();
    window.addEventListener('resize', measure);
    return () => window.removeEventListener('resize', measure);
  }, []);
  return height;
}
