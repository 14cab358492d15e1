/** A gauge as the verdict needs it; lengths in the unit of the readings. */
export interface GaugeError {
  readonly resolution: number;
  readonly maxPermissibleError: number;
}

export interface StandardUncertainty {
  readonly u: number;
  /** Effective degrees of freedom; null stands for infinitely many. */
  readonly degreesOfFreedom: number | null;
}

/**
 * Standard uncertainty of a mean of n readings (GUM): u² = s²/n + r²/12 + e²/3, the resolution and the
 * permissible error taken as rectangular. Degrees of freedom after Welch and Satterthwaite, with the last
 * two terms exactly known; a scatter known beforehand counts as exactly known too.
 * @param deviation scatter s of one reading, same unit as the gauge
 * @param n readings, at least 1
 */
export function uncertaintyOfMean(
  deviation: number,
  n: number,
  gauge: GaugeError,
  scatterKnown: boolean,
): StandardUncertainty {
  const fromScatter = deviation ** 2 / n;
  const u = Math.sqrt(fromScatter + gauge.resolution ** 2 / 12 + gauge.maxPermissibleError ** 2 / 3);
  if (scatterKnown || n < 2 || fromScatter === 0) return { u, degreesOfFreedom: null };
  return { u, degreesOfFreedom: u ** 4 / (fromScatter ** 2 / (n - 1)) };
}
