import { inverse, Matrix } from 'ml-matrix';

/*
 * Readings that hang together: each is a known mean plus what all of them share (described by their covariance) plus its own doubt. From that
 * follows what is thought of anything that hangs together with them, and how strange each reading looks beside all others.
 */

export interface Linear {
  /** Weights of the unknowns in this reading. */
  readonly row: readonly number[];
  /** Of the reading alone: one standard deviation. */
  readonly doubt: number;
  readonly value: number;
}

export interface Known {
  /** Of any combination of the unknowns: value and standard deviation. */
  readonly of: (row: readonly number[]) => { readonly value: number; readonly deviation: number };
  /** For each reading: how far it lies from what all others say, in standard deviations of that difference. */
  readonly strangeness: readonly number[];
}

/**
 * What is known of unknowns with independent normal priors after readings that are linear in them (a Gaussian linear model, exactly).
 * Shapes: `means`, `deviations` and each row have one entry an unknown.
 */
export function known(
  means: readonly number[],
  deviations: readonly number[],
  readings: readonly Linear[],
): Known {
  const prior = deviations.map((each) => each * each);
  const design = new Matrix(readings.map(({ row }) => [...row]));
  const scaled = design.clone().mulRowVector(prior);
  // Covariance of the readings: what they share, and each one's own doubt.
  const shared = scaled.mmul(design.transpose());
  for (const [at, { doubt }] of readings.entries()) shared.set(at, at, shared.get(at, at) + doubt * doubt);
  const precision = inverse(shared);
  const off = Matrix.columnVector(
    readings.map(({ row, value }) => value - row.reduce((sum, weight, at) => sum + weight * means[at]!, 0)),
  );
  const weighed = precision.mmul(off);
  return {
    of: (row) => {
      const cross = Matrix.rowVector([...row])
        .mulRowVector(prior)
        .mmul(design.transpose());
      const before = row.reduce((sum, weight, at) => sum + weight * weight * prior[at]!, 0);
      const told = cross.mmul(precision).mmul(cross.transpose()).get(0, 0);
      return {
        value: row.reduce((sum, weight, at) => sum + weight * means[at]!, 0) + cross.mmul(weighed).get(0, 0),
        deviation: Math.sqrt(Math.max(0, before - told)),
      };
    },
    strangeness: readings.map((_, at) => weighed.get(at, 0) / Math.sqrt(precision.get(at, at))),
  };
}
