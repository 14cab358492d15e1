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

/** The bar at the foot, and a little air above it. */
const FOOT_PX = 60 + 10;
/** A drawing that begins farther down the page is scrolled to; it has the height of one that begins here. */
const FARTHEST_TOP_PX = 240;

/** Height that the window leaves under the top of this element, down to the bar at the foot; followed as the window changes. */
export function useHeightLeft(holder: RefObject<Element | null>): number {
  const [height, setHeight] = useState(568);
  useEffect(() => {
    const measure = () => {
      const top = (holder.current?.getBoundingClientRect().top ?? 0) + window.scrollY;
      setHeight(Math.floor(window.innerHeight - Math.min(top, FARTHEST_TOP_PX) - FOOT_PX));
    };
    measure();
    window.addEventListener('resize', measure);
    return () => window.removeEventListener('resize', measure);
  }, [holder]);
  return height;
}
