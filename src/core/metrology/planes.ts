import { mean } from 'd3-array';

const PLACE = /^plane ([AB]), (along|across)$/;

export interface PlaneShape {
  /** Mean diameter of plane A less that of plane B. */
  readonly taper: number;
  /** The larger difference between the two directions of one plane. */
  readonly outOfRound: number;
}

/**
 * Taper and out-of-round from diameters in two planes and two directions, in the unit of the readings; undefined until
 * all four have been read. Two directions a quarter turn apart see an oval in their own directions only.
 */
export function shapeOfPlanes(
  readings: readonly { readonly place: string; readonly value: number }[],
): PlaneShape | undefined {
  const at = (plane: string, direction: string) =>
    mean(
      readings.filter(({ place }) => {
        const match = PLACE.exec(place);
        return match?.[1] === plane && match[2] === direction;
      }),
      ({ value }) => value,
    );
  const [alongA, acrossA, alongB, acrossB] = [
    at('A', 'along'),
    at('A', 'across'),
    at('B', 'along'),
    at('B', 'across'),
  ];
  if (alongA === undefined || acrossA === undefined || alongB === undefined || acrossB === undefined)
    return undefined;
  return {
    taper: (alongA + acrossA - alongB - acrossB) / 2,
    outOfRound: Math.max(Math.abs(alongA - acrossA), Math.abs(alongB - acrossB)),
  };
}
