/** A picture that is trusted less is not to be relied on: it neither advises a move nor calls a pattern good. */
export const LEAST_TRUST = 0.5;

/** What makes one doubt a picture, each 1 where it gives no cause and 0 where nothing can be trusted. */
export type Doubts = Readonly<Record<string, number>>;

/** The product of all, so that one bad thing is enough; none alone brings it to nought. */
export const confidenceOf = (doubts: Doubts): number =>
  Object.values(doubts).reduce((product, factor) => product * (0.05 + 0.95 * factor), 1);

/** 0 at or below the first figure, 1 at or above the second. */
export const ramp = (value: number, none: number, full: number): number =>
  Math.max(0, Math.min(1, (value - none) / (full - none)));
