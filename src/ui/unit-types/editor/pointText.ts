import type { Json } from '@/core/unit-type/editType';

/* Points are typed one on a line, “x y”; an empty line begins the next outline. */

const line = (point: Json): string => (Array.isArray(point) ? point.map(String).join(' ') : String(point));
const lines = (points: Json): string => (Array.isArray(points) ? points.map(line).join('\n') : '');

export const textOfPoints = (value: Json | undefined): string => lines(value ?? []);
export const textOfPolygons = (value: Json | undefined): string =>
  Array.isArray(value) ? value.map(lines).join('\n\n') : '';

/** A line that is no pair of figures stays as it was typed, and is named as a fault where it stands. */
function pointOf(typed: string): Json {
  const parts = typed.trim().split(/[\s;]+/);
  const numbers = parts.map((part) => Number(part.replace('−', '-').replace(',', '.')));
  return parts.length === 2 && numbers.every(Number.isFinite) ? numbers : typed;
}

export const pointsOf = (text: string): Json[] =>
  text
    .split('\n')
    .filter((typed) => typed.trim() !== '')
    .map(pointOf);

export const polygonsOf = (text: string): Json[] =>
  text
    .split(/\n\s*\n/)
    .filter((block) => block.trim() !== '')
    .map(pointsOf);
