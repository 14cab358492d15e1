interface TakenWith {
  readonly gaugeId: string;
  /** UTC instant at which it was taken. */
  readonly deviceTime?: string;
}
interface Vouched {
  readonly id: string;
  readonly name?: string;
  /** The last day on which the gauge could be trusted. */
  readonly calibratedUntil?: string;
}

/** Names of the gauges that were read after their calibration had run out. The verdict stands; what it leans on does not. */
export function lapsedGauges(readings: readonly TakenWith[], gauges: readonly Vouched[]): string[] {
  return gauges
    .filter(
      ({ id, calibratedUntil }) =>
        calibratedUntil !== undefined &&
        readings.some(
          ({ gaugeId, deviceTime }) =>
            gaugeId === id && deviceTime !== undefined && deviceTime.slice(0, 10) > calibratedUntil,
        ),
    )
    .map(({ id, name }) => name ?? id);
}
