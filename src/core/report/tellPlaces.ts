import type { PaperDrawing } from '@/model/paper';

/** A drawing for who can't see it: what each number is, and which of them it doesn't have. */
export function tellPlaces({ places }: Pick<PaperDrawing, 'places'>, notDrawn: readonly number[]): string {
  const told = places.map(
    ({ number, name }) => `${number}: ${name}${notDrawn.includes(number) ? ' (not drawn)' : ''}`,
  );
  return `The unit cut open. ${told.join('; ')}.`;
}
