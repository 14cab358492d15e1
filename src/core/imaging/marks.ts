import type { Mark } from '@/model/pictureRecord';
import type { BenchRecord } from '@/model/snapshot';
import { recordsOf } from '../strip/recordsOf';
import type { Size } from './planes';
import type { Point } from './raster';

/** The marks that stand on a photograph now: strokes add up in the order in which they came, of one mark the last version counts. */
export function marksOn(records: readonly BenchRecord[], photographId: string): Mark[] {
  const marks = new Map<string, Mark>();
  for (const { content } of recordsOf(records, 'picture-marked')) {
    if (content.photographId !== photographId) continue;
    for (const id of content.removed) marks.delete(id);
    for (const mark of content.put) marks.set(mark.id, mark);
  }
  return [...marks.values()];
}

/** The number that the next pin gets: numbers of pins that were rubbed out aren't used again while later ones stand. */
export const nextPin = (marks: readonly Mark[]): number =>
  1 + Math.max(0, ...marks.map(({ number }) => number ?? 0));

/** What leads from one set of marks to another, as it is recorded. */
export function marksChange(from: readonly Mark[], to: readonly Mark[]): { put: Mark[]; removed: string[] } {
  const before = new Map(from.map((mark) => [mark.id, mark]));
  return {
    put: to.filter((mark) => before.get(mark.id) !== mark),
    removed: from.filter(({ id }) => !to.some((mark) => mark.id === id)).map(({ id }) => id),
  };
}

/** A mark as strokes of a pen: SVG paths in the picture's own pixels, for the screen and for paper alike. */
export interface MarkDrawing {
  readonly path: string;
  /** A filled disc under the number of a pin. */
  readonly disc?: { readonly at: Point; readonly radius: number };
  readonly words?: { readonly at: Point; readonly text: string; readonly size: number };
}

/** Thickness of a pen stroke: the same share of every picture, however many pixels it has. */
export const penOf = ({ width, height }: Size): number => Math.max(width, height) / 320;

export function drawMark({ shape, points, words, number }: Mark, picture: Size): MarkDrawing {
  const pen = penOf(picture);
  const first: Point = points[0]!;
  const second: Point = points[1] ?? first;
  const to = ([x, y]: Point) => `${round(x)} ${round(y)}`;
  switch (shape) {
    case 'arrow': {
      const away = Math.atan2(second[1] - first[1], second[0] - first[0]);
      const barb = (turn: number): Point => [
        second[0] - 9 * pen * Math.cos(away + turn),
        second[1] - 9 * pen * Math.sin(away + turn),
      ];
      return { path: `M${to(first)}L${to(second)}M${to(barb(0.45))}L${to(second)}L${to(barb(-0.45))}` };
    }
    case 'ring': {
      const [cx, cy] = [(first[0] + second[0]) / 2, (first[1] + second[1]) / 2];
      const [rx, ry] = [Math.abs(second[0] - first[0]) / 2, Math.abs(second[1] - first[1]) / 2];
      const radii = `${round(Math.max(1, rx))} ${round(Math.max(1, ry))} 0 1 0`;
      return { path: `M${to([cx - rx, cy])}A${radii} ${to([cx + rx, cy])}A${radii} ${to([cx - rx, cy])}` };
    }
    case 'line':
      return { path: points.map((point, index) => `${index === 0 ? 'M' : 'L'}${to(point)}`).join('') };
    case 'text':
      return { path: '', words: { at: first, text: words ?? '', size: 10 * pen } };
    case 'pin':
      return {
        path: `M${to(first)}L${to([first[0] + 7 * pen, first[1] - 12 * pen])}`,
        disc: { at: [first[0] + 10 * pen, first[1] - 17 * pen], radius: 6.5 * pen },
        words: {
          at: [first[0] + 10 * pen, first[1] - 17 * pen],
          text: String(number ?? ''),
          size: 9 * pen,
        },
      };
  }
}

const round = (pixels: number): number => Math.round(pixels * 10) / 10;
