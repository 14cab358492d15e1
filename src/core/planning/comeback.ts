/** How many of the shop's units came back within two years, of those that were done in one way. */
export interface Cases {
  readonly cases: number;
  readonly back: number;
}

export interface ChanceOfComeback extends Cases {
  readonly estimate: number;
  /** 90 % interval after Wilson. */
  readonly low: number;
  readonly high: number;
  /** Fewer comebacks than this tell little. */
  readonly isThin: boolean;
}

const Z_90 = 1.6448536269514722;
const FEW = 5;

/** The chance that a unit comes back, as a range; undefined where the shop has no cases: nothing is known then. */
export function chanceOfComeback({ cases, back }: Cases): ChanceOfComeback | undefined {
  if (cases === 0) return undefined;
  const [p, zz] = [back / cases, Z_90 ** 2];
  const middle = (p + zz / (2 * cases)) / (1 + zz / cases);
  const half = (Z_90 / (1 + zz / cases)) * Math.sqrt((p * (1 - p)) / cases + zz / (4 * cases ** 2));
  return {
    ...{ cases, back, estimate: p, isThin: back < FEW },
    ...{ low: Math.max(0, middle - half), high: Math.min(1, middle + half) },
  };
}
