/** Rounding may leave a figure a hair outside of what a probability can be. */
export const clean = (p: number): number => Math.min(1, Math.max(0, p));
