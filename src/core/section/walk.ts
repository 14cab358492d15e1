import type { Section } from './drawSection';

export type WalkKey = 'ArrowLeft' | 'ArrowRight' | 'ArrowUp' | 'ArrowDown';

/**
 * Where an arrow leads on the drawing: left and right along the shaft and on to the next one at its end, up and down to the piece
 * of the neighbouring shaft that lies nearest.
 */
export function walkFrom(
  { walk, walks, anchors }: Pick<Section, 'walk' | 'walks' | 'anchors'>,
  from: string,
  key: WalkKey,
): string {
  const at = walk.indexOf(from);
  if (key === 'ArrowLeft' || key === 'ArrowRight')
    return walk[(at + (key === 'ArrowRight' ? 1 : -1) + walk.length) % walk.length] ?? from;
  const shaft = walks.findIndex((along) => along.includes(from));
  const next = walks[(shaft + (key === 'ArrowDown' ? 1 : -1) + walks.length) % walks.length] ?? [];
  const here = anchors.get(from);
  const away = (id: string) => {
    const there = anchors.get(id);
    return here && there ? Math.hypot(there[0] - here[0], there[1] - here[1]) : Number.POSITIVE_INFINITY;
  };
  return next.reduce((nearest, id) => (away(id) < away(nearest) ? id : nearest), next[0] ?? from);
}
