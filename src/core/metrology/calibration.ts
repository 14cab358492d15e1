import { dayIn } from '../time/shopDay';

interface TakenWith {
  readonly gaugeId: string;
  /** UTC instant at which it was taken, by the shop's clock where that is known, and by the device's. */
  readonly happenedAt?: string;
  readonly deviceTime?: string;
}
interface Vouched {
  readonly id: string;
  readonly name?: string;
  /** The last day on which the gauge could be trusted. */
  readonly calibratedUntil?: string;
}

/**
 * Names of the gauges that were read after their calibration had run out, by the days of the shop's time zone. The verdict stands;
 * what it leans on does not.
 */
export function lapsedGauges(
  readings: readonly TakenWith[],
  gauges: readonly Vouched[],
  timeZone: string,
): string[] {
  const dayOf = ({ happenedAt, deviceTime }: TakenWith): string | undefined => {
    const instant = happenedAt || deviceTime;
    return instant === undefined ? undefined : dayIn(new Date(instant), timeZone);
  };
  return gauges
    .filter(
      ({ id, calibratedUntil }) =>
        calibratedUntil !== undefined &&
        readings.some((reading) => reading.gaugeId === id && (dayOf(reading) ?? '') > calibratedUntil),
    )
    .map(({ id, name }) => name ?? id);
}
