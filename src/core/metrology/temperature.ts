/** Lengths are stated at this temperature. */
export const REFERENCE_C = 20;

/** Linear expansion of plain steel per kelvin, a usual figure; the maker's own goes before it. */
export const STEEL_PER_K = 11.5e-6;

/** Within this distance of the reference the correction is smaller than what the shop's gauges see. */
const NEAR_K = 2;

/**
 * What a length would be at 20 °C, taken while the part was at `temperatureC` and the gauge at 20 °C.
 * @param expansion per kelvin
 */
export const atReference = (length: number, temperatureC: number, expansion = STEEL_PER_K): number =>
  length / (1 + expansion * (temperatureC - REFERENCE_C));

export const isNearReference = (temperatureC: number): boolean =>
  Math.abs(temperatureC - REFERENCE_C) <= NEAR_K;
