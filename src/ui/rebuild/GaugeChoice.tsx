import { gaugesFor, usualGauge } from '@/core/metrology/gaugesFor';
import { findActive } from '@/core/wear/active';
import type { Check } from '@/model/checks';
import type { Gauge, JobSnapshot } from '@/model/snapshot';
import { Field, Select } from '../kit/Field';

/** The shop’s own gauges that read a check’s quantity, and with which one begins. */
export function gaugesOf(
  { gauges, readings }: Pick<JobSnapshot, 'gauges' | 'readings'>,
  check: Pick<Check, 'id' | 'unit' | 'gaugeKinds'>,
): { readonly gauges: readonly Gauge[]; readonly usual: string } {
  const own = gauges.filter(({ home }) => !home);
  return { gauges: gaugesFor(own, check), usual: usualGauge(own, findActive(readings), check) };
}

interface GaugeChoiceProps {
  readonly gauges: readonly Gauge[];
  readonly value: string;
  readonly onGauge: (id: string) => void;
  readonly label?: string;
}

/** With what a figure was read. */
export function GaugeChoice({ gauges, value, onGauge, label = 'Read with' }: GaugeChoiceProps) {
  return (
    <Field label={label}>
      {(wiring) => (
        <Select {...wiring} value={value} onChange={(event) => onGauge(event.target.value)}>
          {gauges.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Select>
      )}
    </Field>
  );
}
