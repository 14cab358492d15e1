import jstat from 'jstat';

/** Above this many degrees of freedom Student's t is the normal distribution to beyond double precision of use. */
const AS_GOOD_AS_NORMAL = 1e6;

/** P(T ≤ x) for Student's t; `null` degrees of freedom mean infinitely many (the normal distribution). */
export function studentCdf(x: number, degreesOfFreedom: number | null): number {
  if (degreesOfFreedom === null || degreesOfFreedom > AS_GOOD_AS_NORMAL) return jstat.normal.cdf(x, 0, 1);
  return jstat.studentt.cdf(x, degreesOfFreedom);
}

/** The t with P(T ≤ t) = p, for p inside 0…1. */
export function studentQuantile(p: number, degreesOfFreedom: number | null): number {
  if (degreesOfFreedom === null || degreesOfFreedom > AS_GOOD_AS_NORMAL) return jstat.normal.inv(p, 0, 1);
  return jstat.studentt.inv(p, degreesOfFreedom);
}

/** P(F > f) for Fisher's F. */
export const fisherTail = (f: number, freedom1: number, freedom2: number): number =>
  1 - jstat.centralF.cdf(f, freedom1, freedom2);

/** The x with P(χ² ≤ x) = p. */
export const chiSquareQuantile = (p: number, freedom: number): number => jstat.chisquare.inv(p, freedom);

/** The x with P(B ≤ x) = p for the beta distribution. */
export const betaQuantile = (p: number, a: number, b: number): number => jstat.beta.inv(p, a, b);
