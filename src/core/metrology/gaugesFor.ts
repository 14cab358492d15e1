import type { Check } from '@/model/checks';
import type { Gauge, Reading } from '@/model/snapshot';
import { standInOfKind } from '@/model/standIn';
import { sameDimension } from '../quantity/units';

type Asked = Pick<Check, 'id' | 'unit' | 'gaugeKinds'>;

/** Whether a gauge is of a kind that the check asks for; any is, where it asks for none. */
export const suitsCheck = (
  { kind }: Pick<Gauge, 'kind'>,
  { gaugeKinds }: Pick<Asked, 'gaugeKinds'>,
): boolean => (gaugeKinds as readonly string[] | undefined)?.includes(kind) ?? true;

/** The gauges that read a check's quantity, those of its own kinds first. */
export function gaugesFor(gauges: readonly Gauge[], check: Asked): Gauge[] {
  const able = gauges.filter((gauge) => sameDimension(gauge.unit, check.unit));
  return [
    ...able.filter((gauge) => suitsCheck(gauge, check)),
    ...able.filter((gauge) => !suitsCheck(gauge, check)),
  ];
}

/**
 * The gauge to begin with: of the check's own kinds, as long as the shop has one. Among those, the one that read this check last,
 * else the one in hand, else the first that is no stand-in. A gauge of another kind is never the tool's choice: the verdict would
 * be another with it.
 */
export function usualGauge(gauges: readonly Gauge[], readings: readonly Reading[], check: Asked): string {
  const able = gaugesFor(gauges, check);
  const own = able.filter((gauge) => suitsCheck(gauge, check));
  const offered = own.length > 0 ? own : able;
  const isOffered = (reading: Reading) => offered.some(({ id }) => id === reading.gaugeId);
  const before = readings.findLast((reading) => reading.checkId === check.id && isOffered(reading));
  const inHand = before ?? readings.findLast(isOffered);
  return inHand?.gaugeId ?? offered.find(({ kind }) => !standInOfKind(kind))?.id ?? offered[0]?.id ?? '';
}
