import type { LineKind, Tone } from './pieces/shapes';

/** How wide an area's outline is drawn, pixels. */
export const OUTLINE: Readonly<Record<Tone, number>> = {
  cavity: 0,
  case: 2.2,
  cut: 1.5,
  blank: 1.5,
  steel: 1.6,
  land: 0.6,
  roller: 1.4,
  solid: 0.8,
};

/** How a line is drawn: width and dashes in pixels. */
export const STROKES: Readonly<
  Record<LineKind, { readonly width: number; readonly dash?: string; readonly opacity: number }>
> = {
  centre: { width: 0.8, dash: '16 3 2.5 3', opacity: 1 },
  pitch: { width: 0.8, dash: '10 2.5 2 2.5', opacity: 0.9 },
  edge: { width: 0.8, opacity: 0.9 },
  shade: { width: 0.6, opacity: 0.45 },
  broken: { width: 1.6, dash: '7 4', opacity: 1 },
};
