import { select } from 'd3-selection';
import { type D3ZoomEvent, zoom, zoomIdentity } from 'd3-zoom';
import type { SectionView } from '@/core/section/sectionOptions';

const MOST = 6;
const STEP = 1.6;

/** Two fingers or Ctrl and the wheel come nearer; one finger or the mouse moves the sheet once it is larger than its place. */
const isMeant = (event: Event, enlarged: boolean): boolean => {
  if (event.type === 'wheel') return (event as WheelEvent).ctrlKey;
  if (event.type === 'dblclick') return false;
  if ('touches' in event) return enlarged || (event as TouchEvent).touches.length > 1;
  return enlarged && (event as MouseEvent).button === 0;
};

export interface Zooming {
  readonly act: (how: 'nearer' | 'farther' | 'whole') => void;
  readonly release: () => void;
}

/** Lets this drawing be looked at from nearer. It never leaves its place: moved as far as its edge, no farther. */
export function zooming(
  sheet: SVGSVGElement,
  [width, height]: readonly [number, number],
  onView: (view: SectionView) => void,
): Zooming {
  let near = 1;
  const whole: [[number, number], [number, number]] = [
    [0, 0],
    [width, height],
  ];
  const held = zoom<SVGSVGElement, unknown>()
    .scaleExtent([1, MOST])
    .extent(whole)
    .translateExtent(whole)
    .filter((event: Event) => isMeant(event, near > 1))
    .on('zoom', ({ transform: { k, x, y } }: D3ZoomEvent<SVGSVGElement, unknown>) => {
      near = k;
      onView({ k, x, y });
    });
  const element = select(sheet).call(held);
  return {
    act: (how) => {
      if (how === 'whole') element.call(held.transform, zoomIdentity);
      else element.call(held.scaleBy, how === 'nearer' ? STEP : 1 / STEP);
    },
    release: () => {
      element.on('.zoom', null);
    },
  };
}
